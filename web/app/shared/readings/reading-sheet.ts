import { computed, signal } from '@angular/core';
import type { ToothKind, ToothReading } from '@odontis/core/saw/tooth-reading';

/** What a keyed number is: the gap under a straight edge, a height over it, a place, or set per side. */
export type Column = 'gap' | 'height' | 'place' | 'set';

const MOST_UNDO = 500;
/** Half the height of a rip tooth, in pitches: p / tan 60 / 2. */
const HALF_A_TOOTH = 0.29;

/**
 * A line of readings being keyed: one value and on to the next, every change
 * undone and done again. Big arrays stay out of the store; this is their home.
 */
export class ReadingSheet {
  private readonly past: (readonly ToothReading[])[] = [];
  private future: (readonly ToothReading[])[] = [];
  private readonly lines = signal<readonly ToothReading[]>([]);
  private readonly steps = signal(0);
  /** Index of the tooth the next value goes to. */
  readonly cursor = signal(0);
  readonly column = signal<Column>('gap');
  readonly readings = this.lines.asReadonly();
  readonly canUndo = computed(() => this.steps() >= 0 && this.past.length > 0);
  readonly canRedo = computed(() => this.steps() >= 0 && this.future.length > 0);

  constructor(readonly pitchMm: number) {}

  /** Another line altogether, such as what the server holds: nothing to undo. */
  load(readings: readonly ToothReading[]): void {
    this.past.length = 0;
    this.future = [];
    this.lines.set(readings);
    this.cursor.set(readings.length);
    this.steps.update((n) => n + 1);
  }

  replace(readings: readonly ToothReading[]): void {
    this.past.push(this.lines());
    if (this.past.length > MOST_UNDO) this.past.shift();
    this.future = [];
    this.lines.set(readings);
    this.steps.update((n) => n + 1);
  }

  /** A value for the tooth at the cursor, then on to the next. mm. */
  key(mm: number): void {
    const at = this.cursor();
    const column = this.column();
    const now = this.lines()[at] ?? this.fresh(at);
    const value: Partial<ToothReading> =
      column === 'gap'
        ? { yMm: 0 - mm }
        : column === 'height'
          ? { yMm: mm }
          : column === 'place'
            ? { xMm: mm }
            : { setMm: mm };
    const kind = now.kind === 'missing' && column !== 'place' ? 'tooth' : now.kind;
    this.put(at, { ...now, ...value, kind });
    this.cursor.set(at + 1);
  }

  /**
   * The tooth at the cursor is broken or missing. A broken one nobody has measured yet is put
   * well under its neighbour, never on the line, and the cursor waits there for its height.
   */
  mark(kind: ToothKind): void {
    const at = this.cursor();
    const known = this.lines()[at];
    const now = known ?? this.fresh(at);
    const asksHeight = kind === 'broken' && !known && this.column() !== 'set';
    const yMm = asksHeight ? (this.lines()[at - 1]?.yMm ?? 0) - HALF_A_TOOTH * this.pitchMm : now.yMm;
    this.put(at, { ...now, yMm, kind, setMm: kind === 'missing' ? null : now.setMm });
    if (!asksHeight) this.cursor.set(at + 1);
  }

  /** The teeth from the cursor on to the n-th stand like the one before. */
  fillTo(count: number): void {
    const lines = [...this.lines()];
    const from = lines.length;
    const like = lines[from - 1];
    for (let i = from; i < count; i++) lines.push({ ...this.fresh(i), yMm: like?.yMm ?? 0 });
    this.replace(this.placed(lines, from));
    this.cursor.set(count);
  }

  /** Set per side for all teeth of one side, such as measured on a few. */
  setSide(lean: 'left' | 'right', mm: number): void {
    this.replace(
      this.lines().map((r) =>
        (r.lean ?? alternate(r.tooth)) === lean && r.kind === 'tooth' ? { ...r, setMm: mm } : r,
      ),
    );
  }

  /** Tooth 1 leans there, the others by turns. */
  leanFrom(first: 'left' | 'right'): void {
    const other = first === 'left' ? 'right' : 'left';
    this.replace(this.lines().map((r) => ({ ...r, lean: r.tooth % 2 === 1 ? first : other })));
  }

  back(): void {
    this.cursor.update((at) => Math.max(0, at - 1));
  }

  goTo(index: number): void {
    this.cursor.set(Math.max(0, Math.min(this.lines().length, index)));
  }

  /** The last tooth goes; teeth are numbered without gaps. */
  dropLast(): void {
    if (this.lines().length === 0) return;
    this.replace(this.lines().slice(0, -1));
    this.goTo(this.lines().length);
  }

  undo(): void {
    const before = this.past.pop();
    if (!before) return;
    this.future.push(this.lines());
    this.lines.set(before);
    this.goTo(Math.min(this.cursor(), before.length));
    this.steps.update((n) => n + 1);
  }

  redo(): void {
    const after = this.future.pop();
    if (!after) return;
    this.past.push(this.lines());
    this.lines.set(after);
    this.steps.update((n) => n + 1);
  }

  private put(at: number, reading: ToothReading): void {
    const lines = [...this.lines()];
    lines[at] = reading;
    this.replace(lines);
  }

  private fresh(index: number): ToothReading {
    const before = this.lines()[index - 1];
    const lean = before ? ((before.lean ?? alternate(before.tooth)) === 'left' ? 'right' : 'left') : 'left';
    return {
      tooth: index + 1,
      xMm: (before?.xMm ?? -this.pitchMm) + this.pitchMm,
      yMm: 0,
      lean,
      setMm: null,
      kind: 'tooth',
      note: null,
    };
  }

  private placed(lines: ToothReading[], from: number): ToothReading[] {
    for (let i = Math.max(1, from); i < lines.length; i++) {
      const before = lines[i - 1] as ToothReading;
      const lean = (before.lean ?? alternate(before.tooth)) === 'left' ? 'right' : 'left';
      lines[i] = { ...(lines[i] as ToothReading), xMm: before.xMm + this.pitchMm, lean };
    }
    return lines;
  }
}

const alternate = (tooth: number): 'left' | 'right' => (tooth % 2 === 1 ? 'left' : 'right');
