import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { Reason } from '../reason/reason';
import type { DadoPart } from './dado-stack';

/** A part on the arbor with how high its highest tooth stands on the common dial; shims carry no tooth. mm. */
export interface StackedPart extends DadoPart {
  /** Null where nobody read it: taken to stand level with the scorers. */
  readonly heightMm: number | null;
}

/** A stretch of the groove's floor, cut by one part. */
export interface FloorPiece {
  readonly fromMm: number;
  readonly toMm: number;
  /** On the common dial: the higher, the deeper the floor. Null where no part cuts. */
  readonly heightMm: number | null;
  readonly part: string | null;
}

/** Stretches narrower than this are rounding. mm. */
const NARROW_MM = 1e-9;

/**
 * The floor a stack leaves, in section from its left wall: plates lie face on face, every part cuts half of what
 * its teeth stand out beyond its plate to either side, and the highest tooth over a place makes the floor there.
 * Level stretches of one part are one piece. mm. O(n^2) in the parts. RangeError with no part that cuts.
 */
export function grooveFloor(parts: readonly StackedPart[]): FloorPiece[] {
  let at = 0;
  const cuts = parts.flatMap((part) => {
    const out = (part.cutMm - part.plateMm) / 2;
    const cut = { fromMm: at - out, toMm: at + part.plateMm + out, heightMm: part.heightMm ?? 0, part: part.id };
    at += part.plateMm;
    return part.kind === 'shim' ? [] : [cut];
  });
  if (cuts.length === 0) throw new RangeError('A stack without teeth cuts no groove.');
  const left = Math.min(...cuts.map((cut) => cut.fromMm));
  const edges = [...new Set(cuts.flatMap((cut) => [cut.fromMm, cut.toMm]))].sort((a, b) => a - b);
  const pieces: FloorPiece[] = [];
  edges.slice(1).forEach((toMm, i) => {
    const fromMm = edges[i] ?? toMm;
    if (toMm - fromMm < NARROW_MM) return;
    const middle = (fromMm + toMm) / 2;
    const here = cuts.filter((cut) => cut.fromMm <= middle && middle <= cut.toMm);
    const deepest = here.reduce<(typeof here)[number] | null>(
      (most, cut) => (most && most.heightMm >= cut.heightMm ? most : cut),
      null,
    );
    const last = pieces.at(-1);
    const part = deepest?.part ?? null;
    const end = toMm - left;
    if (last && last.part === part) pieces[pieces.length - 1] = { ...last, toMm: end };
    else pieces.push({ fromMm: fromMm - left, toMm: end, heightMm: deepest?.heightMm ?? null, part });
  });
  return pieces;
}

/** How far the floor's pieces lie apart, the deepest under the highest; the outer blades' scored lines left out. mm. */
export function floorStepMm(pieces: readonly FloorPiece[], outers: readonly string[]): number {
  const heights = pieces.flatMap((p) => (p.part !== null && !outers.includes(p.part) ? (p.heightMm ?? []) : []));
  return heights.length === 0 ? 0 : Math.max(...heights) - Math.min(...heights);
}

/** Why the floor's steps are what they are, and which part makes the deepest and the shallowest. */
export function floorReason(pieces: readonly FloorPiece[], outers: readonly string[]): Reason {
  const own = pieces
    .filter((p) => p.part !== null && p.heightMm !== null && !outers.includes(p.part))
    .sort((a, b) => (b.heightMm ?? 0) - (a.heightMm ?? 0));
  const [deepest, shallowest] = [own[0], own.at(-1)];
  return because(
    'Steps on the floor of the groove',
    'over every place the highest tooth of any part makes the floor; the deepest less the shallowest of them',
    [
      input('deepest under', deepest?.part ?? 'nobody read', 'text'),
      input('on the dial', deepest?.heightMm ?? 0, 'mm'),
      input('shallowest under', shallowest?.part ?? 'nobody read', 'text'),
      input('on the dial', shallowest?.heightMm ?? 0, 'mm'),
    ],
    COMMON_PRACTICE,
    'The outer blades’ scored lines are meant to be deeper, and are not counted.',
  );
}

/** The floor under one part of a test groove, over its deepest place. mm. */
export interface FloorStep {
  readonly part: string;
  readonly overDeepestMm: number;
}

/** What a test groove says of one part. */
export interface TouchPart {
  readonly part: string;
  /** Brought down by so much it stands with the others, mm. */
  readonly downMm: number;
}

/**
 * Which parts to touch, of a test groove's measured floor: how far the floor under each part stands over its
 * deepest place. A part that cuts deeper than the shallowest by more than may be is to come down to it, and no
 * further. mm. O(n).
 */
export function touchParts(steps: readonly FloorStep[], mayMm: number): TouchPart[] {
  const shallowest = Math.max(...steps.map((s) => s.overDeepestMm));
  return steps
    .map((s) => ({ part: s.part, downMm: shallowest - s.overDeepestMm }))
    .filter((s) => s.downMm > mayMm)
    .sort((a, b) => b.downMm - a.downMm);
}
