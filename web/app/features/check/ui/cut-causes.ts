import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { DRIFT_DEPTH_MM, leavesLineBy, offLineMm, roomOf } from '@odontis/core/testcut/foretold';
import { timesOf } from '@odontis/core/testcut/kerf-outline';
import type { TestCut } from '@odontis/core/testcut/test-cut';
import type { CutRead } from '@odontis/core/work/read-cut';
import type { StonedPass } from '@odontis/core/set/stone-out';
import { KerfPicture } from '../../../shared/cut/kerf-picture';
import { Speech } from '../../../shared/speech/speech';
import { Why } from '../../../shared/ui/why';
import { ADVICE_SAYS } from '../../../shared/words/advice-words';
import { CAUSE_WORDS, LOOK_WORDS } from '../../../shared/words/cause-words';

/** Named at the most; those under a part in twenty are hardly worth a word. */
const NAMED = 5;
const LEAST_ODDS = 0.05;
const LOOKS = 2;
/** What is reckoned from a few looks is never quite sure. */
const NEARLY_SURE = 0.95;
const REMEDIES = 2;
/** Under this no stone is felt, mm. */
const NOTHING_MM = 1e-3;

const NOT_LOOKED_AT = 'not looked at';
const RUNS_SAYS = {
  ...{ true: 'runs true', left: 'to the left', right: 'to the right' },
  unseen: NOT_LOOKED_AT,
} as const;

/** The real cut beside the foretold one; what it points to by its odds, what to look at next, the least that mends it. */
@Component({
  selector: 'od-cut-causes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [KerfPicture, Why],
  templateUrl: './cut-causes.html',
  styleUrl: './cut-causes.scss',
})
export class CutCausesPanel {
  readonly read = input.required<CutRead>();
  protected readonly speech = inject(Speech);
  protected readonly causeWords = CAUSE_WORDS;
  protected readonly lookWords = LOOK_WORDS;

  protected readonly causes = computed(() =>
    (this.read().causes?.causes ?? []).filter((one, i) => i === 0 || one.odds >= LEAST_ODDS).slice(0, NAMED),
  );
  protected readonly looks = computed(() => this.read().looks.slice(0, LOOKS));
  protected readonly remedies = computed(() =>
    (this.read().causes?.remedies ?? [])
      .filter((one) => one.odds >= LEAST_ODDS)
      .slice(0, REMEDIES)
      .map((one) => ({ ...one, says: ADVICE_SAYS[one.advice] })),
  );
  /** "7 in 10"; under a tenth in hundredths. */
  protected inTen(odds: number): string {
    if (odds >= NEARLY_SURE) return 'nearly sure';
    return odds >= 0.095 ? `${Math.round(odds * 10)} in 10` : `${Math.max(1, Math.round(odds * 100))} in 100`;
  }

  protected readonly times = computed(() => {
    const { foretold, since } = this.read();
    return timesOf([foretold, since].filter((cut) => cut !== null));
  });

  /** Foretold, as measured since, and as this cut shows it. */
  protected readonly rows = computed(() => {
    const { foretold, since, facts, stoning, plateMm, driftTimes } = this.read();
    const { shown } = facts;
    const [{ fine, finer, plate }, drift] = [this.speech, stoning?.[0]];
    const kerf = (cut: TestCut | null): string => (cut?.section ? plate(cut.section.widthMm) : '—');
    const room = (cut: TestCut | null): string => {
      const sides = cut && roomOf(cut, plateMm);
      return sides ? `${fine(sides.left)} left, ${fine(sides.right)} right` : '—';
    };
    const off = shown.offLine && offLineMm(shown.offLine);
    return [
      {
        name: 'Kerf',
        foretold: kerf(foretold),
        since: kerf(since),
        shown: shown.kerfMm === null ? '—' : plate(shown.kerfMm),
      },
      {
        name: 'Room beside the plate',
        foretold: room(foretold),
        since: room(since),
        shown: shown.binds === null ? NOT_LOOKED_AT : shown.binds ? 'binds' : 'free',
      },
      {
        name: `Off its line over ${this.speech.long(DRIFT_DEPTH_MM)}`,
        foretold: this.offSays(foretold),
        since: drift
          ? `${this.leans((driftTimes * drift.differenceMm) / 2)}${drift.errorMm === null ? '' : ` ± ${finer((driftTimes * drift.errorMm) / 2)}`}`
          : this.offSays(since),
        shown: off === null ? RUNS_SAYS[shown.runs ?? 'unseen'] : this.leans(off),
      },
      ...(typeof foretold?.hopMm === 'number'
        ? [
            {
              name: 'Hop',
              foretold: fine(foretold.hopMm),
              since: facts.known.hopMm === null ? '—' : fine(facts.known.hopMm),
              shown: shown.chatters === null ? NOT_LOOKED_AT : shown.chatters ? 'jumps' : 'does not jump',
            },
          ]
        : []),
    ];
  });

  private leans(mm: number): string {
    return Math.abs(mm) < NOTHING_MM ? 'none' : `${this.speech.fine(Math.abs(mm))} to the ${mm > 0 ? 'left' : 'right'}`;
  }

  private offSays(cut: TestCut | null): string {
    const off = cut && leavesLineBy(cut, this.read().driftTimes);
    return off ? this.leans(off.mm) : '—';
  }

  /** The stone along the heavier side, pass by pass; nothing where the sides are even. */
  protected readonly stoning = computed(() => {
    const passes = this.read().stoning ?? [];
    const first = passes[0];
    if (!first || passes.length < 2) return null;
    return { side: first.differenceMm > 0 ? 'left' : 'right', passes };
  });

  protected passSays({ leftMm, rightMm, differenceMm, errorMm, runsTo, chance }: StonedPass): string {
    const error = errorMm === null ? '' : ` ± ${this.speech.finer(errorMm)}`;
    const runs =
      runsTo === 'true' ? 'felt as even' : `runs ${runsTo}${chance === null ? '' : `, ${this.inTen(chance)}`}`;
    return `left ${this.speech.fine(leftMm)}, right ${this.speech.fine(rightMm)}: ${this.speech.finer(Math.abs(differenceMm))}${error} apart, ${runs}`;
  }
}
