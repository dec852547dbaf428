import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Dossier } from '@odontis/contract/dossier';
import type { OutworkBackSaid, OutworkSaid } from '@odontis/contract/outwork';
import { awayNow } from '@odontis/contract/outwork';
import { teethOf } from '@odontis/core/saw/saw';
import type { Result } from '@odontis/core/work/deeds';
import { DateTime } from 'luxon';
import type { Refusal } from '../shared/api/refusal';
import { plain } from '../shared/saw/plain-number';
import { Speech } from '../shared/speech/speech';
import { DayField } from '../shared/ui/day-field';
import { Refused } from '../shared/ui/refused';

const ANOTHER = '';
const RESULT_WORDS: Readonly<Record<Result, string>> = { 'came-out': 'done', 'did-not': 'not done' };

/** A saw at a grinder's: who has it, until when and for how much; sent, and said to be back. */
@Component({
  selector: 'od-outwork-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, MatSelectModule, DayField, Refused],
  templateUrl: './outwork-panel.html',
  styles: `
    :host {
      display: block;
      margin: 0 16px 8px;
      padding: 8px 14px;
      border-left: 6px solid var(--brass);
      background: var(--brass-wash);
    }
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      align-items: center;
    }
    .work {
      flex: 1 1 220px;
      max-width: 420px;
    }
    .few {
      width: 150px;
    }
    p {
      margin: 4px 0;
    }
  `,
})
export class OutworkPanel {
  protected readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  readonly busy = input(false);
  readonly refusal = input<Refusal | null>(null);
  readonly sent = output<Omit<OutworkSaid, 'version'>>();
  readonly back = output<Omit<OutworkBackSaid, 'version'>>();
  readonly reload = output();

  protected readonly another = ANOTHER;
  protected readonly away = computed(() => awayNow(this.dossier().outwork));
  protected readonly grinders = computed(() => this.speech.book()?.grinders ?? []);
  /** What is typed stays as long as nothing was sent or came back. */
  private readonly turn = computed(() => `${this.dossier().outwork.length} ${this.away() === null}`);
  protected readonly chosen = linkedSignal<string, string | null>({ source: this.turn, computation: () => null });
  protected readonly name = linkedSignal<string, string>({ source: this.turn, computation: () => '' });
  protected readonly work = linkedSignal<string, string>({ source: this.turn, computation: () => '' });
  protected readonly dueOn = linkedSignal<string, string>({ source: this.turn, computation: () => '' });
  protected readonly amount = linkedSignal<string, string>({ source: this.turn, computation: () => '' });
  protected readonly result = linkedSignal<string, Result | null>({ source: this.turn, computation: () => null });
  protected readonly fault = signal('');
  protected readonly money = (amount: number): string => this.speech.money(amount, this.dossier().ticket.currency);

  protected readonly awaySays = computed(() => {
    const away = this.away();
    if (!away) return '';
    const price = away.amount === null ? 'price not told yet' : this.money(away.amount);
    return `since ${this.speech.day(away.at)}, to be back ${this.speech.day(away.dueOn)}, ${price}: ${away.work}`;
  });
  protected readonly late = computed(() => {
    const away = this.away();
    return away !== null && away.dueOn < DateTime.now().toISODate();
  });
  protected readonly before = computed(() =>
    this.dossier().outwork.flatMap(({ number, grinder, work, back }) =>
      back === null
        ? []
        : [
            `${number}: ${grinder}, ${work}: ${RESULT_WORDS[back.result]}, ${this.money(back.amount)}, back ${this.speech.day(back.at)}`,
          ],
    ),
  );

  /** A grinder of the book brings their usual days and prices; another is typed. */
  protected choose(name: string): void {
    this.chosen.set(name);
    const known = this.grinders().find((one) => one.name === name);
    if (!known) return;
    this.dueOn.set(DateTime.now().plus({ days: known.days }).toISODate());
    const { perTooth, least } = known;
    const sum = Math.max(least ?? 0, (perTooth ?? 0) * teethOf(this.dossier().saw));
    if (perTooth !== null || least !== null) this.amount.set(sum.toFixed(2));
  }

  protected send(): void {
    const [grinder, work] = [
      (this.chosen() === ANOTHER ? this.name() : (this.chosen() ?? '')).trim(),
      this.work().trim(),
    ];
    const amount = this.amount().trim() === '' ? null : plain(this.amount());
    const fault =
      grinder === ''
        ? 'Say who grinds it.'
        : work === ''
          ? 'Say what is to be done: “grind 40 teeth”.'
          : this.dueOn() === ''
            ? 'Say by which day it is to be back.'
            : amount !== null && !(amount >= 0)
              ? `“${this.amount()}” is no sum: a number such as 18.50 is meant, or nothing where it is not known yet.`
              : '';
    this.fault.set(fault);
    if (fault === '') this.sent.emit({ grinder, work, dueOn: this.dueOn(), amount });
  }

  protected takeBack(): void {
    const [result, amount] = [this.result(), plain(this.amount())];
    const fault =
      result === null
        ? 'Say whether it was done.'
        : !(amount >= 0)
          ? 'Say what they charged for it: a number such as 18.50, or 0.'
          : '';
    this.fault.set(fault);
    if (fault === '' && result) this.back.emit({ result, amount });
  }
}
