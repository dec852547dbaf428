import { median } from '../units/median';
import type { GreyPicture, PictureView } from './grey-picture';
import { turnedView } from './grey-picture';
import type { LineLevels } from './line-levels';
import { lineLevels } from './line-levels';
import type { ToothBand } from './tooth-band';
import { findToothBand, onCurve } from './tooth-band';
import type { TraceNote, TraceResult } from './traced-line';

/** What somebody may say of how the picture lies. */
export interface LieWish {
  /** Where the teeth point on the picture as it is; unsaid, the light and the ends of the plate tell. */
  readonly teethPoint?: 'up' | 'down' | 'left' | 'right';
}

/** A strip must hold so many times the flanks of the rest of the picture. */
const LEAST_PLAINNESS = 3;

/** A picture turned so that its tooth line lies level with the teeth up. */
export interface Upright {
  readonly view: PictureView;
  readonly band: ToothBand;
  readonly levels: LineLevels;
  readonly notes: TraceNote[];
}

/** The picture turned so that its tooth line lies level with the teeth up; or why there is none. */
export function uprightLine(
  picture: GreyPicture,
  wish: LieWish,
  columns: number,
): Upright | Extract<TraceResult, { ok: false }> {
  const tries =
    wish.teethPoint === undefined ? bothWays(picture, columns) : [findAs(picture, levelWish(wish) ? 0 : 1, columns)];
  tries.sort((a, b) => plainnessOf(b) - plainnessOf(a));
  const best = tries[0];
  if (!best?.band) return { ok: false, code: isOneGrey(picture) ? 'one-grey' : 'no-tooth-line' };
  if (best.band.plainness < LEAST_PLAINNESS) return { ok: false, code: 'no-tooth-line' };
  const levels = lineLevels(best.view, best.band);
  if (!levels) return { ok: false, code: 'cut-off' };
  const contrast = Math.abs(median([...levels.over]) - median([...levels.under]));
  if (contrast < 3 * Math.max(2, Math.min(levels.overNoise, levels.underNoise)))
    return { ok: false, code: 'no-tooth-line' };
  const notes: TraceNote[] = best.view.quarterTurns === 1 ? ['turned-quarter'] : [];
  const side = wish.teethPoint
    ? // Turned a quarter clockwise, teeth that pointed left point up.
      { over: wish.teethPoint === 'down' || wish.teethPoint === 'right', sure: true }
    : plateSide(best.view, best.band, levels);
  if (!side.sure) notes.push('plate-side-guessed');
  if (!side.over) return { view: best.view, band: best.band, levels, notes };
  if (best.view.quarterTurns === 0) notes.push('turned-over');
  const turns = (best.view.quarterTurns + 2) as 2 | 3;
  const [c0, c1, c2] = best.band.curve;
  return {
    view: turnedView(picture, turns),
    band: { ...best.band, curve: [best.view.heightPx - c0, c1, -c2] },
    levels: {
      over: levels.under.slice().reverse(),
      under: levels.over.slice().reverse(),
      overNoise: levels.underNoise,
      underNoise: levels.overNoise,
    },
    notes,
  };
}

interface Try {
  readonly view: PictureView;
  readonly band: ToothBand | null;
}

const findAs = (picture: GreyPicture, turns: 0 | 1, columns: number): Try => {
  const view = turnedView(picture, turns);
  return { view, band: findToothBand(view, columns) };
};

const plainnessOf = ({ view, band }: Try): number => (band?.plainness ?? 0) * view.widthPx;

const levelWish = (wish: LieWish): boolean => wish.teethPoint === 'up' || wish.teethPoint === 'down';

/** A line so plain along the longer side needs no second look along the shorter one. */
const PLAIN_ENOUGH = 12;

function bothWays(picture: GreyPicture, columns: number): Try[] {
  const longer = picture.widthPx >= picture.heightPx ? 0 : 1;
  const first = findAs(picture, longer, columns);
  return (first.band?.plainness ?? 0) > PLAIN_ENOUGH
    ? [first]
    : [first, findAs(picture, longer === 0 ? 1 : 0, columns)];
}

function isOneGrey(picture: GreyPicture): boolean {
  let [low, high] = [255, 0];
  const step = Math.max(1, Math.floor(picture.grey.length / 100_000));
  for (let i = 0; i < picture.grey.length; i += step) {
    low = Math.min(low, picture.grey[i] as number);
    high = Math.max(high, picture.grey[i] as number);
  }
  return high - low < 16;
}

/**
 * On which side of the line the plate is. Beyond the plate's ends the background
 * goes round it: what is there is not plate. Cut off at both ends, the side with
 * more texture is steel; and where that does not tell either, teeth are taken to point up.
 */
function plateSide(view: PictureView, band: ToothBand, levels: LineLevels): { over: boolean; sure: boolean } {
  const contrast = median([...levels.under]) - median([...levels.over]);
  let [saysUnder, saysOver] = [0, 0];
  for (const [from, section] of [
    [0.002, 0],
    [0.988, levels.over.length - 1],
  ] as const) {
    const at = (sign: 1 | -1): number => {
      const values: number[] = [];
      for (let k = 0; k < 40; k++) {
        const x = Math.floor(view.widthPx * (from + (0.01 * k) / 40));
        const y = Math.floor(onCurve(band, view.widthPx, x) + sign * band.halfPx * (1.5 + (k % 5) * 0.25));
        if (y >= 0 && y < view.heightPx)
          values.push(view.grey[view.origin + x * view.acrossStep + y * view.downStep] as number);
      }
      return values.length < 8 ? NaN : median(values);
    };
    // 0 looks like the side over the line, 1 like the side under it.
    const like = (value: number): number => (value - (levels.over[section] as number)) / contrast;
    const [above, below] = [like(at(-1)), like(at(1))];
    if (above < 0.3 && below < 0.3) saysUnder++;
    if (above > 0.7 && below > 0.7) saysOver++;
  }
  if (saysUnder !== saysOver) return { over: saysOver > saysUnder, sure: true };
  const ratio = (levels.underNoise + 0.5) / (levels.overNoise + 0.5);
  if (ratio > TEXTURE_RATIO) return { over: false, sure: true };
  if (ratio < 1 / TEXTURE_RATIO) return { over: true, sure: true };
  return { over: false, sure: false };
}

/** Steel is this much less even than a scanner's lid. */
const TEXTURE_RATIO = 1.5;
