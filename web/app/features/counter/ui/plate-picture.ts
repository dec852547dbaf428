import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, input, output, signal, viewChild } from '@angular/core';
import type { PlateMark, PlateMarkKind } from '@odontis/core/triage/triage';
import { PLATE_MARKS } from '@odontis/core/triage/triage';
import { MARK_WORDS } from '../../../shared/words/mark-words';

/** Where a new mark is put, the first place with none beside it: the middle, then by turns towards both ends. */
const SPOTS = [0.5, 0.36, 0.64, 0.22, 0.78, 0.1];
const WIDTH = 620;

/** The plate to this saw's own proportions; marks are put on it, dragged, or moved with the arrow keys. */
@Component({
  selector: 'od-plate-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './plate-picture.html',
  styleUrl: './plate-picture.scss',
})
export class PlatePicture {
  readonly marks = input.required<readonly PlateMark[]>();
  readonly lengthMm = input.required<number>();
  readonly heelMm = input.required<number>();
  readonly toeMm = input.required<number>();
  readonly backed = input.required<boolean>();
  readonly changed = output<readonly PlateMark[]>();
  private readonly picture = viewChild.required<ElementRef<SVGSVGElement>>('picture');
  protected readonly kinds = computed(() =>
    PLATE_MARKS.filter((kind) => (this.backed() ? true : kind !== 'bent-back' && kind !== 'wavy-line')),
  );
  protected readonly words = MARK_WORDS;
  protected readonly width = WIDTH;
  private readonly dragged = signal<number | null>(null);

  protected readonly scale = computed(() => WIDTH / Math.max(1, this.lengthMm()));
  protected readonly heel = computed(() => Math.max(24, this.heelMm() * this.scale()));
  protected readonly toe = computed(() => Math.max(18, this.toeMm() * this.scale()));
  protected readonly height = computed(() => Math.max(this.heel(), this.toe()) + 24);
  protected readonly outline = computed(() => `M0 6 L${WIDTH} 6 L${WIDTH} ${6 + this.toe()} L0 ${6 + this.heel()} Z`);

  protected x = (mark: PlateMark): number => mark.along * WIDTH;
  protected y = (mark: PlateMark): number => 6 + mark.down * (this.heel() + (this.toe() - this.heel()) * mark.along);

  protected add(kind: PlateMarkKind): void {
    const down =
      kind === 'missing-teeth' || kind === 'crack' || kind === 'wavy-line' ? 0.95 : kind === 'bent-back' ? 0.05 : 0.5;
    const free = (spot: number): boolean => this.marks().every((m) => Math.abs(m.along - spot) > 0.1);
    const along = kind === 'loose-handle' ? 0.02 : (SPOTS.find(free) ?? 0.5);
    this.changed.emit([...this.marks(), { kind, along, down }]);
  }

  protected remove(index: number): void {
    this.changed.emit(this.marks().filter((_, i) => i !== index));
  }

  protected key(event: KeyboardEvent, index: number): void {
    const mark = this.marks()[index];
    if (!mark) return;
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
    this.picture().nativeElement.setPointerCapture(event.pointerId);
    this.dragged.set(index);
  }

  protected drag(event: PointerEvent): void {
    const index = this.dragged();
    if (index === null) return;
    const box = this.picture().nativeElement.getBoundingClientRect();
    const along = (event.clientX - box.left) / box.width;
    const deep = this.heel() + (this.toe() - this.heel()) * along;
    this.place(index, along, (((event.clientY - box.top) / box.height) * this.height() - 6) / deep);
  }

  protected drop(): void {
    this.dragged.set(null);
  }

  private place(index: number, along: number, down: number): void {
    const inside = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 1000) / 1000;
    this.changed.emit(
      this.marks().map((m, i) => (i === index ? { ...m, along: inside(along), down: inside(down) } : m)),
    );
  }
}
