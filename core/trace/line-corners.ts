import type { Corner } from './corner';
import { median } from '../units/median';
import { localPitches } from './local-pitch';
import { centresOf, pairsOf } from './raker-pairs';

// Over 250 lines: one reading of an outline, swing by swing, with what makes it a tooth, a raker or a gap.

/** Tips with a gullet before, between and after: `gullets.length === tips.length + 1`. */
export interface LineCorners {
  readonly tips: readonly Corner[];
  readonly gullets: readonly Corner[];
  /** Whether tips i and i + 1 are one raker's; one fewer than tips. */
  readonly pairs: readonly boolean[];
  /** Usual distance from tooth to tooth, px. */
  readonly pitchPx: number;
  /** Usual rise from gullet to tip, px. */
  readonly depthPx: number;
}

/** A swing of this share of the whole range makes a tooth; a broken one's stub swings by less. */
const TOOTH_SWING = 0.3;
const STUB_SWING = 0.07;
/** A raker's notch may be this shallow; less is dust or a nick. */
const NOTCH_SWING = 0.1;
/** Two tips further apart than this many pitches have lost a tooth between them. */
const GAP_PITCHES = 1.55;

/** Turning points that rise and fall by `swing` at the least: hysteresis along the outline. */
function turns(profile: Float32Array, from: number, to: number, swing: number): { tips: Corner[]; gullets: Corner[] } {
  const tips: Corner[] = [];
  const gullets: Corner[] = [];
  let [high, low]: [Corner, Corner] = [
    { x: from, rise: -Infinity },
    { x: from, rise: Infinity },
  ];
  let rising: boolean | null = null;
  for (let x = from; x < to; x++) {
    const rise = profile[x] as number;
    if (Number.isNaN(rise)) continue;
    if (rise > high.rise) high = { x, rise };
    if (rise < low.rise) low = { x, rise };
    if (rising !== false && high.rise - rise >= swing) {
      // Rose to `high` and has now fallen far enough.
      if (rising === null && gullets.length === 0) gullets.push(lowestBefore(profile, from, high.x));
      tips.push(high);
      rising = false;
      low = { x, rise };
    } else if (rising !== true && rise - low.rise >= swing) {
      gullets.push(low);
      rising = true;
      high = { x, rise };
    }
  }
  return { tips, gullets };
}

function lowestBefore(profile: Float32Array, from: number, to: number): Corner {
  let found: Corner = { x: from, rise: Infinity };
  for (let x = from; x <= to; x++) if ((profile[x] as number) < found.rise) found = { x, rise: profile[x] as number };
  return found.rise === Infinity ? { x: from, rise: 0 } : found;
}

/** Flat tops and bottoms are taken in their middle: the extreme itself is a matter of noise. */
function centred(profile: Float32Array, corner: Corner, sign: 1 | -1, reach: number): Corner {
  const near = (x: number): boolean =>
    Math.abs(x - corner.x) < reach && sign * (corner.rise - (profile[x] as number)) <= 1.01;
  let [a, b] = [corner.x, corner.x];
  while (a > 0 && near(a - 1)) a--;
  while (b < profile.length - 1 && near(b + 1)) b++;
  return { x: (a + b + 1) / 2, rise: corner.rise };
}

/** Null where the outline has fewer than three teeth. With `rakers` two tips may be one tooth's. */
export function lineCorners(profile: Float32Array, rakers = false): LineCorners | null {
  const seen = profile.filter((rise) => !Number.isNaN(rise)).sort();
  if (seen.length < 20) return null;
  const range = (seen[Math.floor(0.97 * seen.length)] as number) - (seen[Math.floor(0.05 * seen.length)] as number);
  if (!(range >= 3)) return null;
  const [from, to] = ends(profile);
  const whole = turns(profile, from, to, Math.max(2, (rakers ? NOTCH_SWING : TOOTH_SWING) * range));
  if (whole.tips.length < 3) return null;
  const paired = (tips: readonly Corner[]): boolean[] =>
    rakers ? pairsOf(profile, tips) : tips.slice(1).map(() => false);
  const centres = centresOf(whole.tips, paired(whole.tips));
  const pitchPx = median(centres.slice(1).map((x, i) => x - (centres[i] as number)));
  const found = withStubs(
    profile,
    rakers
      ? withoutSpecks(whole.tips, pitchPx, range, () => pitchPx)
      : withoutEndSpecks(profile, withoutSpecks(withoutTwins(whole.tips, pitchPx), pitchPx, range), pitchPx, range),
    pitchPx,
    Math.max(1.5, STUB_SWING * range),
    range,
  );
  const tips = found.map((tip) => centred(profile, tip, 1, 0.4 * pitchPx));
  const gullets = gulletsOf(profile, tips, pitchPx, from, to).map((g) => centred(profile, g, -1, 0.3 * pitchPx));
  const depthPx = median(
    tips.map((tip, i) => tip.rise - ((gullets[i] as Corner).rise + (gullets[i + 1] as Corner).rise) / 2),
  );
  return { tips, gullets, pairs: paired(tips), pitchPx, depthPx };
}

