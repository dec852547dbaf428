import { ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import type { HandleKind } from './handle-shape';
import { handlePath, heldBy } from './handle-shape';

const box = { x: 10, y: 20, wide: 100, tall: 50 };
const numbers = (path: string): number[] =>
  path
    .split(' ')
    .map(Number)
    .filter((one) => !Number.isNaN(one));
const KINDS: readonly (HandleKind | 'grip')[] = ['closed', 'open', 'straight', 'pull', 'grip'];

describe('a saw’s handle', () => {
  it('is drawn within its box, its points in pairs', () => {
    for (const kind of KINDS) {
      const all = numbers(handlePath(kind, box));
      expect(all.length % 2)
        .withContext(kind)
        .toBe(0);
      expect(all.every((at, i) => (i % 2 === 0 ? at >= 10 && at <= 110 : at >= 20 && at <= 70)))
        .withContext(kind)
        .toBeTrue();
    }
  });
  it('in the vise stands on its head: the same points, each as far from the other edge', () => {
    const [down, up] = [numbers(handlePath('open', box)), numbers(handlePath('open', { ...box, teethUp: true }))];
    down.forEach((at, i) => expect(up[i]).toBeCloseTo(i % 2 === 0 ? at : 90 - at, 6));
  });
  it('is the one usual for the saw', () => {
    const held = new Set(
      ORDINARY_SAWS.map(({ saw }) => saw)
        .filter((saw) => saw.family !== 'band')
        .map((saw) => heldBy(saw)),
    );
    for (const kind of ['closed', 'open', 'pull', 'one-man', 'two-man', 'framed'] as const)
      expect(held.has(kind)).withContext(kind).toBeTrue();
    expect(heldBy({ family: 'back', toothLineMm: 150 })).toBe('straight');
    expect(heldBy({ family: 'hand', toothLineMm: 150 })).toBe('closed');
  });
});
