import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { NOTE_WORDS } from '@odontis/core/trace/trace-words';
import type { PicturePlace } from '@odontis/core/trace/traced-line';
import { parseLength } from '@odontis/core/units/length';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { TraceDesk } from '../state/trace-desk';
import type { OpenPicture } from '../state/trace-desk';
import { PictureFile } from './picture-file';
import { StripsPrinted } from './strips-printed';

/** What a click on the picture means. */
export type Hand = 'pick' | 'add' | 'length';

/** The picture itself: its scale, how it lies, what the strips say of it, and others joined to it. */
@Component({
  selector: 'od-picture-tools',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, Notice, PictureFile, StripsPrinted],
  templateUrl: './picture-tools.html',
  styleUrl: './trace-part.scss',
})
export class PictureTools {
  protected readonly desk = inject(TraceDesk);
  private readonly speech = inject(Speech);
  readonly picture = input.required<OpenPicture>();
  readonly hand = input.required<Hand>();
  /** The ends of a known length, as they were marked. */
  readonly marks = input.required<readonly PicturePlace[]>();
  readonly took = output<Hand>();
  /** The pattern as the line reads from its heel, to be written on the ticket. */
  readonly begins = output<string>();
  readonly photograph = output();
  protected readonly round = computed(() => this.desk.laying().round ?? null);
  protected readonly slip = signal('');
  protected readonly notes = computed(() => this.desk.line()?.notes.map((note) => NOTE_WORDS[note]) ?? []);
  protected readonly dpiOf = computed(() => {
    const { scale } = this.picture();
    return scale ? (25.4 / scale.mmPerPx).toFixed(0) : '';
  });

  protected setDpi(event: Event, field: HTMLInputElement): void {
    event.preventDefault();
    const value = Number(field.value.trim() || this.dpiOf());
    if (!(value >= 50 && value <= 10_000)) {
      this.slip.set(`"${field.value}" is no resolution. Type what the scanner was set to, such as 600.`);
      return;
    }
    this.slip.set('');
    field.value = '';
    void this.desk.scaleByDpi(value);
  }

  protected setLength(event: Event, typed: string): void {
    event.preventDefault();
    const [from, to] = this.marks();
    const read = parseLength(typed, this.speech.unit() === 'mm' ? 'mm' : 'inch');
    if (!from || !to) this.slip.set('Click the two ends of the known length on the picture first.');
    else if (!read.ok || read.mm <= 0) this.slip.set(`"${typed}" is not a length such as 100 mm.`);
    else {
      this.slip.set('');
      this.took.emit('pick');
      void this.desk.scaleByLength(read.mm, from, to);
    }
  }

  protected joinBy(event: Event, typed: string): void {
    event.preventDefault();
    const told = Number(typed);
    if (Number.isInteger(told) && told >= 4) this.desk.joinAll(told);
    else this.slip.set('Say how many teeth both pictures show, four at least.');
  }

  protected turn(): void {
    const lie = this.desk.lie();
    void this.desk.layAs({ ...lie, teethPoint: lie.teethPoint === 'down' ? 'up' : 'down' });
  }

  protected heel(): void {
    const lie = this.desk.lie();
    void this.desk.layAs({ ...lie, heel: lie.heel === 'right' ? 'left' : 'right' });
  }
}
