import { handOf } from '../calibration/hand';
import type { LengthReading, Reading } from '../evidence/reading';
import { evenSaw, planInputs } from '../reference/random-saw';
import { ordinarySaw } from '../saw/ordinary-saws';
import type { Saw, SawOf } from '../saw/saw';
import { teethOf } from '../saw/saw';
import { hopMm } from '../testcut/hop';
import { USUAL_BOARD_MM } from '../testcut/foretold';
import { linesOfOrder } from './lines-of-order';
import type { WorkOrder } from './order';
import type { CutReported } from './read-cut';
import { readCut } from './read-cut';
import { makeOrder } from './tooth-line/make-order';
import { studyLine } from './tooth-line/study';

const reading = (quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
  ...{ key: `${quantity}-${place}`, quantity, place, value, gauge: 'indicator', part: null },
  ...{ setAside: false, corrects: null, simulated: false },
});
const CLEAN: CutReported = { runs: 'true', binds: false, chatters: false };
const back = ordinarySaw('dovetail') as SawOf<'back'>;
const inputs = planInputs(
  evenSaw(teethOf(back), back.pitchMm).map((r) => ({ ...r, yMm: -0.05 * Math.abs(Math.sin(r.tooth)), setMm: 0.05 })),
  back.pitchMm,
);
const order = makeOrder(studyLine(inputs), 0.05);
const read = (cut: Partial<CutReported>, after: readonly Reading[], saw: Saw = back, of: WorkOrder | null = order) =>
  readCut(
    { ...CLEAN, ...cut },
    {
      ...{ saw, order: of, line: linesOfOrder(of)[0] ?? null, hand: handOf([]) },
      sessions: [{ key: 'after', kind: 'after', readings: after }],
    },
    'dry-soft',
  );
const sides = (left: number, right: number): LengthReading[] =>
  Array.from({ length: 10 }, (_, i) => reading('set', i + 1, (i % 2 === 0 ? left : right) + 0.001 * (i % 3)));
const heights = (of: (tooth: number) => number): LengthReading[] =>
  Array.from({ length: teethOf(back) }, (_, i) => [
    reading('place', i + 1, i * back.pitchMm),
    reading('height', i + 1, of(i + 1)),
  ]).flat();

describe('a test cut read beside the foretold one', () => {
  it('stands beside what its order promised and what was measured since', () => {
    const told = read({}, sides(0.06, 0.05));
    expect(told.foretold?.section?.widthMm).toBeCloseTo(order.forecast.cut.kerfMm, 9);
    expect(told.since?.section?.widthMm).toBeCloseTo(inputs.saw.plateThicknessMm + 0.11 + 0.001 + 0.001, 3);
    expect(told.causes).toBeNull();
    expect(told.looks).toEqual([]);
    const bare = read({}, []);
    expect([bare.since, bare.stoning, bare.facts.known.set]).toEqual([null, null, null]);
  });

  it('a line measured again as a whole hops as it lies; a part of it is not taken for the whole', () => {
    const uneven = (tooth: number): number => (tooth === 40 ? 0.12 : 0);
    const whole = read({ chatters: true }, heights(uneven));
    const over = Float64Array.from({ length: teethOf(back) }, (_, i) => uneven(i + 1));
    const places = Float64Array.from(over, (_, i) => i * back.pitchMm);
    expect(whole.facts.known.hopMm).toBeCloseTo(hopMm(places, over, USUAL_BOARD_MM), 2);
    expect(whole.causes?.causes[0]?.cause).toBe('line-uneven');
    const part = read({ chatters: true }, heights(uneven).slice(0, 60));
    expect(part.facts.known.hopMm).toBeNull();
    expect(part.looks.map((one) => one.look)).toContain('heights');
  });

  it('anything wrong has causes, on its own numbers; a wall or a line alone is enough', () => {
    const left = read({ runs: 'left' }, sides(0.09, 0.05));
    expect(left.causes?.causes[0]?.cause).toBe('set-left');
    expect(left.stoning?.[0]?.differenceMm).toBeCloseTo(0.04, 2);
    expect(read({ wall: 'torn' }, []).causes).not.toBeNull();
    expect(read({ offLine: { mm: 3, overMm: 100 } }, []).causes).not.toBeNull();
    expect(read({ offLine: { mm: 0.3, overMm: 100 } }, []).causes).toBeNull();
    // A second cut that went another way is the hand's.
    const again = read({ runs: 'left', again: 'other' }, sides(0.05, 0.05));
    const once = read({ runs: 'left' }, sides(0.05, 0.05));
    const hand = (of: typeof again): number => of.causes?.causes.find((one) => one.cause === 'hand')?.odds ?? 0;
    expect(hand(again)).toBeGreaterThan(2 * hand(once));
  });

  it('what goes round is as uneven as its rim; a band beats at its weld or away from it; a saw worked by hand has causes too', () => {
    const blade = ordinarySaw('blade-rip');
    const rim = Array.from({ length: teethOf(blade) }, (_, i) => reading('runout', i + 1, i === 3 ? 0.3 : 0));
    const told = read({ chatters: true }, rim, blade, null);
    expect(told.facts.known.hopMm).toBeGreaterThan(0.2);
    expect(told.causes?.remedies.map((one) => one.advice)).toContain('equalise-again');
    expect(told.causes?.causes.map((one) => one.cause)).not.toContain('hand');
    const band = ordinarySaw('band-narrow');
    expect(read({ chatters: true, beatAt: 1 }, [], band, null).causes?.causes[0]?.cause).toBe('weld');
    expect(read({ chatters: true, beatAt: 200 }, [], band, null).causes?.causes[0]?.cause).toBe('beat-tooth');
    expect(read({ binds: true }, [], ordinarySaw('dado'), null).saw.set).toBeFalse();
  });
});
