import { spreadRound, stacksNear, stackWidth } from '../../../circular/dado-stack';
import type { DadoStack } from '../../../circular/dado-stack';
import { BELOW_SCORERS_MM, judgeSpread, NOT_WORTH_KEEPING_MM } from '../../../circular/equalise';
import type { SpreadVerdict } from '../../../circular/equalise';
import { ON_AIM_MM } from '../../../circular/further-strokes';
import type { FloorPiece } from '../../../circular/groove';
import { floorStepMm, grooveFloor } from '../../../circular/groove';
import type { Stranger } from '../../../circular/of-one-set';
import { strangersAmong } from '../../../circular/of-one-set';
import { strokesFor } from '../../../line/strokes';
import type { SetPart } from '../../../saw/saw';
import type { DadoInputs } from './inputs';

/** A tooth of a part with what is to be done to it. mm. */
export interface PartTooth {
  readonly tooth: number;
  /** On the dial; null where nobody read it. */
  readonly offMm: number | null;
  readonly strokes: number;
  readonly leftMm: number;
  /** Too far under the others to be brought level with. */
  readonly short: boolean;
}

/** One part, with a line of its own. */
export interface PartStudy {
  readonly part: SetPart;
  readonly index: number;
  readonly teeth: readonly PartTooth[];
}

/** How far the highest tooth of one kind may be brought down, and is. Depths under it, mm. */
export interface KindDepth {
  readonly highestMm: number;
  /** Less than this would leave a chipper deeper than the scorers' lines. */
  readonly leastMm: number;
  /** To the lowest tooth worth keeping. */
  readonly advisedMm: number;
  /** To the lowest there is: nothing is brought below it. */
  readonly deepestMm: number;
  readonly chosenMm: number;
}

/** What is known of a set, whatever is chosen of it. mm. */
export interface DadoStudy {
  readonly family: 'dado';
  readonly inputs: DadoInputs;
  readonly parts: readonly PartStudy[];
  /** Null where nobody read a tooth of that kind. */
  readonly outers: KindDepth | null;
  readonly chippers: KindDepth | null;
  /** What they come down to on the dial. */
  readonly scorersAtMm: number | null;
  readonly chippersAtMm: number | null;
  /** Parts of another set. */
  readonly strangers: readonly Stranger[];
  readonly spreadBeforeMm: number | null;
  readonly spreadAfterMm: number | null;
  readonly verdictBefore: SpreadVerdict | null;
  readonly verdictAfter: SpreadVerdict | null;
  readonly floorBefore: readonly FloorPiece[];
  readonly floorAfter: readonly FloorPiece[];
  /** Chippers that are cracked or bent: marked, and neither worked nor stacked. */
  readonly leftOut: readonly string[];
  readonly stacks: readonly DadoStack[];
  readonly turnedDeg: readonly { readonly part: string; readonly deg: number }[];
}

/**
 * Depths of one kind's teeth: advised is the lowest worth keeping, none far under their median; `under` is what
 * all must come down to at the least. Null of none. mm. O(n log n).
 */
function depthOf(heights: readonly number[], wishMm: number | null, under: number | null): KindDepth | null {
  const sorted = [...heights].sort((a, b) => a - b);
  const [lowest, median, highestMm] = [sorted[0], sorted[Math.floor(sorted.length / 2)], sorted.at(-1)];
  if (lowest === undefined || median === undefined || highestMm === undefined) return null;
  const kept = sorted.find((mm) => mm >= median - NOT_WORTH_KEEPING_MM) ?? median;
  const down = (mm: number): number => highestMm - Math.min(mm, under ?? mm);
  const [leastMm, advisedMm, deepestMm] = [down(highestMm), down(kept), down(lowest)];
  return {
    ...{ highestMm, leastMm, advisedMm, deepestMm },
    chosenMm: Math.min(deepestMm, Math.max(leastMm, wishMm ?? advisedMm)),
  };
}

/** What puts a part out of use. */
export const OUT_OF_USE: ReadonlySet<string> = new Set(['crack', 'bend', 'kink', 'twist']);

/** Chippers and shims out of use; an outer blade is never left out, nothing holds without it. */
const leftOut = ({ parts, marks }: DadoInputs): string[] =>
  parts
    .filter((part, i) => part.kind !== 'outer' && marks[i]?.some((mark) => OUT_OF_USE.has(mark)))
    .map((part) => part.id);

/** Widths offered for a wanted groove. */
const OFFERED = 3;

