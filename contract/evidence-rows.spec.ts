import type { AlikeReadings } from './evidence-rows';
import { readingsOf, sentReadings } from './evidence-rows';

const row = (order: number, key: string, place: number, value: unknown, corrects = ''): string =>
  [order, '2031-05-01 09:00:00.25+00', key, place, JSON.stringify(value), corrects].join('\t');
const alike = (quantity: AlikeReadings['quantity'], rows: readonly string[], more: Partial<AlikeReadings> = {}) => ({
  ...{ quantity, part: null, gauge: 'straight-edge' as const, by: 'First Hand', setAside: false, simulated: false },
  rows: rows.join('\n'),
  ...more,
});

describe('readings in rows', () => {
  it('are read in the order they were taken, whatever they are alike in', () => {
    const read = sentReadings.parse([
      alike('height', [row(2, 'b', 1, -0.1), row(5, 'e', 1, -0.2, 'b')], { simulated: true }),
      alike('note', [row(3, 'c', 1, 'a chip\tand “rust”\nbelow')]),
      alike('lean', [row(1, 'a', 1, 'left')], { part: 'outer', setAside: true }),
      alike('angles', [row(4, 'd', 2, { way: 'eye', point: 'left' })], { gauge: 'eye' }),
    ]);
    expect(read.map((r) => [r.key, r.quantity, r.value, r.corrects])).toEqual([
      ['a', 'lean', 'left', null],
      ['b', 'height', -0.1, null],
      ['c', 'note', 'a chip\tand “rust”\nbelow', null],
      ['d', 'angles', { way: 'eye', point: 'left' }, null],
      ['e', 'height', -0.2, 'b'],
    ]);
    expect(read[0]).toEqual(jasmine.objectContaining({ part: 'outer', setAside: true, simulated: false, place: 1 }));
    expect(read[1]).toEqual(
      jasmine.objectContaining({ simulated: true, by: 'First Hand', at: '2031-05-01T09:00:00.250Z' }),
    );
    expect(readingsOf([alike('height', [])])).toEqual([]);
  });

  it('reads a moment in whatever zone the database writes it', () => {
    const at = (written: string): string | undefined =>
      readingsOf([alike('height', [[1, written, 'k', 1, 0, ''].join('\t')])])?.[0]?.at;
    const noon = '2031-05-01T12:00:00.000Z';
    expect(['2031-05-01 12:00:00+00', '2031-05-01 17:30:00+05:30', '2031-05-01 09:00:00-03', noon].map(at)).toEqual([
      noon,
      noon,
      noon,
      noon,
    ]);
  });

  it('is no answer where a row is none: nothing of it is read', () => {
    const bad: [AlikeReadings['quantity'], string][] = [
      ['height', row(1, 'a', 1, 'left')],
      ['height', '1\t2031-05-01 09:00:00+00\ta\t1\t\t'],
      ['lean', row(1, 'a', 1, 'upwards')],
      ['kind', row(1, 'a', 1, 3)],
      ['note', '1\t2031-05-01 09:00:00+00\ta\t1\tunquoted\t'],
      ['angles', row(1, 'a', 1, { way: 'guess' })],
      ['height', row(1, '', 1, 0)],
      ['height', '1\tyesterday\ta\t1\t0\t'],
      ['height', 'x\t2031-05-01 09:00:00+00\ta\t1\t0\t'],
      ['height', '1\t2031-05-01 09:00:00+00\ta\there\t0\t'],
    ];
    for (const [quantity, rows] of bad)
      expect(sentReadings.safeParse([alike(quantity, [row(0, 'z', 2, 0), rows])]).success)
        .withContext(rows)
        .toBeFalse();
  });
});
