import { atWeld } from '../band/away-from-weld';
import type { CutCauses } from '../cause/odds';
import { causesOf } from '../cause/odds';
import type { OfWhichSaw } from '../cause/causes';
import type { CutShown, SawKnown } from '../cause/found';
import type { Facts } from '../cause/likelihood';
import type { NextLook } from '../cause/next-look';
import { nextLooks } from '../cause/next-look';
import { lineOf } from '../evidence/line-of';
import type { SetOfSides } from '../evidence/set-of';
import type { Wood } from '../saw/families';
import { isCarbide, rakersOf, teethOf } from '../saw/saw';
import type { BandCut } from '../set/band-cut-verdict';
import { sideOfDrift } from '../set/test-cut-verdict';
import { setBalance } from '../set/set-balance';
import { stoneOut } from '../set/stone-out';
import type { StonedPass } from '../set/stone-out';
import { CUT_LIMITS } from '../testcut/acceptable';
import type { Again, Floor, PlateLook, Wall } from '../testcut/cut-looks';
import { offLineMm, USUAL_BOARD_MM } from '../testcut/foretold';
import type { TestCut } from '../testcut/test-cut';
import { testCut } from '../testcut/test-cut';
import type { JudgedCut, WorkedSaw } from './judge-cut';
import { judgeCut, learnedOf, rimSpread } from './judge-cut';
import type { OrderedLine } from './lines-of-order';
import { cutOfOrder } from './order-cut';
import { sawIn } from './saw-after';
import { sawNow } from './tooth-line/cut-saws';
import { conditionsOf } from './tooth-line/foretold-cut';
import { studyLine } from './tooth-line/study';

/** A test cut with everything that was looked at; left out or null where nobody looked. mm. */
export interface CutReported extends BandCut {
  readonly kerfMm?: number | null | undefined;
  readonly offLine?: { readonly mm: number; readonly overMm: number } | null | undefined;
  readonly wall?: Wall | null | undefined;
  readonly floor?: Floor | null | undefined;
  readonly plate?: PlateLook | null | undefined;
  readonly again?: Again | null | undefined;
}

/** A cut read: what its order foretold, what the saw measured since would do, what the cut itself points to. */
export interface CutRead {
  /** The verdict of it. */
  readonly judged: JudgedCut;
  readonly saw: OfWhichSaw;
  readonly facts: Facts;
  /** Null of a cut with nothing wrong. */
  readonly causes: CutCauses | null;
  /** What would tell most, where something is wrong. */
  readonly looks: readonly NextLook[];
  /** The heavier side stoned pass by pass, as this hand's stone takes it; null where the set was not measured. */
  readonly stoning: readonly StonedPass[] | null;
  /** As the order promised; null where that is not foretold. */
  readonly foretold: TestCut | null;
  /** Of the saw as measured after the work; heights as planned where they were not measured again. Null where nothing was. */
  readonly since: TestCut | null;
  readonly plateMm: number;
  /** How many times further than at the least it leaves its line, as this shop learned. */
  readonly driftTimes: number;
}

/** So much of a line measured again tells how it lies. Share; judgement, no source. */
const WHOLE_SHARE = 0.8;
/** Where no order says what set is wanted. Judgement, no source. mm. */
const SOME_SET_MM = 0.08;

