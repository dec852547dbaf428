import { plainFacts } from './plain-facts';
import { ordinarySaw } from '../saw/ordinary-saws';
import { lineSawAt } from '../saw/edges';
import type { SawOf } from '../saw/saw';
import { teethOf } from '../saw/saw';
import { PLAIN_WISH } from './family-work';
import { linesOfOrder, linesToCut } from './lines-of-order';
import { pullWork } from './families/pull/work';

describe('the lines an order works', () => {
  const saw: SawOf<'pull'> = { ...(ordinarySaw('pull-two-edged') as SawOf<'pull'>), ripPitchMm: 2.4, toothLineMm: 60 };
  const heights = (['crosscut', 'rip'] as const).flatMap((part) =>
    Array.from({ length: teethOf(lineSawAt(saw, part)) }, (_, i) => ({
      ...{
        key: `${part}${i}`,
        quantity: 'height' as const,
        place: i + 1,
        value: 0,
        gauge: 'straight-edge' as const,
        part,
      },
      ...{ setAside: false, corrects: null, simulated: false },
    })),
  );
  const studied = pullWork.study(plainFacts(saw, [{ key: 'a', kind: 'before', readings: heights }]), PLAIN_WISH);
  if (!studied.ok) throw new Error(studied.code);
  const order = pullWork.order(studied.study, 0, null);

  it('are both edges of a two-edged saw, the one of any other, none of a saw worked by hand', () => {
    expect(linesOfOrder(order).map((one) => [one.edge, one.targets.length])).toEqual([
      ['crosscut', teethOf(lineSawAt(saw, 'crosscut'))],
      ['rip', teethOf(lineSawAt(saw, 'rip'))],
    ]);
    const { beside: _other, ...one } = order;
    expect(linesOfOrder(one).length).toBe(1);
    expect(linesOfOrder({ ...order, forecast: null })).toEqual([]);
    expect(linesOfOrder(null)).toEqual([]);
  });

  it('are to be cut with until the last cut of each has passed', () => {
    const left = (...rounds: ['crosscut' | 'rip', 'pass' | 'again'][]) =>
      linesToCut(
        order,
        rounds.map(([edge, verdict]) => ({ edge, verdict })),
      ).map(({ edge }) => edge);
    expect(left()).toEqual(['crosscut', 'rip']);
    expect(left(['crosscut', 'pass'])).toEqual(['rip']);
    expect(left(['crosscut', 'pass'], ['rip', 'again'])).toEqual(['rip']);
    expect(left(['crosscut', 'pass'], ['rip', 'pass'])).toEqual([]);
    expect(left(['crosscut', 'pass'], ['crosscut', 'again'], ['rip', 'pass'])).toEqual(['crosscut']);
  });
});
