import { handOf } from '../calibration/hand';
import type { LengthQuantity } from '../evidence/quantities';
import type { LengthReading } from '../evidence/reading';
import { sidesOf } from '../evidence/sides';
import { ordinarySaw } from '../saw/ordinary-saws';
import type { Saw } from '../saw/saw';
import type { BandCut } from '../set/band-cut-verdict';
import { judgeCut } from './judge-cut';

const reading = (
  quantity: LengthQuantity,
  place: number,
  value: number,
  part: string | null = null,
): LengthReading => ({
  ...{ key: `${quantity}-${part}-${place}`, quantity, place, value, gauge: 'indicator', part },
  ...{ setAside: false, corrects: null, simulated: false },
});
const CLEAN: BandCut = { runs: 'true', binds: false, chatters: false };
/** A cut judged on what was read after the work; without an order nothing is wanted of its set. */
const judged = (saw: Saw, readings: LengthReading[], seen: Partial<BandCut> = {}) =>
  judgeCut(
    { ...CLEAN, ...seen },
    {
      ...{ saw, order: null, line: null, hand: handOf([]) },
      sessions: [
        { key: 'before', kind: 'before', readings: [reading('set', 20, 9)] },
        { key: 'after', kind: 'after', readings },
      ],
    },
  );

describe('a test cut of any saw', () => {
  it('is judged on what was read after the work, never before', () => {
    const saw = ordinarySaw('rip');
    const unread = judged(saw, [], { runs: 'left' });
    expect([unread.verdict, unread.set]).toEqual(['again', null]);
    expect(unread.advice).toContain('measure-set');
    const sides = sidesOf(saw);
    const set = [1, 2, 3, 4, 5, 6].map((tooth) => reading('set', tooth, sides(tooth) === 'left' ? 0.2 : 0.1));
    const { stoning, set: read } = judged(saw, set, { runs: 'left' });
    expect(read?.left.meanMm).toBeCloseTo(0.2, 9);
    expect(read?.right.count).toBe(3);
    expect([stoning.side, stoning.passes > 0]).toEqual(['left', true]);
  });

  it('of a blade by its dial: unread it is asked for, uneven it is equalised again', () => {
    const saw = ordinarySaw('blade-crosscut');
    expect(judged(saw, [], { chatters: true }).advice).toContain('read-dial');
    const rim = (high: number) =>
      Array.from({ length: 12 }, (_, i) => reading('runout', 1 + i * 3, i === 4 ? high : 0.001 * (i % 2)));
    expect(judged(saw, rim(0.4), { chatters: true }).advice).toContain('equalise-again');
    expect(judged(saw, rim(0), { chatters: true }).advice).not.toContain('equalise-again');
  });

  it('of a set by the floor of its test groove', () => {
    const saw = ordinarySaw('dado');
    if (saw.family !== 'dado') throw new Error('This is no set.');
    const floor = (step: number) => saw.parts.map(({ id }, i) => reading('groove-step', 1, i === 0 ? step : 0, id));
    expect(judged(saw, floor(0.3), { chatters: true }).advice).toContain('equalise-again');
    expect(judged(saw, floor(0), { chatters: true }).advice).not.toContain('equalise-again');
  });

  it('of a band, the beat by the tooth that stands out; a clean cut passes whatever the saw, a set’s with its groove gauged', () => {
    const band = ordinarySaw('band-narrow');
    const heights = [20, 21, 22, 60, 61, 90].map((tooth) => reading('height', tooth, tooth === 21 ? 0.2 : 0));
    expect(judged(band, heights, { chatters: true, beatAt: 20 }).advice).toContain('blend-tooth');
    for (const id of ['rip', 'blade-crosscut', 'dado', 'band-narrow'])
      expect(judged(ordinarySaw(id), []).verdict).toBe(id === 'dado' ? 'open' : 'pass');
  });
});
