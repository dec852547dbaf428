import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { POWERED_BLADE_CAUTION } from '@odontis/core/circular/blade-geometry';
import type { IntakeJudged } from '@odontis/core/shop/judge-intake';
import type { MarkAdds } from '@odontis/core/shop/supposed-work';
import { rangeSays } from '@odontis/contract/price-words';
import { isPowered } from '@odontis/core/saw/all-families';
import type { Family } from '@odontis/core/saw/all-families';
import type { Because, Verdict } from '@odontis/core/judgement/triage';
import type { NewTicket } from '@odontis/contract/ticket';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { MARK_WORDS } from '../../../shared/words/mark-words';
import { Why } from '../../../shared/ui/why';

const SAYS: Record<Verdict, string> = { take: 'Take it', 'take-if': 'Take it, if', decline: 'Decline' };
const WITHOUT: Record<Verdict, string> = { take: 'take it', 'take-if': 'take it, if', decline: 'still declined' };
/** The question each reason comes from, in the words of its heading. */
const ASKED: Record<Because, string> = {
  saw: 'which saw it is',
  hardened: 'whether a file cuts it',
  marks: 'the plate',
  wants: 'what the owner wants',
};
const WORK = { sharpen: 'Sharpening', tune: 'Full tune' } as const;
const FILING = { ask: 'Rip or crosscut?', convert: 'Convert', rip: 'Rip', keep: 'Keep the filing' } as const;
const STRAIGHTEN = {
  leave: 'Leave the plate',
  'by-hand': 'Straighten by hand',
  clamp: 'Straighten between blocks',
  hammer: 'Straighten under the hammer',
  shorten: 'Shorten it',
  scrap: 'Do not straighten',
} as const;

const MARK_NAMES = Object.fromEntries(Object.entries(MARK_WORDS).map(([kind, { name }]) => [kind, name]));

/** What the answers come to, beside them: verdict and reasons, work, price, cost a year, the owner's word, and the decision. */
@Component({
  selector: 'od-verdict-slip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, MatFormFieldModule, MatInput, Notice, Why],
  templateUrl: './verdict-slip.html',
  styleUrl: './verdict-slip.scss',
})
export class VerdictSlip {
  protected readonly speech = inject(Speech);
  readonly judged = input.required<IntakeJudged | null>();
  /** What every mark adds to the work. */
  readonly adds = input<readonly MarkAdds[]>([]);
  readonly family = input.required<Family | ''>();
  readonly carbide = input(false);
  readonly consents = input.required<readonly string[]>();
  readonly overrideReason = input.required<string>();
  readonly overrideFault = input('');
  readonly consentFault = input('');
  readonly refused = input<string | null>(null);
  readonly busy = input(false);
  /** A reason was pressed: its question is wanted. */
  readonly asked = output<Because>();
  readonly agreed = output<readonly string[]>();
  readonly overridden = output<string>();
  readonly decided = output<NewTicket['decision']>();
  protected readonly markNames = MARK_NAMES;
  protected readonly range = (low: number, high: number): string => rangeSays(low, high, this.speech.money);
  protected readonly minutes = (low: number, high: number): string => {
    const [from, to] = [this.speech.minutes(low), this.speech.minutes(high)];
    return from === to ? to : `${from} to ${to}`;
  };
  protected readonly says = SAYS;
  protected readonly without = WITHOUT;
  protected readonly questions = ASKED;
  protected readonly caution = POWERED_BLADE_CAUTION;
  protected readonly powered = computed(() => {
    const family = this.family();
    return family !== '' && isPowered(family);
  });
  protected readonly taken = computed(() => this.judged()?.judgement.taken ?? null);
  protected readonly toAgree = computed(() => this.taken()?.reasons.filter((r) => r.needsConsent) ?? []);

  /** The further judgements, each with its own reasons. */
  protected readonly further = computed(() => {
    const judgement = this.judged()?.judgement;
    if (!judgement || this.carbide()) return [];
    const { work, filing, straighten } = judgement;
    return [
      work
        ? { name: WORK[work.verdict], says: work.reasons.map((r) => r.says) }
        : { name: 'Sharpening or full tune?', says: ['Look along the line with a straight edge: nobody has yet.'] },
      ...(filing ? [{ name: FILING[filing.verdict], says: filing.reasons.map((r) => r.says) }] : []),
      ...(straighten ? [{ name: STRAIGHTEN[straighten.verdict], says: straighten.reasons.map((r) => r.says) }] : []),
    ];
  });
  protected readonly keep = computed(() => this.judged()?.keep ?? null);

  protected agree(rule: string, yes: boolean): void {
    const others = this.consents().filter((r) => r !== rule);
    this.agreed.emit(yes ? [...others, rule] : others);
  }
}
