import type { PictureView } from './grey-picture';
import type { FlankLine } from './flank-line';
import { fitOffsets } from './flank-line';
import { crossing, isClean, lookAcross, MOST_LOOKS, sidesOf } from './flank-looks';
import type { FlankWish, RoughFlank } from './rough-flank';
import { FEWEST_PLACES, FROM_DEPTH, roughFlank } from './rough-flank';

/** Rows of a flank that say its angle: the point is rounded by work and the bottom by the file's corner. */
const TO_DEPTH = 0.78;

/**
 * The flank of one tooth; null where too little of it is there. A flank that bends
 * into a round gullet is fitted again on its upper part alone, and the straighter
 * of the two fits stands. Of a round blade what lies flat next to the point is a back,
 * which ends well over the gullet: it stands, unless the whole flank is as straight.
 */
export function fitFlank(view: PictureView, wish: FlankWish): FlankLine | null {
  const whole = fitTo(view, wish, TO_DEPTH);
  const back = wish.backsEnd ? backOf(view, wish) : null;
  if (back && Math.abs(back.lean) > FLAT_LEAN) {
    const apart = Math.abs(back.lean - (whole?.lean ?? Infinity));
    return whole && whole.roughPx < BENT_PX && apart < SAME_ERRORS * back.leanError ? whole : back;
  }
  if (whole && whole.roughPx < BENT_PX) return whole;
  if ((wish.gulletY - wish.tipY) * (UPPER_DEPTH - FROM_DEPTH) < FEWEST_UPPER_PX) return whole;
  const upper = fitTo(view, wish, UPPER_DEPTH);
  if (!whole || !upper) return whole ?? upper;
  return upper.roughPx < STRAIGHTER * whole.roughPx ? upper : whole;
}

/** The back of a round blade's tooth: what is nearer to the point is it, where it lies flatter than what is looked at with it. */
function backOf(view: PictureView, wish: FlankWish): FlankLine | null {
  const [longer, shorter] = BACK_DEPTHS.map((depth) => fitTo(view, wish, depth)) as [
    FlankLine | null,
    FlankLine | null,
  ];
  if (!longer || !shorter) return longer ?? shorter;
  const flatter = Math.abs(shorter.lean) - Math.abs(longer.lean);
  return flatter > SAME_ERRORS * Math.hypot(longer.leanError, shorter.leanError) ? shorter : longer;
}

function fitTo(view: PictureView, wish: FlankWish, toDepth: number): FlankLine | null {
  const rough = roughFlank(view, wish, toDepth);
  return rough && fineLine(view, wish, rough, toDepth);
}

/** Rougher than this, px, a flank may be bent; its upper part ends at this depth and must be so many pixels long. */
const BENT_PX = 0.16;
const UPPER_DEPTH = 0.45;
/** A round blade's back is looked at to these depths, and lies flatter than this; two fits so many errors apart are one. */
const BACK_DEPTHS = [0.27, 0.2] as const;
const FLAT_LEAN = 1;
const SAME_ERRORS = 3;
const FEWEST_UPPER_PX = 8;
const STRAIGHTER = 0.7;

/** Rooms for one flank's places, used anew for each: they are never kept. */
const OFFS = new Float64Array(MOST_LOOKS);
const YS = new Float64Array(MOST_LOOKS);
const CLEAN = new Uint8Array(MOST_LOOKS);

/**
 * Looks across the edge at every pixel of its length, half way between the greys found on either side of it. Looks
 * through rust, dust or another flank are left out where enough clean ones are left.
 */
function fineLine(view: PictureView, wish: FlankWish, rough: RoughFlank, toDepth: number): FlankLine | null {
  const depth = wish.gulletY - wish.tipY;
  const size = Math.hypot(1, rough.lean);
  // Unit normal out of the tooth: the gullet lies against `way`.
  const out = [-wish.way / size, (wish.way * rough.lean) / size] as const;
  const fromY = wish.tipY + Math.max(FROM_DEPTH * depth, Math.min(CLEAR_PX, CLEAR_DEPTH * depth));
  const toY = Math.min(wish.tipY + toDepth * depth, wish.gulletY - Math.min(CLEAR_PX, CLEAR_DEPTH * depth));
  const count = Math.max(FEWEST_PLACES, Math.min(MOST_LOOKS, Math.floor((toY - fromY) * size)));
  const yAt = (n: number): number => fromY + ((n + 0.5) / count) * (toY - fromY);
  for (let n = 0; n < count; n++) {
    const y = yAt(n);
    lookAcross(view, [rough.atX + rough.lean * (y - rough.atY), y], out, n);
  }
  const sides = sidesOf(count, wish.levels);
  if (!sides) return null;
  const { inside, outside, blurPx } = sides;
  let seen = 0;
  let clean = 0;
  for (let n = 0; n < count; n++) {
    const off = crossing(n, inside, outside);
    if (Number.isNaN(off)) continue;
    OFFS[seen] = off;
    YS[seen] = yAt(n);
    CLEAN[seen] = isClean(n, off, sides) ? 1 : 0;
    clean += CLEAN[seen++] as number;
  }
  if (clean > ENOUGH_CLEAN * count && clean >= FEWEST_CLEAN) {
    let kept = 0;
    for (let n = 0; n < seen; n++) {
      if (!CLEAN[n]) continue;
      OFFS[kept] = OFFS[n] as number;
      YS[kept++] = YS[n] as number;
    }
    seen = kept;
  }
  return fitOffsets(rough, wish.way, { offs: OFFS, ys: YS, count: seen }, { inside, outside, blurPx, fromY, toY });
}

/** Nearer to the point or the bottom than this, px, looks meet the other flank; of small teeth no more than this share is left out. */
const CLEAR_PX = 3;
const CLEAR_DEPTH = 0.25;

/** A share so small of clean looks, or so few, make no line: then all are taken. */
const ENOUGH_CLEAN = 0.3;
const FEWEST_CLEAN = 8;
