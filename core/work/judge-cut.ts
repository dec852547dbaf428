import type { Hand } from '../calibration/hand';
import { dialOf } from '../circular/dial-of';
import { estimatesOf } from '../evidence/estimates';
import type { LineView } from '../evidence/line-of';
import { lineOf } from '../evidence/line-of';
import { lineStatistics } from '../evidence/line-statistics';
import { rakersRead } from '../evidence/rakers-read';
import type { Evidence } from '../evidence/session';
import type { SetOfSides } from '../evidence/set-of';
import { setOf } from '../evidence/set-of';
import { sidesOf } from '../evidence/sides';
import { standingTeeth } from '../evidence/tooth-reading';
import { overOwnArc } from '../line/own-arc';
import type { RakersAfter } from '../raker/shavings';
import { rakersAfter } from '../raker/shavings';
import type { Saw, SawOf } from '../saw/saw';
import { isPointed, placesOn, rakersOf, rolesOn, teethOf } from '../saw/saw';
import type { BandCut } from '../set/band-cut-verdict';
import { judgeBandCut } from '../set/band-cut-verdict';
import type { CutVerdict } from '../set/test-cut-verdict';
import { judgeBladeCut, judgeSetCut, judgeTestCut } from '../set/test-cut-verdict';
import type { Learned } from '../learn/learned';
import { JUMPS_AT_MM } from '../testcut/hop';
import type { OrderedLine } from './lines-of-order';
import type { WorkOrder } from './order';
import { sawIn } from './saw-after';

/** What a test cut is judged on besides the cut itself. */
export interface WorkedSaw {
  /** The saw as it was taken in. */
  readonly saw: Saw;
  readonly sessions: Evidence;
  readonly order: WorkOrder | null;
  /** The line that made the cut; null of a saw whose teeth go round, or that was worked by hand. */
  readonly line: OrderedLine | null;
  readonly hand: Pick<Hand, 'stoning' | 'strokeRateOf'>;
}

/** A verdict with what it rests on. mm. */
export interface JudgedCut extends CutVerdict {
  readonly set: SetOfSides | null;
  readonly rakers: RakersAfter | null;
}

/** A test cut of any saw, judged on what was last measured after the work and on what its order wanted. mm. O(readings). */
export function judgeCut(cut: BandCut, { saw: taken, sessions, order, line, hand }: WorkedSaw): JudgedCut {
  const saw = sawIn('after', taken, order);
  const edge = line?.edge ?? null;
  const set = setOf(sessions, 'after', sidesOf(saw), edge);
  const target = (line ?? order?.round)?.forecast.set.perSideMm ?? 0;
  const perPass = hand.stoning.rate;
  const jumpsAt = learnedOf(order)?.hopMm ?? JUMPS_AT_MM;
  if (saw.family === 'band') {
    const heights = estimatesOf(readAfter(sessions), 'height', null);
    return { ...judgeBandCut(cut, { set, heights, teeth: teethOf(saw) }, target, perPass), set, rakers: null };
  }
  if (saw.family === 'circular' || saw.family === 'dado')
    return {
      ...(saw.family === 'dado' ? judgeSetCut : judgeBladeCut)(
        cut,
        { set, heightSpreadMm: rimSpread(sessions, saw) },
        target,
        perPass,
        jumpsAt,
      ),
      set,
      rakers: null,
    };
  const view = lineOf(sessions, saw, 'after', edge);
  const heightSpreadMm = view && view.heightsRead > 0 ? spreadOf(saw, view) : null;
  const wanted = order?.forecast?.rakers?.wantedMm;
  const depths = [...rakersRead(sessions, 'after').values()].map((r) => r.depthMm);
  const rakers =
    wanted === undefined ? null : rakersAfter(depths, wanted, rakersOf(saw), hand.strokeRateOf(tipFile(order)));
  // Shavings tell of rakers, where a saw has them; of any other they are only read for their cause.
  const told = { ...cut, shavings: rakersOf(saw) > 0 ? cut.shavings : null };
  return { ...judgeTestCut(told, { set, heightSpreadMm, rakers }, target, perPass, jumpsAt), set, rakers };
}

/** What the shop had learned when the order was worked out; left out where nothing. */
export const learnedOf = (order: WorkOrder | null): Learned | undefined =>
  (order?.inputs ?? order?.round?.inputs)?.habits.learned;

const readAfter = (sessions: Evidence) => sessions.filter((s) => s.kind === 'after').flatMap((s) => s.readings);

/** The file the rakers' tips are brought down with. */
const tipFile = (order: WorkOrder | null): string | null =>
  order?.steps.find((step) => step.kind === 'raker-tips')?.tool ?? null;

/** How uneven a blade's scoring teeth are by themselves, by dial after the work; null where too few were read. mm. */
export function rimSpread(sessions: Evidence, saw: SawOf<'circular' | 'dado'>): number | null {
  const after = readAfter(sessions);
  if (saw.family === 'dado') {
    const floor = saw.parts.flatMap((part) => estimatesOf(after, 'groove-step', part.id).map((e) => e.valueMm));
    return floor.length < 2 ? null : Math.max(...floor) - Math.min(...floor);
  }
  const own = dialOf(saw, estimatesOf(after, 'runout', null), teethOf(saw))?.own.map((r) => r.offMm) ?? [];
  return own.length === 0 ? null : Math.max(...own) - Math.min(...own);
}

/** How uneven the line is: over the straight or breasted line its teeth lie on. mm. */
function spreadOf(saw: Saw, { teeth }: LineView): number | null {
  if (!isPointed(saw)) return lineStatistics(teeth, placesOn(saw, teeth.length))?.heightSpreadMm ?? null;
  const over = overOwnArc(standingTeeth(teeth), rolesOn(saw, teeth.length) ?? []).filter((mm) => !Number.isNaN(mm));
  return over.length === 0 ? null : Math.max(...over);
}
