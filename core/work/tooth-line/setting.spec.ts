import { familySet } from '../../set/family-set';
import type { SawOf } from '../../saw/saw';
import { MM_PER_THOU } from '../../units/length';
import { DEFAULT_HABITS } from '../habits';
import { decideSetting } from './setting';
import { lineInputsOf, lineSawOf } from './inputs';
import { makeOrder } from './make-order';
import { studyLine } from './study';
import type { LineInputs } from './inputs';

/** Sixty teeth of a five point rip saw, level but for a hair; set as told, a side. mm. */
function inputsOf(setMm: number, more: Partial<LineInputs> = {}): LineInputs {
  const readings = Array.from({ length: 60 }, (_, i) => ({
    ...{ tooth: i + 1, xMm: 5 * i, yMm: i === 30 ? 0 : -0.005, kind: 'tooth' as const, note: null },
    ...{ lean: i % 2 === 0 ? ('left' as const) : ('right' as const), setMm: setMm * (i % 2 === 0 ? 1.2 : 1) },
  }));
  const saw: SawOf<'hand'> = {
    ...{ name: 'x', family: 'hand', filing: 'rip', backFixing: 'none', convention: 'points', marksOnIt: '' },
    ...{ pitchMm: 5, toothLineMm: 295, plateThicknessMm: 0.9, plateDepthHeelMm: 150, plateDepthToeMm: 80 },
  };
  return lineInputsOf({
    saw: lineSawOf(saw, { filing: 'rip', wood: 'dry-soft' }, 60),
    angles: DEFAULT_HABITS.angles.rip,
    readings,
    ...more,
  });
}

describe('set anew, evened out or left', () => {
  it('a joint of a hair leaves the set alone; one that cuts into the bend takes it out', () => {
    // Five points: 2.89 mm high, so bent over 0.96 mm: 0.2 thou is a two-hundredth of it, 0.2 mm a fifth.
    const study = studyLine(inputsOf(0.13));
    expect(decideSetting(study, 'tune', 0.2 * MM_PER_THOU).reset).toBeFalse();
    expect(decideSetting(study, 'tune', 0.2).reset).toBeTrue();
    const hair = makeOrder(study, 0.2 * MM_PER_THOU);
    expect(hair.steps.map((step) => step.kind)).not.toContain('flatten-set');
    expect(hair.steps.map((step) => step.kind)).not.toContain('set');
    const deep = makeOrder(study, 0.2);
    expect(deep.steps.map((step) => step.kind)).toContain('flatten-set');
  });
  it('what is chosen is done, whatever the rules say', () => {
    const wish = (choice: 'renew' | 'leave' | 'dress') => studyLine(inputsOf(0.13, { setWish: { choice, mm: null } }));
    expect(decideSetting(wish('renew'), 'sharpen', 0).reset).toBeTrue();
    expect(decideSetting(wish('leave'), 'tune', 0.2).reset).toBeFalse();
    expect(decideSetting(wish('dress'), 'sharpen', 0).reset).toBeFalse();
  });
  it('by hand: evened out, the heavier side is stoned down to the lesser', () => {
    // 0.156 on the left, 0.13 on the right: 0.026 mm over, a few passes of the stone.
    const order = makeOrder(studyLine(inputsOf(0.13, { setWish: { choice: 'dress', mm: null } })), 0);
    const stone = order.steps.find((step) => step.kind === 'stone');
    expect([stone?.side, stone?.targetMm]).toEqual(['left', jasmine.any(Number)]);
    expect(stone?.targetMm).toBeCloseTo(0.13, 9);
    expect(stone?.passes).toBeGreaterThan(1);
  });
  it('this saw’s own set stands in for the table’s, never above half the plate; a shop’s own table for the trade’s', () => {
    expect(studyLine(inputsOf(0.13, { setWish: { choice: null, mm: 0.2 } })).set.perSideMm).toBeCloseTo(0.2, 12);
    expect(studyLine(inputsOf(0.13, { setWish: { choice: null, mm: 2 } })).set.perSideMm).toBeCloseTo(0.45, 12);
    const wood = { moisture: 'dry', timber: 'medium' } as const;
    expect(familySet('hand', wood, 'ordinary', 0.9, { tableMm: 0.1 }).perSideMm).toBeCloseTo(0.1, 12);
    // The trade's range of fine back saws holds the trade's table alone.
    expect(familySet('back', wood, 'ordinary', 0.9, { tableMm: 0.15 }).perSideMm).toBeCloseTo(0.15, 12);
    expect(familySet('hand', wood, 'ordinary', 0.9).perSideMm).toBeCloseTo(5 * MM_PER_THOU, 12);
  });
});
