import type { Evidence } from '../evidence/session';
import type { LengthQuantity } from '../evidence/quantities';
import type { AnglePair } from '../file/angle-pair';
import type { Judgement } from '../judgement/books';
import type { RateFit } from '../calibration/proportional-fit';
import type { UseRate } from '../life/life';
import type { StrokeRate } from '../line/strokes';
import type { PullFiling } from '../pull/pull-tooth';
import type { RakerTip } from '../raker/raker-plan';
import type { Family } from '../saw/all-families';
import type { Wood } from '../saw/families';
import type { Saw } from '../saw/saw';
import type { PlateMark } from '../saw/plate-marks';
import type { Grain, WantedFiling } from '../judgement/triage';
import type { BandWish } from './families/band/inputs';
import type { DadoWish } from './families/dado/inputs';
import type { DadoStudy } from './families/dado/study';
import type { BladeWish } from './families/circular/inputs';
import type { BladeStudy } from './families/circular/study';
import type { BandStudy } from './families/band/study';
import type { WorkHabits } from './habits';
import type { LineOrder, RoundOrdered, WorkOrder } from './order';
import type { Rates } from './price';
import type { PreparedStep } from './preparing';
import type { SawRecord } from './saw-record';
import type { Coverage } from './tooth-line/coverage';
import type { DepthView } from './tooth-line/depth-view';
import type { LineChoice, SetChosen } from './tooth-line/inputs';
import type { OrderLane } from './tooth-line/lanes';
import type { ChaseOffer, ChaseSide } from './tooth-line/chase-offer';
import type { PastSaving, RetoothChoice } from './tooth-line/retooth-offer';
import type { LineStudy } from './tooth-line/study';
import type { LineWayChoice, WayId, Ways } from './ways';

/** Everything one ticket knows, as far as an order can come from it. */
export interface WorkFacts {
  readonly saw: Saw;
  readonly visit: {
    readonly wood: Wood;
    readonly marks: readonly PlateMark[];
    readonly grain: Grain;
    readonly etch: boolean;
    readonly wantsFiling: WantedFiling;
    /** What a new saw or blade costs, as the counter was told; null where nobody said. */
    readonly replacement: number | null;
    /** How often the saw works. */
    readonly useRate: UseRate;
    /** Steps that were done before it was measured; left out where none was. */
    readonly prepared?: readonly PreparedStep[] | undefined;
  };
  /** Everything read of it on this ticket. */
  readonly sessions: Evidence;
  /** What was done on earlier visits, the latest first. */
  readonly visits: readonly { readonly work: WorkOrder['work'] | null }[];
  readonly habits: WorkHabits;
  readonly judgement: Judgement | undefined;
  /** Names of the files the Store has corners free of; left out where it knows none. */
  readonly filesAtHand?: readonly string[] | undefined;
  /** What a stroke of a file takes, by the file's name. */
  readonly strokeRateOf: (file: string) => StrokeRate;
  /** What a pass of this hand's stone takes off a side. mm. */
  readonly stoning: RateFit;
}

/** What a person chooses before the depth. Null: what the shop's table or the owner's wish says. */
export interface LineWish {
  readonly line: LineChoice;
  readonly angles: Readonly<Record<keyof AnglePair, number | null>>;
  readonly convert: boolean | null;
  /** A line measured in part stands for the rest. */
  readonly sample: boolean;
  /** New teeth cut at this pitch, mm; null: the teeth it has are kept. */
  readonly retoothMm: number | null;
  /** Crown of a line of cutters, mm; null as the teeth lie, 0 straight. */
  readonly breastMm: number | null;
  /** Rakers below their cutters, mm, and how their tips are made; null by the shop's table and habit. */
  readonly rakerMm: number | null;
  readonly rakerTip: RakerTip | null;
  /** Of a pull saw: another filing than is due, back and top bevel; null by its history and the shop's table. */
  readonly pullFiling: PullFiling['kind'] | null;
  readonly backDeg: number | null;
  readonly topDeg: number | null;
  /** How deep the other edge of a two-edged saw is levelled, mm; null as advised. */
  readonly besideMm: number | null;
  /** What is done about the set; null as it is due. This saw's own set a side, mm; null by the table. */
  readonly set: SetChosen | null;
  readonly setMm: number | null;
}
export const PLAIN_WISH: LineWish = {
  line: 'free',
  angles: { rakeDeg: null, fleamDeg: null },
  convert: null,
  sample: false,
  retoothMm: null,
  breastMm: null,
  rakerMm: null,
  rakerTip: null,
  pullFiling: null,
  backDeg: null,
  topDeg: null,
  besideMm: null,
  set: null,
  setMm: null,
};

