import { testCut } from '../../testcut/test-cut';
import type { LineWish, Studied, WorkFacts } from '../family-work';
import type { Rates } from '../price';
import type { LineWayChoice, WayId, Ways, WorkedWay } from '../ways';
import { sideBySide } from '../side-by-side';
import { sawAt } from './cut-saws';
import { viewDepth } from './depth-view';
import { conditionsOf } from './foretold-cut';
import { makeOrder } from './make-order';
import { canRetooth, retoothed } from './retooth-offer';
import type { LineStudy } from './study';

/** Depths nearer than this are one. mm. */
const SAME_MM = 0.005;

/**
 * What could be done with a line of teeth, each worked out whole: sharpened as it stands, jointed until its teeth
 * reach the line, tuned until its points are even too, filed otherwise where the owner asked for it, given new
 * teeth. The wood is the ticket's. Null where there is no study. O(ways n log n).
 */
export function lineWays(
  facts: WorkFacts,
  wish: LineWish,
  rates: Rates | null,
  boardMm: number,
  study: (wish: LineWish) => Studied,
): Ways<LineWayChoice> | null {
  const kept = study({ ...wish, convert: false, retoothMm: null });
  if (!kept.ok) return null;
  const wished = study({ ...wish, convert: wish.convert ?? true, retoothMm: null });
  const other = wished.ok && wished.study.conversion ? wished.study : null;
  const { wood } = facts.visit;
  const of = (id: WorkedWay<LineWayChoice>['id'], own: LineStudy, depthMm: number): WorkedWay<LineWayChoice> => {
    const { minutes, price, forecast, inputs, choice } = makeOrder(own, depthMm, rates);
    const saw = sawAt(own, viewDepth(own, inputs.retooth ? 0 : depthMm), forecast.set);
    return {
      ...{ id, depthMm: choice.depthMm, minutes, price },
      choice: {
        depthMm: inputs.retooth ? null : depthMm,
        convert: own.conversion ? true : other ? false : null,
        retoothMm: inputs.retooth ? inputs.saw.pitchMm : null,
      },
      ...{ spent: forecast.life.spent, left: forecast.life.left, resets: forecast.set.reset },
      cut: testCut(saw, conditionsOf(own, { wood, boardMm })),
      ...{ sides: saw.sides, wantedMm: forecast.set.perSideMm },
    };
  };
  const depths = depthsOf(kept.study);
  const worked = [
    of('sharpen', kept.study, 0),
    ...(depths.joint === null ? [] : [of('joint', kept.study, depths.joint)]),
    ...(depths.tune === null ? [] : [of('tune', kept.study, depths.tune)]),
    ...(other ? [of('convert', other, other.recommended.depthMm)] : []),
    ...(canRetooth(kept.study) ? newTeeth(kept.study, of) : []),
  ];
  const advisedMm = kept.study.recommended.depthMm;
  return sideBySide(
    worked,
    facts,
    worked.find((way) => Math.abs(way.depthMm - advisedMm) < SAME_MM),
  );
}

/** Depths worth holding against each other: every tooth reached, and the points even as well. Null where there is nothing more to take. */
function depthsOf({ recommended: { least }, deepestMm, pull }: LineStudy): {
  readonly joint: number | null;
  readonly tune: number | null;
} {
  const joint = Math.min(deepestMm, least.byTeethMm);
  const even = pull || least.byEvennessMm === null ? joint : Math.min(deepestMm, Math.max(joint, least.byEvennessMm));
  return { joint: joint > SAME_MM ? joint : null, tune: even > Math.max(0, joint) + SAME_MM ? even : null };
}

/** Which of the ways a study at a depth is; null where something between was chosen. */
export function lineWay(study: LineStudy, depthMm: number): WayId | null {
  if (study.inputs.retooth) return 'retooth';
  if (study.conversion) return 'convert';
  const { joint, tune } = depthsOf(study);
  const near = (mm: number | null): boolean => mm !== null && Math.abs(depthMm - mm) < SAME_MM;
  return near(0) ? 'sharpen' : near(joint) ? 'joint' : near(tune) ? 'tune' : null;
}

/** New teeth at the pitch it has, where they can be cut. */
function newTeeth(
  study: LineStudy,
  of: (id: 'retooth', own: LineStudy, depthMm: number) => WorkedWay<LineWayChoice>,
): WorkedWay<LineWayChoice>[] {
  try {
    return [of('retooth', retoothed(study, study.pitchMm), 0)];
  } catch (error) {
    if (error instanceof RangeError) return [];
    throw error;
  }
}
