import { MatButton } from '@angular/material/button';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { MatFormFieldModule } from '@angular/material/form-field';
import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Saw } from '@odontis/core/saw/saw';
import { isPowered } from '@odontis/core/saw/all-families';
import type { BendSide, Grade, PlateMark, PlateMarkKind } from '@odontis/core/saw/plate-marks';
import { COUNTED, GRADED, GRADES, marksFor } from '@odontis/core/saw/plate-marks';
import type { LengthUnit } from '@odontis/core/units/length';
import { formatLength, parseLength } from '@odontis/core/units/length';
import { MARK_WORDS, POWERED_MEANS } from '../words/mark-words';
import { plateShape } from './plate-shape';

/** Where a new mark is put, the first place with none beside it: the middle, then by turns towards both ends. */
const SPOTS = [0.5, 0.36, 0.64, 0.22, 0.78, 0.1, 0.9];
/** Where on the plate a kind of damage is usually found, down from the back; elsewhere the middle. */
const DOWN: Partial<Record<PlateMarkKind, number>> = {
  'missing-teeth': 0.97,
  'short-teeth': 0.97,
  crack: 0.95,
  burn: 0.95,
  'wavy-line': 0.95,
  'bent-back': 0.05,
  frame: 0.1,
};
/** Marks of the whole length, of which a sag and a side are told. */
const BENT: readonly PlateMarkKind[] = ['bend', 'kink', 'twist', 'bent-back'];

/** The plate to this saw's own proportions; marks are put on it, dragged, or moved with the arrow keys, and say what they mean. */
@Component({
  selector: 'od-plate-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatInput, MatFormFieldModule, MatSelectModule],
  templateUrl: './plate-picture.html',
  styleUrl: './plate-picture.scss',
})
export class PlatePicture {
  readonly saw = input.required<Saw>();
  readonly marks = input.required<readonly PlateMark[]>();
  readonly unit = input<LengthUnit>('mm');
  readonly editable = input(true);
  readonly changed = output<readonly PlateMark[]>();
  private readonly picture = viewChild.required<ElementRef<SVGSVGElement>>('picture');
  protected readonly kinds = computed(() => marksFor(this.saw().family, this.saw().backFixing));
  protected readonly words = MARK_WORDS;
  private readonly dragged = signal<number | null>(null);

  /** Parts of a set, one shown at a time. */
  protected readonly parts = computed(() => {
    const saw = this.saw();
    return saw.family === 'dado' ? saw.parts : [];
  });
  protected readonly part = linkedSignal<number, number>({
    source: () => this.parts().length,
    computation: (count, before) => Math.min(before?.value ?? 0, Math.max(0, count - 1)),
  });
  /** Which way up the picture is; a wheel has none, and a band is told by its weld. */
  protected readonly liesSo = computed(() =>
    ['circular', 'dado', 'band'].includes(this.saw().family) ? null : 'As it lies on the counter, teeth down',
  );
  protected readonly shape = computed(() => plateShape(this.saw(), this.parts()[this.part()]));
  /** The marks of the part that is shown, each with its place in the whole list. */
  protected readonly shown = computed(() =>
    this.marks().flatMap((mark, index) =>
      this.parts().length === 0 || (mark.part ?? 0) === this.part() ? [{ mark, index }] : [],
    ),
  );
  protected readonly told = computed(() => this.marks().map((mark, index) => ({ mark, index })));
  protected marksOn = (part: number): number => this.marks().filter((mark) => (mark.part ?? 0) === part).length;
  protected readonly grades = GRADES;
  protected graded = (kind: PlateMarkKind): boolean => GRADED.includes(kind);
  protected counted = (kind: PlateMarkKind): boolean => COUNTED.includes(kind);
  protected bent = (kind: PlateMarkKind): boolean => BENT.includes(kind);
  protected means = (kind: PlateMarkKind): string =>
    (isPowered(this.saw().family) ? POWERED_MEANS[kind] : undefined) ?? this.words[kind].means;
  protected long = (mm: number | undefined): string =>
    mm === undefined ? '' : formatLength(mm, this.unit(), this.unit() === 'mm' ? 1 : 2);

