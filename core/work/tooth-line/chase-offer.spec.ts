import { evenSaw, planInputs } from '../../reference/random-saw';
import { chaseOffer } from './chase-offer';
import { makeOrder } from './make-order';
import { studyLine } from './study';

const RATES = { wagePerHour: 60, leastCharge: 5, currency: '€' };
const withShort = (mm: number, missing: readonly number[] = []) =>
  studyLine(
    planInputs(
      evenSaw(40, 2.5).map((r, i) => ({
        ...r,
        yMm: i === 11 ? -mm : 0,
        kind: missing.includes(i + 1) ? ('missing' as const) : i === 11 ? ('broken' as const) : ('tooth' as const),
      })),
      2.5,
    ),
  );

describe('short and broken teeth, blended or chased', () => {
  it('both ways are told whole: depth, life, time and money, the chased one deeper and dearer in all', () => {
    const study = withShort(0.4);
    const offer = chaseOffer(study, 0.05, RATES);
    expect(offer.teeth.map((t) => t.tooth)).toEqual([12]);
    expect(offer.teeth[0]?.shortMm).toBeCloseTo(0.35, 9);
    expect(offer.blend.depthMm).toBe(0.05);
    expect(offer.chase?.depthMm).toBeCloseTo(0.4, 9);
    expect(offer.chase?.spent.likely).toBeGreaterThan(offer.blend.spent.likely);
    expect(offer.chase?.minutes).toBeGreaterThan(offer.blend.minutes);
    expect(offer.chase?.price?.amount).toBeGreaterThan(offer.blend.price?.amount ?? Infinity);
    // Chased down, it stands on the line.
    const order = makeOrder(study, offer.chase?.depthMm ?? 0);
    expect(order.forecast.cut.reachedShare).toBe(1);
    expect(chaseOffer(study, 0.4, RATES).teeth).toEqual([]);
  });
  it('under a moving handle the depth to chase to stays, and what is known of it is taken as it was', () => {
    const study = withShort(0.4);
    const { chase } = chaseOffer(study, 0.05, RATES);
    const known = chase ? [chase] : [];
    const moved = chaseOffer(study, 0.09, RATES, known);
    expect(moved.chase).toBe(chase);
    expect(moved.blend).toEqual(chaseOffer(study, 0.09, RATES).blend);
    // A side of another depth is none of these.
    expect(chaseOffer(withShort(0.3), 0.09, RATES, known).chase?.depthMm).toBeCloseTo(0.3, 9);
  });
  it('one shorter than the teeth can be jointed is not offered, nor is a tooth that is not there', () => {
    expect(chaseOffer(withShort(1.9), 0.05, RATES).chase).toBeNull();
    const gone = chaseOffer(withShort(0, [20]), 0, RATES);
    expect([gone.teeth.map((t) => t.tooth), gone.chase]).toEqual([[20], null]);
  });
});
