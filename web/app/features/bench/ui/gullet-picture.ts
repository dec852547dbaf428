import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Flat, PlatePoint } from '@odontis/core/file/file-in-gullet';
import { fileInGullet } from '@odontis/core/file/file-in-gullet';
import { LEAST_SEEN_FLAT_MM } from '@odontis/core/line/flats';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import type { Ends } from '@odontis/core/saw/ends';
import type { GulletAtStop } from '@odontis/core/work/tooth-line/gullet-work';
import { Speech } from '../../../shared/speech/speech';
import type { FileDrawn } from './file-drawing';
import { DRAWING_WIDTH, FileDrawing } from './file-drawing';

/** Seen to either side of the gullet, in pitches; more towards the next stop. */
const ASIDE = 1.45;
const TOWARDS = 2.6;

/** The gullet in hand from the side, large and at true proportion: the file in it, what goes, the flats by which the eye goes, the next stop. */
@Component({
  selector: 'od-gullet-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileDrawing],
  template: `<od-file-drawing [drawn]="drawn()" />`,
})
export class GulletPicture {
  private readonly speech = inject(Speech);
  readonly gullet = input.required<GulletAtStop>();
  /** The gullet in hand and the one after it, by their numbers; null where the step ends here. */
  readonly at = input.required<number>();
  readonly next = input.required<number | null>();
  readonly pitchMm = input.required<number>();
  /** Where one stands: the picture is what is seen from there. */
  readonly side = input<Lean | null>(null);
  readonly ends = input<Ends>({ heel: 'heel', toe: 'toe' });

  protected readonly drawn = computed((): FileDrawn => {
    const { work, teeth, asRead } = this.gullet();
    const picture = fileInGullet(work);
    const pitch = this.pitchMm();
    const [cx, cy] = picture.corner;
    const ahead = (this.next() ?? this.at() + 1) >= this.at();
    // Who stands on the left has the toe on their left hand.
    const flip = this.side() === 'left' ? -1 : 1;
    const [left, right] = ahead === flip > 0 ? [ASIDE, TOWARDS] : [TOWARDS, ASIDE];
    const scale = DRAWING_WIDTH / ((left + right) * pitch);
    const put = ([x, y]: PlatePoint): string =>
      `${(flip * (x - cx) * scale).toFixed(1)} ${((cy - y) * scale).toFixed(1)}`;
    const tops = picture.after.filter((_, i) => i % 3 !== 2).map(([, y]) => y);
    const depth = Math.max(...tops) - cy;
    const body = (edge: readonly PlatePoint[]): string => {
      const [first, last] = [edge[0] as PlatePoint, edge[edge.length - 1] as PlatePoint];
      // The teeth beyond what is drawn go on as plate.
      const deep = cy - 2 * depth;
      return `M${[[first[0] - pitch, deep], [first[0] - 0.6 * pitch, cy], ...edge, [last[0] + 0.6 * pitch, cy], [last[0] + pitch, deep]].map((p) => put(p as PlatePoint)).join(' L')} Z`;
    };
    const flat = (tooth: number): string[] => {
      const [a, b] = [picture.after[3 * tooth], picture.after[3 * tooth + 1]];
      return a && b && b[0] - a[0] > LEAST_SEEN_FLAT_MM ? [`M${put(a)} L${put(b)}`] : [];
    };
    const foot = 0.62 * depth * scale;
    const above = 1.75 * depth * scale;
    // A gullet lies after its tooth: halfway between two tips, a pitch apart.
    const markOf = (gullet: number, own: boolean) => {
      const index = teeth.indexOf(gullet);
      const offset = index >= 0 ? index - work.faceOf : gullet - this.at();
      return { says: String(gullet), own, x: flip * offset * pitch * scale, y: 0.42 * depth * scale };
    };
    const next = this.next();
    const inSight = next !== null && Math.abs(next - this.at()) <= TOWARDS - 0.3;
    return {
      box: `${(-left * pitch * scale).toFixed(1)} ${(-above).toFixed(1)} ${DRAWING_WIDTH} ${(above + foot + 12).toFixed(1)}`,
      left: -left * pitch * scale,
      foot,
      now: body(picture.now),
      after: body(picture.after),
      file: `M${picture.file.map(put).join(' L')} Z`,
      flats: teeth.flatMap((_, i) => flat(i)),
      marks: [markOf(this.at(), true), ...(inSight && next !== null ? [markOf(next, false)] : [])],
      says: this.flatsSay(picture.heel, picture.toe),
      label: `The file in gullet ${this.at()}, as it is seen from where one stands. ${this.flatsSay(picture.heel, picture.toe)}`,
      seen: `As you see it${this.side() ? ` from the ${this.side()}` : ''}, at true proportion${asRead ? '' : ', the teeth as they are to be'}.`,
      ends: flip < 0 ? [this.ends().toe, this.ends().heel] : [this.ends().heel, this.ends().toe],
    };
  });

  /** What the eye goes by: how much of each flat is left when it is filed so far. */
  private flatsSay(heel: Flat | null, toe: Flat | null): string {
    const of = (flat: Flat | null, end: string): string[] => {
      if (!flat || flat.nowMm < LEAST_SEEN_FLAT_MM) return [];
      const gone = flat.afterMm < LEAST_SEEN_FLAT_MM;
      const left = flat.afterMm / flat.nowMm;
      const share = left > 0.4 && left < 0.6 ? 'to half' : `down to ${this.speech.fine(flat.afterMm)}`;
      return [`${end} flat ${gone ? 'until just gone' : share}`];
    };
    const parts = [...of(heel, this.ends().heel), ...of(toe, this.ends().toe)];
    const text = parts.join(', ');
    return text === '' ? '' : `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
  }
}