/** The line as it was measured after the work, cut again; null where it was not measured as a whole. */
function cutSince({ sessions, saw: taken, order }: WorkedSaw, line: OrderedLine, wood: Wood): TestCut | null {
  const view = lineOf(sessions, sawIn('after', taken, order), 'after', line.edge);
  if (!view || view.heightsRead < WHOLE_SHARE * line.inputs.readings.length) return null;
  const { retooth: _new, ...inputs } = line.inputs;
  try {
    const study = studyLine({ ...inputs, from: null, readings: view.teeth });
    return testCut(sawNow(study), conditionsOf(study, { wood, boardMm: USUAL_BOARD_MM }));
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** Whether anything of a cut is wrong, whatever the verdict of the saw is. */
function isOdd(shown: CutShown, wood: Wood): boolean {
  const off = shown.offLine ? Math.abs(offLineMm(shown.offLine)) : 0;
  return (
    sideOfDrift(shown) !== null ||
    shown.binds === true ||
    shown.chatters === true ||
    (shown.shavings ?? 'ribbons') !== 'ribbons' ||
    (shown.wall ?? 'clean') !== 'clean' ||
    (shown.floor ?? 'flat') !== 'flat' ||
    // A rule along a cut reads no finer than this however good the wood asks it.
    off > Math.max(READ_OFF_MM, CUT_LIMITS[wood].offLineMm)
  );
}
const READ_OFF_MM = 0.2;

const known = (set: SetOfSides | null): set is SetOfSides => set !== null && set.left.count > 0 && set.right.count > 0;

/** Everything a test cut tells of a saw, on its own numbers. mm. O(readings + causes findings outcomes). */
export function readCut(cut: CutReported, worked: WorkedSaw, wood: Wood): CutRead {
  const { saw: taken, order, line, hand } = worked;
  const saw = sawIn('after', taken, order);
  const judged = judgeCut(cut, worked);
  const { set: measured, rakers } = judged;
  const set = known(measured) ? measured : null;
  const target = (line ?? order?.round)?.forecast.set.perSideMm ?? 0;
  const whole = line && cutSince(worked, line, wood);
  const edge = line?.edge ?? null;
  const found = set && { left: set.left.meanMm, right: set.right.meanMm };
  const foretold = order && (cutOfOrder(order, { edge, wood })?.cut.chosen ?? null);
  const planned = order && found ? (cutOfOrder(order, { edge, wood, found })?.cut.chosen ?? null) : null;
  const ofWhich: OfWhichSaw = {
    goes: saw.family === 'band' ? 'band' : saw.family === 'circular' || saw.family === 'dado' ? 'round' : 'to-and-fro',
    rakers: rakersOf(saw) > 0,
    set: saw.family !== 'dado' && !isCarbide(saw),
  };
  const beatAt = cut.beatAt ?? null;
  const shown: CutShown = {
    ...{ runs: cut.runs, binds: cut.binds, chatters: cut.chatters, shavings: cut.shavings ?? null },
    ...{ kerfMm: cut.kerfMm ?? null, offLine: cut.offLine ?? null, wall: cut.wall ?? null, floor: cut.floor ?? null },
    beats: beatAt === null ? null : atWeld(beatAt, teethOf(saw)) ? 'at-weld' : 'elsewhere',
    before: cut.again ?? null,
  };
  const plateMm = 'plateThicknessMm' in saw ? saw.plateThicknessMm : 0;
  const own: SawKnown = {
    plateMm,
    wantedSetMm: target > 0 ? target : SOME_SET_MM,
    set: set && {
      ...setBalance(set.left, set.right),
      lesserMm: Math.min(set.left.meanMm, set.right.meanMm),
      sumMm: set.left.meanMm + set.right.meanMm,
    },
    // What rides on no board is as uneven as its rim.
    hopMm:
      saw.family === 'circular' || saw.family === 'dado' ? rimSpread(worked.sessions, saw) : (whole?.hopMm ?? null),
    loadDifference: whole?.drift?.loadDifference ?? null,
    bent: cut.plate ? cut.plate === 'bent' : null,
    rakers: rakers && { high: rakers.high > 0, low: rakers.low > 0 },
    teethOut: whole?.section ? outOf(whole) : null,
  };
  const facts = { shown, known: own };
  const odd = isOdd(shown, wood);
  return {
    judged,
    saw: ofWhich,
    facts,
    causes: odd ? causesOf(ofWhich, facts) : null,
    looks: odd ? nextLooks(ofWhich, facts) : [],
    stoning: set && stoneOut(set, hand.stoning),
    foretold,
    since: whole ?? planned,
    plateMm,
    driftTimes: learnedOf(order)?.driftTimes ?? 1,
  };
}

const outOf = ({ marks }: TestCut): { left: boolean; right: boolean } => ({
  left: marks.some((mark) => mark.side === 'left'),
  right: marks.some((mark) => mark.side === 'right'),
});
