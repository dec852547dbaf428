import { dialOf } from '../circular/dial-of';
import type { DialSplit } from '../circular/dial-harmonics';
import { judgeSpread } from '../circular/equalise';
import type { SpreadVerdict } from '../circular/equalise';
import type { RakerSaw } from '../raker/raker-target';
import type { AtRaker, RakerGullets } from '../raker/raker-gullets';
import { rakerGullets } from '../raker/raker-gullets';
import { RAKER_OFF_MM, rakerSawOf, rakerTarget, USUAL_TIP_DEG } from '../raker/raker-target';
import { gaugedBreast } from '../line/gauged-breast';
import { freeBreastedLineForShare, radiusOf } from '../line/breasted-line';
import { MOST_BREAST_SHARE } from '../saw/breast';
import type { JointerBend } from '../line/jointer';
import { jointerBend, USUAL_SHOES_MM } from '../line/jointer';
import type { Judgement } from './books';
import { ownBook } from './books';
import { judge } from './rule-book';
import { RESET_BOOK, STRAIGHTEN_BOOK } from './work-books';
import type { Reason } from '../reason/reason';
import type { Saw } from '../saw/saw';
import type { Wood } from '../saw/families';
import { meanAndSpread } from '../evidence/line-statistics';
import type { SetBalance } from '../set/set-balance';
import { setBalance } from '../set/set-balance';
import { familySet } from '../set/family-set';
import { woodFacts } from '../saw/woods';
import { RESET_BELOW_SHARE } from '../set/set-wear';
import type { PlaceEstimate } from '../evidence/estimates';
import type { PlateBend } from '../plate/plate-bend';
import { plateBend } from '../plate/plate-bend';
import type { PlateReach } from '../plate/plate-reach';
import { plateReach } from '../plate/plate-reach';
import type { LengthQuantity } from '../evidence/quantities';
import { sidesOf } from '../evidence/sides';

/** What the places of one quantity say together. mm. */
export interface QuantitySummary {
  readonly count: number;
  readonly of: number;
  readonly meanMm: number;
  readonly spreadMm: number;
  readonly lowest: PlaceEstimate;
  readonly highest: PlaceEstimate;
  readonly set: { readonly left: number; readonly right: number; readonly balance: SetBalance } | null;
  readonly raker: {
    readonly targetMm: number;
    readonly reason: Reason;
    readonly shallow: readonly number[];
    readonly deep: readonly number[];
  } | null;
  /** Out of the widths of rakers: how deep the gullet of each must be for its tip, never one depth for all. */
  readonly gullets: RakerGullets | null;
  /** Out of the heights of a long saw's cutters or the gaps under a straight edge: the breast they lie on, and how a jointer's file is bent to it. */
  readonly breast: {
    readonly sagittaMm: number;
    readonly overMm: number;
    readonly radiusMm: number | null;
    readonly bend: JointerBend;
  } | null;
  readonly dial: DialSplit | null;
  /** Out of a plate's bow: its bend, and how the shop would straighten it, in its own words; null where it stands straight. */
  readonly bend: { readonly found: PlateBend; readonly advice: readonly string[] } | null;
  /** Out of rust and pitting: how much of the line it lies over. */
  readonly reach: PlateReach | null;
  readonly chippers: { readonly spreadMm: number; readonly verdict: SpreadVerdict } | null;
}

/** What is known beside the readings of one quantity. */
interface Beside {
  readonly wood: Wood;
  readonly own?: Judgement | undefined;
  /** Gullets as measured: a raker's own is held against its width. */
  readonly gulletDepths?: readonly PlaceEstimate[];
  /** Share of the teeth that is to stand on the line, and the shop's own jointer, shoe to shoe, mm. */
  readonly shareOnLine?: number | undefined;
  readonly shoesMm?: number | undefined;
  /** The angle the shop gives a raker's tip, degrees. */
  readonly tipDeg?: number | undefined;
}

/**
 * Estimates of a quantity's places into what a filer wants to know of it: balance of
 * set, rakers against their wanted depth, eccentricity round a rim told from the
 * teeth's own error, spread of chippers. Null without a reading. mm.
 */
export function summariseQuantity(
  saw: Saw,
  quantity: LengthQuantity,
  estimates: readonly PlaceEstimate[],
  of: number,
  { wood, own, gulletDepths = [], shareOnLine = 1, shoesMm, tipDeg = USUAL_TIP_DEG }: Beside,
): QuantitySummary | null {
  const first = estimates[0];
  if (!first) return null;
  const all = meanAndSpread(estimates.map((e) => e.valueMm));
  return {
    count: estimates.length,
    of,
    meanMm: all.meanMm,
    spreadMm: all.spreadMm ?? 0,
    lowest: estimates.reduce((a, b) => (b.valueMm < a.valueMm ? b : a), first),
    highest: estimates.reduce((a, b) => (b.valueMm > a.valueMm ? b : a), first),
    set: quantity === 'set' ? setOf(saw, estimates) : null,
    raker:
      quantity === 'raker-depth' && saw.family === 'crosscut' ? rakersOf(rakerSawOf(saw.kind), estimates, wood) : null,
    gullets: quantity === 'raker-width' ? rakerGullets(atRakers(estimates), atRakers(gulletDepths), tipDeg) : null,
    breast:
      quantity === 'height'
        ? breastOf(saw, estimates, shareOnLine, shoesMm)
        : quantity === 'breast'
          ? gaugedOf(saw, estimates, shoesMm)
          : null,
    dial: quantity === 'runout' || quantity === 'runout-turned' ? dialOf(saw, estimates, of) : null,
    bend: quantity === 'bow' ? bendOf(saw, estimates, own) : null,
    reach: quantity === 'rust' || quantity === 'pitting' ? plateReach(estimates, saw.toothLineMm, saw.pitchMm) : null,
    chippers: quantity === 'chipper-height' && estimates.length >= 2 ? chippersOf(estimates) : null,
  };
}