/** First and last column that meet the plate. */
function ends(profile: Float32Array): [number, number] {
  let from = 0;
  while (from < profile.length && Number.isNaN(profile[from])) from++;
  let to = profile.length;
  while (to > from && Number.isNaN(profile[to - 1])) to--;
  return [from, to];
}

/** Two tips nearer than this share of the pitch are one tooth and a speck on it. */
const TWIN_PITCHES = 0.4;

/** Of two tips too near for two teeth the one that stands better between its neighbours is the tooth. */
function withoutTwins(tips: readonly Corner[], pitchPx: number): Corner[] {
  const kept: Corner[] = [];
  const ownPitch = nearestPitch(tips, pitchPx);
  tips.forEach((tip, i) => {
    const before = kept[kept.length - 1];
    if (!before || tip.x - before.x > TWIN_PITCHES * ownPitch(i)) {
      kept.push(tip);
      return;
    }
    const from = kept[kept.length - 2]?.x ?? before.x - pitchPx;
    const to = tips[i + 1]?.x ?? tip.x + pitchPx;
    const off = (x: number): number => Math.abs(x - (from + to) / 2);
    if (off(tip.x) < off(before.x)) kept[kept.length - 1] = tip;
  });
  return kept;
}

/** Dust on a flank makes a low tip where two teeth stand a pitch apart already: it is none. */
function withoutSpecks(
  tips: readonly Corner[],
  pitchPx: number,
  range: number,
  ownPitch: (i: number) => number = nearestPitch(tips, pitchPx),
): Corner[] {
  return tips.filter((tip, i) => {
    const [before, after] = [tips[i - 1], tips[i + 1]];
    const own = ownPitch(i);
    if (!before || !after || after.x - before.x > SPECK_PITCHES * own) return true;
    if (Math.abs(after.x - before.x - own) < ONE_PITCH * own) return false;
    return tip.rise > Math.min(before.rise, after.rise) - SPECK_DEPTH * range;
  });
}

/** Pitch of the finer of the stretches a tip may belong to, never coarser than the line's: starter teeth are no specks. */
function nearestPitch(tips: readonly Corner[], pitchPx: number): (i: number) => number {
  const around = localPitches(tips.map((tip) => tip.x));
  return (i) => Math.min(pitchPx, around[i]?.before ?? pitchPx, around[i]?.after ?? pitchPx);
}

/** Two teeth nearer than this have none between them, if what stands there is lower by this share of the range. */
const SPECK_PITCHES = 1.35;
const SPECK_DEPTH = 0.12;
/** Two teeth that stand a pitch apart to this share of it have none between them, however high it stands. */
const ONE_PITCH = 0.15;

/**
 * A stub beyond the first or last whole tooth stands so far from it, in pitches, swings so much to its neighbour and to the plate beyond, in
 * shares of the range, and is wider than a speck. No source.
 */
const END_STUB = { nearest: 0.6, farthest: 1.4 } as const;
const END_SWING = 0.15;
const OUTER_SWING = 0.3;
const PLATE_END = 0.35;
const LEAST_END_SWING_PX = 3;
const SPECK_PX = 6;
const NICK_PX = 4;
/** Teeth finer than this are no wider than specks near their points. */
const END_SPECK_PITCH_PX = 24;

