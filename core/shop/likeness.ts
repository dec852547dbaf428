import type { Family } from '../saw/all-families';

/** What tells one saw from another across the years. Lengths mm. */
export interface SawIdentity {
  readonly family: Family;
  readonly name: string;
  readonly toothLineMm: number;
  readonly pitchMm: number;
  readonly plateThicknessMm: number;
  readonly plateDepthHeelMm: number;
  readonly marksOnIt: string;
}

export interface Likeness {
  /** 0 another saw, 1 the same in everything told. */
  readonly share: number;
  /** What agrees, in words. */
  readonly agrees: readonly ('owner' | 'length' | 'pitch' | 'thickness' | 'depth' | 'marks' | 'name')[];
}

/** Two hands measuring one saw differ by so much. Shares, no source. */
const LENGTH_SHARE = 0.03;
const PITCH_SHARE = 0.04;
const THICKNESS_SHARE = 0.12;
/** Filing takes plate away and nothing brings it back: so much may have gone since. Share of depth, no source. */
const FILED_AWAY_SHARE = 0.25;
const DEPTH_SLIP_SHARE = 0.05;

const WEIGHTS = { owner: 3, length: 2, pitch: 3, thickness: 1, depth: 1, marks: 4, name: 1 } as const;

const words = (text: string): string[] =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length > 1);

const near = (a: number, b: number, share: number): boolean => Math.abs(a - b) <= share * Math.max(a, b);

/**
 * How likely a saw on the counter is one that was here before: weighed
 * agreement of owner, size, pitch and what is stamped on it. A plate may only
 * have grown shallower. Another family is another saw; so is a length that a
 * saw cannot have come to. Marks told of both and sharing no word count against
 * it. Without the owner or the marks agreeing, size alone never makes it the same.
 */
export function sawLikeness(now: SawIdentity, before: SawIdentity, sameOwner: boolean): Likeness {
  if (now.family !== before.family || !near(now.toothLineMm, before.toothLineMm, LENGTH_SHARE * 2))
    return { share: 0, agrees: [] };
  const [a, b] = [words(now.marksOnIt), words(before.marksOnIt)];
  const bothMarked = a.length > 0 && b.length > 0;
  const depthGone = before.plateDepthHeelMm - now.plateDepthHeelMm;
  const tests: Record<keyof typeof WEIGHTS, boolean | null> = {
    owner: sameOwner,
    length: near(now.toothLineMm, before.toothLineMm, LENGTH_SHARE),
    pitch: near(now.pitchMm, before.pitchMm, PITCH_SHARE),
    thickness: near(now.plateThicknessMm, before.plateThicknessMm, THICKNESS_SHARE),
    depth:
      depthGone >= -DEPTH_SLIP_SHARE * before.plateDepthHeelMm &&
      depthGone <= FILED_AWAY_SHARE * before.plateDepthHeelMm,
    marks: bothMarked ? a.some((word) => b.includes(word)) : null,
    name: words(now.name).some((word) => words(before.name).includes(word)),
  };
  const told = (Object.keys(WEIGHTS) as (keyof typeof WEIGHTS)[]).filter((key) => tests[key] !== null);
  const agrees = told.filter((key) => tests[key]);
  // Many saws are of one make and size: something must say it is this very one.
  if (!tests.owner && !tests.marks) return { share: 0, agrees: [] };
  const weigh = (keys: readonly (keyof typeof WEIGHTS)[]): number => keys.reduce((sum, key) => sum + WEIGHTS[key], 0);
  return { share: weigh(agrees) / weigh(told), agrees };
}

/** Alike enough to ask "is it this one?". No source. */
export const ASK_FROM = 0.7;
