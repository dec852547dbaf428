import type { Saw } from '@odontis/core/saw/saw';
import { evidenceFromRows, rowsFromSession } from './evidence-csv';

const RAKER: Saw = {
  name: 'A saw',
  marksOnIt: '',
  family: 'crosscut',
  filing: 'crosscut',
  kind: 'two-man',
  pattern: 'CCR',
  backFixing: 'none',
  convention: 'points',
  pitchMm: 15,
  toothLineMm: 1500,
  plateThicknessMm: 1.8,
  plateDepthHeelMm: 150,
  plateDepthToeMm: 150,
};
const gaugedFromRows = (cells: string[][], saw: Saw) => {
  const read = evidenceFromRows(cells, saw);
  if (read.ok && read.holds !== 'lengths') throw new Error(read.holds);
  return read;
};
const rows = (text: string): string[][] => text.split('\n').map((line) => line.split(','));

describe('gauge readings as CSV', () => {
  it('takes any quantity of this saw in any unit, with a decimal comma’s cells whole', () => {
    const read = gaugedFromRows(
      rows('quantity,place,value_thou,gauge\nraker-depth,3,15,\nthickness,500,71,caliper'),
      RAKER,
    );
    if (!read.ok) throw new Error('refused');
    expect(read.rows.map((r) => [r.quantity, r.part, r.place, r.gauge])).toEqual([
      ['raker-depth', null, 3, 'straight-edge'],
      ['thickness', null, 500, 'caliper'],
    ]);
    expect(read.rows[0]?.valueMm).toBeCloseTo(0.381, 9);
    const comma = gaugedFromRows(
      [
        ['quantity', 'place', 'value_mm'],
        ['set', '1', '0,25'],
      ],
      RAKER,
    );
    expect(comma.ok && comma.rows[0]?.valueMm).toBe(0.25);
  });

  it('names every bad line and takes nothing', () => {
    const read = gaugedFromRows(
      rows(
        'quantity,place,value_mm,part,gauge\nraker-depth,4,0.3,,\nchipper-height,1,0.3,,\nset,1,wide,,\nset,1,0.3,left,\nset,1,0.3,,thumb\nset,1,0.3,,',
      ),
      RAKER,
    );
    expect(read.ok).toBeFalse();
    expect(!read.ok && read.faults.map((f) => f.line)).toEqual([2, 3, 4, 5, 6]);
    for (const [text, says] of [
      ['', /empty/],
      ['quantity,value_mm\nset,1', /quantity and place/],
      ['quantity,place,value\nset,1,2', /value_mm, value_thou or value_in/],
      ['quantity,place,value_mm', /no reading under it/],
    ] as const) {
      const bad = gaugedFromRows(rows(text), RAKER);
      expect(!bad.ok && bad.faults[0]?.message).toMatch(says);
    }
  });

  it('a session written out comes in again: the same readings', () => {
    const taken = [
      {
        key: 'a',
        quantity: 'raker-depth',
        part: null,
        place: 3,
        value: 0.381,
        simulated: false,
        gauge: 'straight-edge',
        setAside: false,
        corrects: null,
        by: '=SUM(1)',
        at: '2031-05-01',
      },
      {
        key: 'b',
        quantity: 'bow',
        part: null,
        place: 750,
        value: -2.5,
        simulated: true,
        gauge: 'eye',
        setAside: true,
        corrects: null,
        by: 'Wren',
        at: '2031-05-01',
      },
    ] as const;
    const out = rowsFromSession({ readings: taken }).lengths;
    expect(out[1]?.[9]).toBe("'=SUM(1)");
    // A stand-in's reading says so wherever it goes.
    expect(out[2]?.[6]).toBe('yes');
    const read = gaugedFromRows(out, RAKER);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.rows).toEqual(
      taken.map(({ quantity, part, place, value, gauge }) => ({ quantity, part, place, valueMm: value, gauge })),
    );
  });
});