function setOf(saw: Saw, estimates: readonly PlaceEstimate[]): QuantitySummary['set'] {
  const sides = sidesOf(saw);
  const of = (side: 'left' | 'right') =>
    meanAndSpread(estimates.filter((e) => sides(e.place) === side).map((e) => e.valueMm));
  const [left, right] = [of('left'), of('right')];
  return left.count > 0 && right.count > 0
    ? { left: left.meanMm, right: right.meanMm, balance: setBalance(left, right) }
    : null;
}

function rakersOf(saw: RakerSaw, estimates: readonly PlaceEstimate[], wood: Wood): QuantitySummary['raker'] {
  const { depthMm, reason } = rakerTarget(saw, wood);
  const off = (sign: 1 | -1): number[] =>
    estimates.filter((e) => sign * (e.valueMm - depthMm) > RAKER_OFF_MM).map((e) => e.place);
  return { targetMm: depthMm, reason, shallow: off(-1), deep: off(1) };
}

/** An arc is told by three tips, as by a straight edge at three places; fewer lie on any. */
const FEWEST_ON_ARC = 3;
/** A breast is read off so much of the line at the least. No source. */
const LEAST_READ_SHARE = 0.6;

/** The arc that loses least with the wanted share of the tips on it, each at its place by the pitch. */
function breastOf(
  saw: Saw,
  estimates: readonly PlaceEstimate[],
  shareOnLine: number,
  shoesMm = USUAL_SHOES_MM,
): QuantitySummary['breast'] {
  if (saw.family !== 'crosscut' || estimates.length < FEWEST_ON_ARC) return null;
  const tips = estimates.map((e) => ({ xMm: (e.place - 1) * saw.pitchMm, yMm: e.valueMm }));
  const overMm = (tips.at(-1)?.xMm ?? 0) - (tips[0]?.xMm ?? 0);
  // A few teeth at one end tell nothing of the whole line; a jointer longer than what was read rides on nothing.
  if (overMm < LEAST_READ_SHARE * saw.toothLineMm || shoesMm > overMm) return null;
  const line = freeBreastedLineForShare(tips, shareOnLine, 0, MOST_BREAST_SHARE * overMm);
  const sagittaMm = line.breast?.sagittaMm ?? 0;
  const radiusMm = radiusOf(line);
  return { sagittaMm, overMm, radiusMm, bend: jointerBend(radiusMm, shoesMm) };
}

/** The arc the gaps under a straight edge tell of, over the whole line. */
function gaugedOf(saw: Saw, gaps: readonly PlaceEstimate[], shoesMm = USUAL_SHOES_MM): QuantitySummary['breast'] {
  const crown = gaugedBreast(gaps, saw.toothLineMm);
  if (!crown) return null;
  const sagittaMm = Math.max(0, crown.value);
  const radiusMm = radiusOf({ breast: { sagittaMm, chordMm: saw.toothLineMm } });
  return {
    sagittaMm,
    overMm: saw.toothLineMm,
    radiusMm,
    bend: jointerBend(radiusMm, Math.min(shoesMm, saw.toothLineMm)),
  };
}

const atRakers = (estimates: readonly PlaceEstimate[]): AtRaker[] =>
  estimates.map((e) => ({ tooth: e.place, mm: e.valueMm }));

/** The bend of a plate and what the shop's book of straightening says of it. */
function bendOf(saw: Saw, estimates: readonly PlaceEstimate[], own: Judgement | undefined): QuantitySummary['bend'] {
  const found = plateBend(estimates, saw.toothLineMm);
  if (!found) return null;
  // Where the readings allow a short and a long bend, both advices are told.
  const says = [found.lengthMm, found.lengthFromMm, found.lengthToMm].flatMap((bendLengthMm) => {
    const facts = { family: saw.family, marks: ['bend'], bendSagMm: found.sagMm, bendLengthMm };
    return judge(ownBook(STRAIGHTEN_BOOK, own), { ...facts, kinkInPlate: false, kinkNearToe: false }).reasons;
  });
  return { found, advice: [...new Set(says.map((r) => r.says))] };
}

function chippersOf(estimates: readonly PlaceEstimate[]): QuantitySummary['chippers'] {
  const values = estimates.map((e) => e.valueMm);
  const spreadMm = Math.max(...values) - Math.min(...values);
  return { spreadMm, verdict: judgeSpread(spreadMm) };
}

/**
 * The mean set under which a saw is set anew by the shop's own book: a share of what its family, wood and
 * plate want (trade section 8: set lasts three or four filings). The limit that a
 * sample of set decides about. mm.
 */
export function setLimitMm(saw: Saw, wood: Wood, own: Judgement | undefined): number {
  const { leastShare = RESET_BELOW_SHARE } = ownBook(RESET_BOOK, own).thresholds;
  return leastShare * familySet(saw.family, woodFacts(wood), 'ordinary', saw.plateThicknessMm).perSideMm;
}
