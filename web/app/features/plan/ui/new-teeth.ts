import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { saySharpenings } from '@odontis/core/life/life';
import { pitchMmSaid } from '@odontis/core/units/count';
import { parseLength } from '@odontis/core/units/length';
import type { LineOrder } from '@odontis/core/work/order';
import type { PastSaving, RetoothChoice } from '@odontis/core/work/tooth-line/retooth-offer';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

/** A tooth line past saving: why, and what new teeth would cost; or the new teeth that were chosen. */
@Component({
  selector: 'od-new-teeth',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, Notice],
  templateUrl: './new-teeth.html',
  styleUrl: './plan-part.scss',
})
export class NewTeeth {
  readonly order = input.required<LineOrder>();
  readonly past = input.required<{ readonly why: PastSaving; readonly choices: readonly RetoothChoice[] } | null>();
  readonly frozen = input.required<boolean>();
  /** New teeth at this pitch, mm; null: the teeth it has. */
  readonly chosen = output<number | null>();
  protected readonly speech = inject(Speech);
  protected readonly sharpenings = saySharpenings;
  protected readonly slip = signal<string | null>(null);

  /** Another pitch, as people say it: "7", "7 1/2 points", "3.2 mm". */
  protected typed(text: string): void {
    const { lengthUnit, pointConvention } = this.speech.speech();
    const length = parseLength(text, lengthUnit === 'thou' ? 'inch' : 'mm');
    const mm = /mm|in|"/.test(text) && length.ok ? length.mm : pitchMmSaid(text, pointConvention);
    const fits = mm >= 0.5 && mm <= 60;
    this.slip.set(fits ? null : `“${text}” is not a pitch. Type points such as 7, or 3.2 mm from tip to tip.`);
    if (fits) this.chosen.emit(mm);
  }
}