export type Studied =
  | {
      readonly ok: true;
      readonly study: LineStudy;
      readonly coverage: Coverage;
      /** The line is past saving, and why. */
      readonly past: PastSaving | null;
    }
  | { readonly ok: false; readonly code: 'nothing-measured' }
  | { readonly ok: false; readonly code: 'readings-unfit'; readonly says: string; readonly tooth: number | null };

/** A quantity a person moves on the family's page, mm. */
export interface Handle {
  readonly id: 'depth' | 'breast' | 'rakers';
  readonly fromMm: number;
  readonly toMm: number;
  readonly advisedMm: number;
}

interface AnyWork {
  readonly family: Family;
  /** What may be gauged of such a saw. */
  readonly measured: (saw: Saw) => readonly LengthQuantity[];
  /**
   * What is worked out from a saw's record, as plain data for a file. `depthMm` overrides the
   * advised joint of a saw that is jointed. Throws RangeError, with a sentence, on a record
   * nothing can be worked out from.
   */
  readonly ofRecord: (record: SawRecord, depthMm?: number) => object;
}

/** A family whose order is worked out here from what was measured. */
export interface PlannedWork extends AnyWork {
  readonly way: 'planned';
  readonly study: (facts: WorkFacts, wish: LineWish) => Studied;
  /** Throws RangeError on a depth the teeth do not allow. */
  readonly order: (study: LineStudy, depthMm: number, rates: Rates | null) => LineOrder;
  readonly handles: (study: LineStudy) => readonly Handle[];
  readonly lanes: (study: LineStudy, view: DepthView) => readonly OrderLane[];
  /** Broken and short teeth: blended in, or chased; sides that are known are not worked out again. */
  readonly chase: (study: LineStudy, depthMm: number, rates: Rates | null, known?: readonly ChaseSide[]) => ChaseOffer;
  /** Every cutter brought down to the lowest raker, and what that costs; null where none is too low. */
  readonly toLowestRaker: (study: LineStudy, depthMm: number, rates: Rates | null) => ChaseSide | null;
  /** Pitches new teeth could be cut at, with the cost of each. */
  readonly retooth: (study: LineStudy, rates: Rates | null) => readonly RetoothChoice[];
  /** Everything that could be done with it side by side, cut in a board of so many mm; null where there is no study. */
  readonly ways: (facts: WorkFacts, wish: LineWish, rates: Rates | null, boardMm: number) => Ways<LineWayChoice> | null;
  /** Which of them a study at a depth is; null where something between was chosen. */
  readonly wayOf: (study: LineStudy, depthMm: number) => WayId | null;
}

/** What is known of a saw whose teeth go round, and what is chosen of it. */
export type RoundStudy = BandStudy | BladeStudy | DadoStudy;
export type RoundWish = BandWish | BladeWish | DadoWish;
export type RoundStudied =
  | { readonly ok: true; readonly study: RoundStudy }
  | { readonly ok: false; readonly code: 'readings-unfit'; readonly says: string };

/** A family whose teeth go round: worked window by window or tooth by tooth, without a line from end to end. */
export interface RoundWork extends AnyWork {
  readonly way: 'round';
  /** What is chosen where nobody chose anything. */
  readonly plain: RoundWish;
  readonly study: (facts: WorkFacts, wish: RoundWish) => RoundStudied;
  /** What a kept order was worked out from, worked out again: what it still offers and shows. */
  readonly again: (kept: RoundOrdered) => RoundStudy;
  readonly order: (study: RoundStudy, rates: Rates | null) => WorkOrder;
  /** Everything that could be done with it side by side; null where there is nothing to hold against anything. */
  readonly ways: (facts: WorkFacts, wish: RoundWish, rates: Rates | null) => Ways<RoundWish> | null;
  readonly wayOf: (study: RoundStudy) => WayId | null;
}

/**
 * How the saws of one family are worked. Adding a family is a folder in core/work/families and a
 * line in the table of `families.ts`; docs/adding-a-family.md walks through it.
 */
export type FamilyWork = PlannedWork | RoundWork;