/**
 * A set by its parts (trade section 6): the outer blades first, both jointed to the lowest scoring tooth worth
 * keeping of either, so that both shoulders are scored alike; then the chippers, brought down to the lowest
 * worth keeping or to a sixty-fourth under the scorers, whichever is lower, by whole strokes that cannot
 * overshoot. Heights of all parts on one dial. mm. O(n log n). RangeError without two outer blades.
 */
export function studyDado(inputs: DadoInputs): DadoStudy {
  const { heights, strokeRate, wish } = inputs;
  const out = leftOut(inputs);
  const parts = inputs.parts.filter((part) => !out.includes(part.id));
  const heightsOf = (part: SetPart): (typeof heights)[number] => heights[inputs.parts.indexOf(part)] ?? [];
  const of = (kind: SetPart['kind']): number[] =>
    parts.flatMap((part) => (part.kind === kind ? heightsOf(part).map((r) => r.offMm) : []));
  const outerDepth = depthOf(of('outer'), wish.outersDownMm, null);
  const scorersAtMm = outerDepth && outerDepth.highestMm - outerDepth.chosenMm;
  const under = scorersAtMm === null ? null : scorersAtMm - BELOW_SCORERS_MM;
  const chipperDepth = depthOf(of('chipper'), wish.chippersDownMm, under);
  const chippersAtMm = chipperDepth && chipperDepth.highestMm - chipperDepth.chosenMm;
  const aimOf = (part: SetPart): number | null =>
    part.kind === 'outer' ? scorersAtMm : part.kind === 'chipper' ? chippersAtMm : null;
  const studied = parts.map((part): PartStudy => {
    const aim = aimOf(part);
    const read = new Map(heightsOf(part).map((r) => [r.tooth, r.offMm]));
    const teeth = Array.from({ length: part.teeth }, (_, i): PartTooth => {
      const offMm = read.get(i + 1) ?? null;
      const over = offMm === null || aim === null ? 0 : offMm - aim;
      const { strokes, leftMm } = strokesFor(Math.max(0, over), strokeRate);
      // Under what the others come down to, nothing can be done to it.
      return { tooth: i + 1, offMm, strokes, leftMm, short: over < -ON_AIM_MM };
    });
    return { part, index: inputs.parts.indexOf(part), teeth };
  });
  const highest = (part: PartStudy, after: boolean): number | null => {
    const aim = aimOf(part.part);
    const all = part.teeth.flatMap((t) =>
      t.offMm === null ? [] : [after && !t.short ? (aim ?? 0) + t.leftMm : t.offMm],
    );
    return all.length === 0 ? null : Math.max(...all);
  };
  const floor = (after: boolean): FloorPiece[] =>
    grooveFloor(studied.map((one) => ({ ...one.part, heightMm: highest(one, after) ?? aimOf(one.part) })));
  const [floorBefore, floorAfter] = [floor(false), floor(true)];
  const outers = parts.filter((part) => part.kind === 'outer').map((part) => part.id);
  const chippersRead = of('chipper').length > 0;
  const spread = (pieces: readonly FloorPiece[]): number | null => (chippersRead ? floorStepMm(pieces, outers) : null);
  const [before, after] = [spread(floorBefore), spread(floorAfter)];
  const chippers = parts.filter((part) => part.kind === 'chipper');
  const turned = spreadRound(chippers, parts.find((part) => part.kind === 'outer')?.teeth ?? 1);
  return {
    family: 'dado',
    inputs,
    parts: studied,
    outers: outerDepth,
    chippers: chipperDepth,
    strangers: (['outer', 'chipper'] as const).flatMap((kind) =>
      strangersAmong(
        parts
          .filter((part) => part.kind === kind)
          .map((part) => ({ part: part.id, heightsMm: heightsOf(part).map((r) => r.offMm) })),
      ),
    ),
    scorersAtMm,
    chippersAtMm,
    spreadBeforeMm: before,
    spreadAfterMm: after,
    verdictBefore: before === null ? null : judgeSpread(before),
    verdictAfter: after === null ? null : judgeSpread(after),
    floorBefore,
    floorAfter,
    leftOut: out,
    stacks: wish.wantedMm === null ? [stackWidth(parts)] : stacksNear(parts, wish.wantedMm, OFFERED),
    turnedDeg: chippers.map((part, i) => ({ part: part.id, deg: turned[i] ?? 0 })),
  };
}