/** The stub of a broken first or last tooth: before it, too, the plate is lower; an end of the plate is none. */
function stubBeyond(profile: Float32Array, tip: Corner, way: 1 | -1, pitchPx: number, range: number): Corner[] {
  const swing = Math.max(LEAST_END_SWING_PX, END_SWING * range);
  const reach = (pitches: number): number => Math.round(tip.x + way * pitches * pitchPx);
  const [a, b] = [reach(END_STUB.nearest), reach(END_STUB.farthest)];
  let found: Corner = { x: a, rise: -Infinity };
  for (let x = Math.min(a, b); x <= Math.max(a, b); x++)
    if ((profile[x] ?? NaN) > found.rise) found = { x, rise: profile[x] as number };
  const rises = (from: number, to: number): number[] => {
    const seen: number[] = [];
    for (let x = Math.min(from, to); x <= Math.max(from, to); x++)
      if (!Number.isNaN(profile[x] ?? NaN)) seen.push(profile[x] as number);
    return seen;
  };
  const inner = lowest(rises(found.x, Math.round(tip.x)));
  // Beyond its corner the plate's end falls away: only what lies about as low as the gullet is plate before the line.
  const plate = rises(found.x, Math.round(found.x + way * pitchPx)).filter((rise) => rise > inner - PLATE_END * range);
  const stands = found.rise - inner >= swing && found.rise - lowest(plate) >= OUTER_SWING * range;
  return stands && widthOf(profile, found, swing / 2) > SPECK_PX ? [found] : [];
}

/** The lowest of some rises, but for a nick of light. */
const lowest = (rises: readonly number[]): number =>
  [...rises].sort((a, b) => a - b)[Math.min(NICK_PX, Math.floor(rises.length / 4))] ?? NaN;

/** Columns about a high place that are no lower than it by so much. */
function widthOf(profile: Float32Array, { x: at, rise }: Corner, drop: number): number {
  let wide = 1;
  for (const step of [-1, 1]) for (let x = at + step; rise - (profile[x] ?? NaN) < drop; x += step) wide++;
  return wide;
}

/** A first or last tip that is low and no wider than a speck lies on the plate before the line: it is none. */
function withoutEndSpecks(profile: Float32Array, tips: readonly Corner[], pitchPx: number, range: number): Corner[] {
  const speck = (tip: Corner | undefined, next: Corner | undefined): boolean =>
    !!tip &&
    !!next &&
    pitchPx > END_SPECK_PITCH_PX &&
    next.rise - tip.rise > SPECK_DEPTH * range &&
    widthOf(profile, tip, END_SWING * range) <= SPECK_PX;
  const from = speck(tips[0], tips[1]) ? 1 : 0;
  const to = speck(tips[tips.length - 1], tips[tips.length - 2]) ? tips.length - 1 : tips.length;
  return tips.slice(from, to);
}

/** Between tips too far apart, and beyond the first and the last, the stub of a broken tooth may still stand. */
function withStubs(
  profile: Float32Array,
  tips: readonly Corner[],
  pitchPx: number,
  swing: number,
  range: number,
): Corner[] {
  const [first, last] = [tips[0], tips[tips.length - 1]];
  const all: Corner[] = first ? stubBeyond(profile, first, -1, pitchPx, range) : [];
  tips.forEach((tip, i) => {
    all.push(tip);
    const next = tips[i + 1];
    if (!next || next.x - tip.x < GAP_PITCHES * pitchPx) return;
    const inside = turns(profile, Math.round(tip.x + 0.3 * pitchPx), Math.round(next.x - 0.3 * pitchPx), swing).tips;
    for (const stub of inside) {
      const before = all[all.length - 1] as Corner;
      if (stub.x - before.x > 0.5 * pitchPx && next.x - stub.x > 0.5 * pitchPx) all.push(stub);
    }
  });
  return last ? [...all, ...stubBeyond(profile, last, 1, pitchPx, range)] : all;
}

/** Lowest place before, between and after the tips; beside a gap the one within a pitch of the tip. */
function gulletsOf(
  profile: Float32Array,
  tips: readonly Corner[],
  pitchPx: number,
  from: number,
  to: number,
): Corner[] {
  const lowest = (a: number, b: number): Corner => {
    let found: Corner = { x: Math.round((a + b) / 2), rise: Infinity };
    for (let x = Math.max(from, Math.ceil(a)); x < Math.min(to, b); x++)
      if ((profile[x] as number) < found.rise) found = { x, rise: profile[x] as number };
    return found.rise === Infinity ? { x: found.x, rise: 0 } : found;
  };
  const first = tips[0] as Corner;
  const last = tips[tips.length - 1] as Corner;
  return [
    lowest(first.x - 0.95 * pitchPx, first.x),
    ...tips.slice(1).map((tip, i) => lowest((tips[i] as Corner).x, tip.x)),
    lowest(last.x + 1, last.x + 0.95 * pitchPx),
  ];
}
