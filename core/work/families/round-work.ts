import { quantitiesOf } from '../../evidence/quantities';
import type { Reason } from '../../reason/reason';
import type { SawOf } from '../../saw/saw';
import type { RoundStudied, RoundStudy, RoundWish, RoundWork, WorkFacts } from '../family-work';
import type { RoundOrdered, WorkOrder } from '../order';
import { ORDER_VERSION } from '../order';
import type { Rates } from '../price';
import { priceFor } from '../price';
import type { SawRecord } from '../saw-record';
import { atShopPace, notPrepared, paceReason } from '../shop-pace';
import type { Step } from '../step';
import { strokesOfSteps } from '../step';
import { roundWay, roundWays } from './round-ways';

type RoundFamily = RoundWish['family'];
type Of<T extends { readonly family: string }, F extends RoundFamily> = Extract<T, { readonly family: F }>;
type InputsOf<F extends RoundFamily> = Of<RoundOrdered, F>['inputs'];

/** What a family whose teeth go round answers for itself. */
interface RoundParts<F extends RoundFamily> {
  /** What is chosen where nobody chose anything. */
  readonly plain: Of<RoundWish, F>;
  readonly ofFacts: (facts: WorkFacts, saw: SawOf<F>, wish: Of<RoundWish, F>) => InputsOf<F>;
  readonly ofRecord: (record: Of<SawRecord, F>) => InputsOf<F>;
  readonly study: (inputs: InputsOf<F>) => Of<RoundStudy, F>;
  readonly order: (study: Of<RoundStudy, F>, rates: Rates | null) => WorkOrder;
  /** Said beside the order of a record. */
  readonly beside?: (record: Of<SawRecord, F>) => object;
}

/** A family whose teeth go round, of what it answers for itself. Everything throws RangeError on another family's. */
export function roundWork<F extends RoundFamily>(family: F, own: RoundParts<F>): RoundWork {
  const mine = <T extends { readonly family: string }>(one: T): Of<T, F> => {
    if (one.family !== family) throw new RangeError(`This is of a ${one.family} saw, and not of a ${family} one.`);
    return one as Of<T, F>;
  };
  const study = (facts: WorkFacts, wish: RoundWish): RoundStudied => {
    const [saw, chosen] = [mine(facts.saw) as SawOf<F>, mine(wish)];
    try {
      return { ok: true, study: own.study(own.ofFacts(facts, saw, chosen)) };
    } catch (error) {
      if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message };
      throw error;
    }
  };
  const order = (of: RoundStudy, rates: Rates | null): WorkOrder => own.order(mine(of), rates);
  return {
    family,
    way: 'round',
    measured: quantitiesOf,
    plain: own.plain,
    study,
    again: (kept) => own.study(mine(kept).inputs as InputsOf<F>),
    order,
    ways: (facts, wish, rates) => roundWays(facts, wish, rates, (one) => study(facts, one), order),
    wayOf: roundWay,
    ofRecord: (record) => {
      const told = mine(record);
      return { family, order: own.order(own.study(own.ofRecord(told)), null), ...own.beside?.(told) };
    },
  };
}

/** What a family's own steps come to as an order.  Minutes. O(stops). */
export function roundOrder(
  round: RoundOrdered,
  work: WorkOrder['work'],
  atTables: readonly Step[],
  rates: Rates | null,
  reasons: readonly Reason[],
): WorkOrder {
  const toDo = notPrepared(atTables, round.inputs.prepared);
  const { steps, pace } = atShopPace(toDo, round.inputs.habits);
  const own = paceReason(pace);
  const minutes = steps.reduce((sum, one) => sum + one.minutes, 0);
  const price = rates ? priceFor(minutes, rates) : null;
  return {
    version: ORDER_VERSION,
    family: round.family,
    work,
    inputs: null,
    choice: null,
    steps: [...steps],
    targets: [],
    forecast: null,
    round,
    minutes,
    ...(pace && { pace }),
    minutesError: 0,
    strokes: strokesOfSteps(steps),
    price: price && rates ? { ...price, currency: rates.currency } : null,
    reasons: own ? [...reasons, own] : [...reasons],
  };
}
