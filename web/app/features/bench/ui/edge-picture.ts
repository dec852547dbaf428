import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import type { PlatePoint } from '@odontis/core/file/file-in-gullet';
import { fileOnEdge } from '@odontis/core/file/file-on-edge';
import { LEAST_SEEN_FLAT_MM } from '@odontis/core/line/flats';
import type { Ends } from '@odontis/core/saw/ends';
import type { EdgeAtStop } from '@odontis/core/work/tooth-line/edge-work';
import { Speech } from '../../../shared/speech/speech';
import type { FileDrawn } from './file-drawing';
import { DRAWING_WIDTH, FileDrawing } from './file-drawing';

/** Seen to either side of the tooth's middle, in tooth heights; and over its tip. */
const ASIDE = 1.9;
const OVER = 0.55;
const UNDER = 0.35;

/** One tooth that is filed by its edges, from the side, large and at true proportion: what goes of it, and how the file lies. */
@Component({
  selector: 'od-edge-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileDrawing],
  template: `<od-file-drawing [drawn]="drawn()" />`,
})
export class EdgePicture {
  private readonly speech = inject(Speech);
  readonly edge = input.required<EdgeAtStop>();
  readonly at = input.required<number>();
  readonly next = input.required<number | null>();
  readonly flatMm = input<number | undefined>();
  /** Where one stands: the picture is what is seen from there. */
  readonly side = input<Lean | null>(null);
  readonly ends = input<Ends>({ heel: 'heel', toe: 'toe' });
  /** A blade's: it has no ends, and is drawn turning to the right. */
  readonly turns = input(false);

  protected readonly drawn = computed((): FileDrawn => {
    const { work, pitchMm } = this.edge();
    const { now, after, file } = fileOnEdge(work);
    const own = now[work.own] ?? [];
    const [xs, ys] = [own.map(([x]) => x), own.map(([, y]) => y)];
    const [low, high] = [Math.min(...ys), Math.max(...ys)];
    const height = high - low;
    const middle = (Math.min(...xs) + Math.max(...xs)) / 2;
    // Who stands on the left has the toe on their left hand.
    const flip = this.side() === 'left' ? -1 : 1;
    const scale = DRAWING_WIDTH / (2 * ASIDE * height);
    const put = ([x, y]: PlatePoint): string =>
      `${(flip * (x - middle) * scale).toFixed(1)} ${((low - y) * scale).toFixed(1)}`;
    const ring = (points: readonly PlatePoint[]): string => `M${points.map(put).join(' L')} Z`;
    const reach = (ASIDE + 0.2) * height;
    const plate = ring([
      [middle - reach, low],
      [middle + reach, low],
      [middle + reach, low - height],
      [middle - reach, low - height],
    ]);
    const others = now.filter((_, i) => i !== work.own).map(ring);
    const says = this.flatSays();
    const foot = UNDER * height * scale;
    const next = this.next();
    const from = this.side() ? ` from the ${this.side()}` : '';
    const seen = this.turns()
      ? 'At true proportion, turning to the right, by the hook and gullet measured and the usual relief.'
      : `As you see it${from}, at true proportion, by the plan’s angles.`;
    const offset = next === null ? Infinity : (next - this.at()) * pitchMm;
    const mark = (says: string, isOwn: boolean, mm: number) => ({
      ...{ says, own: isOwn, x: flip * mm * scale, y: 0.22 * height * scale },
    });
    return {
      box: `${-DRAWING_WIDTH / 2} ${(-(1 + OVER) * height * scale).toFixed(1)} ${DRAWING_WIDTH} ${((1 + OVER + UNDER) * height * scale + 14).toFixed(1)}`,
      left: -DRAWING_WIDTH / 2,
      foot,
      now: ring(own),
      after: [ring(after), ...others, plate].join(' '),
      file: ring(file),
      flats: [],
      marks: [
        mark(String(this.at()), true, 0),
        ...(next !== null && Math.abs(offset) < 1.2 * height ? [mark(String(next), false, offset)] : []),
      ],
      ...{ says, seen, label: `The file on tooth ${this.at()}, seen from where one stands. ${says}` },
      ends: this.turns()
        ? ['', 'turns →']
        : flip < 0
          ? [this.ends().toe, this.ends().heel]
          : [this.ends().heel, this.ends().toe],
    };
  });

  private flatSays(): string {
    const mm = this.flatMm();
    return mm === undefined || mm < LEAST_SEEN_FLAT_MM
      ? ''
      : `Half of its flat of ${this.speech.fine(mm)} from either edge, until just gone.`;
  }
}
