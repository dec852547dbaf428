import type { AlikeReadings } from './evidence-rows';
import { readingsOf, sentReadings } from './evidence-rows';

const row = (order: number, key: string, place: number, value: unknown, corrects = ''): string =>
  [order, key, place, corrects, JSON.stringify(value)].join(' ');
const alike = (quantity: AlikeReadings['quantity'], rows: readonly string[], more: Partial<AlikeReadings> = {}) => ({
  ...{ quantity, part: null, gauge: 'straight-edge' as const, by: 'First Hand', setAside: false, simulated: false },
  at: '2031-05-01T09:00:00.250Z',
  rows: rows.join('\n'),
  ...more,
});

describe('readings in rows', () => {
  it('are read in the order they were taken, whatever they are alike in', () => {
    const read = sentReadings.parse([
      alike('height', [row(2, 'b', 1, -0.1), row(5, 'e', 1, -0.2, 'b')], { simulated: true }),
      alike('note', [row(3, 'c', 1, 'a chip  and “rust”\nbelow')]),
      alike('lean', [row(1, 'a', 1, 'left')], { part: 'outer', setAside: true }),
      alike('angles', [row(4, 'd', 2, { way: 'eye', point: 'left' })], { gauge: 'eye' }),
    ]);
    expect(read.map((r) => [r.key, r.quantity, r.value, r.corrects])).toEqual([
      ['a', 'lean', 'left', null],
      ['b', 'height', -0.1, null],
      ['c', 'note', 'a chip  and “rust”\nbelow', null],
      ['d', 'angles', { way: 'eye', point: 'left' }, null],
      ['e', 'height', -0.2, 'b'],
    ]);
    expect(read[0]).toEqual(jasmine.objectContaining({ part: 'outer', setAside: true, simulated: false, place: 1 }));
    expect(read[1]).toEqual(
      jasmine.objectContaining({ simulated: true, by: 'First Hand', at: '2031-05-01T09:00:00.250Z' }),
    );
    expect(readingsOf([alike('height', [])])).toEqual([]);
  });

  it('is no answer where a row is none: nothing of it is read', () => {
    const bad: [AlikeReadings['quantity'], string][] = [
      ['height', row(1, 'a', 1, 'left')],
      ['height', '1 a 1  '],
      ['lean', row(1, 'a', 1, 'upwards')],
      ['kind', row(1, 'a', 1, 3)],
      ['note', '1 a 1  unquoted'],
      ['angles', row(1, 'a', 1, { way: 'guess' })],
      ['height', row(1, '', 1, 0)],
      ['height', 'x a 1  0'],
      ['height', '1 a here  0'],
    ];
    for (const [quantity, rows] of bad)
      expect(sentReadings.safeParse([alike(quantity, [row(0, 'z', 2, 0), rows])]).success)
        .withContext(rows)
        .toBeFalse();
    expect(sentReadings.safeParse([alike('height', [row(0, 'z', 2, 0)], { at: 'yesterday' })]).success).toBeFalse();
  });
});