  protected spot(mark: PlateMark): string {
    const { x, y } = this.shape().at(mark.along, mark.down);
    return `translate(${x.toFixed(1)} ${y.toFixed(1)})`;
  }

  protected add(kind: PlateMarkKind): void {
    const here = this.shown().map((s) => s.mark);
    const free = (spot: number): boolean => here.every((m) => Math.abs(m.along - spot) > 0.1);
    const along = kind === 'loose-handle' || kind === 'frame' ? 0.02 : (SPOTS.find(free) ?? 0.5);
    const part = this.parts().length > 0 ? { part: this.part() } : {};
    this.changed.emit([...this.marks(), { kind, along, down: DOWN[kind] ?? 0.5, ...part }]);
  }

  protected remove(index: number): void {
    this.changed.emit(this.marks().filter((_, i) => i !== index));
  }

  protected tell(index: number, change: { side?: BendSide; sagMm?: number; spanMm?: number; grade?: Grade }): void {
    this.changed.emit(this.marks().map((m, i) => (i === index ? { ...m, ...change } : m)));
  }

  /** Teeth counted beside a mark; what is no count is left as it was and shown again. */
  protected tellCount(index: number, field: HTMLInputElement): void {
    const mark = this.marks()[index];
    if (!mark) return;
    const { count, ...rest } = mark;
    const typed = Number(field.value);
    const ok = Number.isInteger(typed) && typed >= 1 && typed <= 2000;
    if (field.value.trim() === '') this.changed.emit(this.marks().map((m, i) => (i === index ? rest : m)));
    else if (ok) this.changed.emit(this.marks().map((m, i) => (i === index ? { ...rest, count: typed } : m)));
    else field.value = count === undefined ? '' : String(count);
  }

  /** A length typed beside a mark; one that cannot be read is left as it was and shown again. */
  protected tellLength(index: number, key: 'sagMm' | 'spanMm', field: HTMLInputElement): void {
    const mark = this.marks()[index];
    if (!mark) return;
    const { [key]: before, ...rest } = mark;
    const read = parseLength(field.value, this.unit());
    if (field.value.trim() === '') this.changed.emit(this.marks().map((m, i) => (i === index ? rest : m)));
    else if (read.ok && read.mm > 0) this.tell(index, { [key]: read.mm });
    field.value = this.long(field.value.trim() === '' ? undefined : read.ok && read.mm > 0 ? read.mm : before);
  }

  protected key(event: KeyboardEvent, index: number): void {
    const mark = this.marks()[index];
    if (!mark || !this.editable()) return;
    const step = event.shiftKey ? 0.1 : 0.02;
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const move = moves[event.key];
    if (event.key === 'Delete' || event.key === 'Backspace') this.remove(index);
    else if (move) this.place(index, mark.along + move[0], mark.down + move[1]);
    else return;
    event.preventDefault();
  }

  protected grab(event: PointerEvent, index: number): void {
    if (!this.editable()) return;
    this.picture().nativeElement.setPointerCapture(event.pointerId);
    this.dragged.set(index);
  }

  protected drag(event: PointerEvent): void {
    const index = this.dragged();
    if (index === null) return;
    const box = this.picture().nativeElement.getBoundingClientRect();
    const { width, height } = this.shape();
    // The picture keeps its proportions inside its box.
    const scale = Math.min(box.width / width, box.height / height);
    const x = (event.clientX - box.left - (box.width - width * scale) / 2) / scale;
    const y = (event.clientY - box.top - (box.height - height * scale) / 2) / scale;
    const { along, down } = this.shape().from(x, y);
    this.place(index, along, down);
  }

  protected drop(): void {
    this.dragged.set(null);
  }

  private place(index: number, along: number, down: number): void {
    const inside = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 1000) / 1000;
    // A wheel has no end: past the top it goes round.
    const round = ['circular', 'dado'].includes(this.saw().family) ? (along + 1) % 1 : along;
    this.changed.emit(
      this.marks().map((m, i) => (i === index ? { ...m, along: inside(round), down: inside(down) } : m)),
    );
  }
}
