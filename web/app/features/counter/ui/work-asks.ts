import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { PromiseJudged } from '@odontis/core/shop/bench-load';
import { WOODS } from '@odontis/core/saw/families';
import type { Reason } from '@odontis/core/reason/reason';
import { Speech } from '../../../shared/speech/speech';
import { DayField } from '../../../shared/ui/day-field';
import { Why } from '../../../shared/ui/why';
import { WOOD_WORDS } from '../../../shared/words/wood-words';
import type { CounterDraft } from '../data/counter-draft';

/** What the work asks, and what the owner wants: wood, grain, words, filing, etch, and the day. */
@Component({
  selector: 'od-work-asks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, MatCheckbox, MatFormFieldModule, MatInput, DayField, Why],
  templateUrl: './work-asks.html',
  styleUrl: './asks.scss',
})
export class WorkAsks {
  protected readonly speech = inject(Speech);
  protected readonly woods = WOODS;
  protected readonly woodWords = WOOD_WORDS;
  readonly draft = input.required<CounterDraft>();
  /** The filing it has, where another could be wanted. */
  readonly filing = input<'rip' | 'crosscut' | null>(null);
  readonly straight = input(false);
  readonly judged = input(false);
  readonly promisedOn = input.required<string>();
  readonly earliest = input.required<{ readonly day: string; readonly reason: Reason }>();
  readonly promise = input<PromiseJudged | null>(null);
  readonly wrong = input('');
  readonly changed = output<Partial<CounterDraft>>();
}
