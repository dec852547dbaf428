import fc from 'fast-check';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { evidenceFromRows } from './evidence-csv';
import { rowsFromLine } from './line-csv';
import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';

const rows = (text: string, by = ','): string[][] => text.split('\n').map((line) => line.split(by));
const SAW = { ...ordinarySaw('tenon'), pitchMm: 2 };
const read = (cells: string[][]) => evidenceFromRows(cells, SAW);
const good = (text: string, by = ','): readonly ToothReading[] => {
  const result = read(rows(text, by));
  if (!result.ok || result.holds !== 'line') throw new Error(JSON.stringify(result));
  return result.teeth;
};
const faults = (text: string): string[] => {
  const result = read(rows(text));
  return result.ok ? [] : result.faults.map((f) => `${f.line}: ${f.message}`);
};

describe('a tooth line as CSV', () => {
  it('reads units from the heading', () => {
    const [, second] = good('tooth,x_in,y_thou,set_mm\n1,0,0,0.05\n2,0.1,-4,0.06');
    expect(second?.xMm).toBeCloseTo(2.54, 12);
    expect(second?.yMm).toBeCloseTo(-0.1016, 12);
    expect(second?.setMm).toBeCloseTo(0.06, 12);
  });
  it('takes a byte-order mark, semicolons with decimal commas, capitals and empty lines at the end', () => {
    expect(good('\uFEFFTooth;X_mm;Y_mm\n1;0;-0,12\n2;1,8;0\n\n', ';').map((r) => r.yMm)).toEqual([-0.12, 0]);
  });
  it('places teeth by the pitch where no place was measured', () => {
    expect(good('tooth,y_mm\n1,0\n2,0\n3,-0.1').map((r) => r.xMm)).toEqual([0, 2, 4]);
  });
  it('keeps lean, kind and note', () => {
    const [first] = good('tooth,x_mm,y_mm,lean,kind,note\n1,0,,Left,missing,nail');
    expect(first).toEqual({ tooth: 1, xMm: 0, yMm: 0, lean: 'left', setMm: null, kind: 'missing', note: 'nail' });
  });
  it('names every bad line and imports nothing', () => {
    expect(faults('tooth,x_mm,y_mm\n1,0,flat\n2,2,0\nx,4,0\n4,,0')).toEqual([
      '2: y is "flat", which is not a number.',
      `4: The tooth's number is "x", which is not a whole number.`,
      '5: x is empty. Leave the whole column out to place the teeth by the pitch.',
    ]);
  });
  it('says which column is wrong or has no unit', () => {
    expect(faults('tooth,x,y_mm\n1,0,0')[0]).toContain('says no unit');
    expect(faults('tooth,x_mm,y_mm,colour\n1,0,0,red')[0]).toContain('"colour" is not known');
    expect(faults('x_mm,y_mm\n0,0')[0]).toContain('no column "tooth"');
    expect(faults('tooth,x_mm\n1,0')[0]).toContain('heights');
  });
  it('names a missing tooth by its line, and places that do not rise', () => {
    expect(faults('tooth,x_mm,y_mm\n1,0,0\n3,4,0')[0]).toMatch(/^3: Tooth 2 is expected/);
    expect(faults('tooth,x_mm,y_mm\n1,0,0\n2,0,0')[0]).toMatch(/^3: Tooth 2 must stand further/);
  });
  it('refuses 100,000 rows, an empty file and a lonely heading in one line', () => {
    const many = ['tooth,y_mm', ...Array.from({ length: 100_000 }, (_, i) => `${i + 1},0`)].join('\n');
    expect(faults(many)).toEqual([jasmine.stringContaining('100000 rows') as unknown as string]);
    expect(faults('')).toEqual(['1: The file is empty.']);
    expect(faults('tooth,y_mm')).toEqual(['1: There is a heading but no tooth under it.']);
  });
  it('reads back what it wrote, and never lets a note run as a formula', () => {
    const reading = fc.record({
      y: fc.double({ min: -5, max: 5, noNaN: true }),
      set: fc.option(fc.double({ min: -0.4, max: 0.4, noNaN: true })),
      note: fc.constantFrom(null, '=1+1', '-2.5', '-x', '@a', 'plain', 'ä "quoted"; note'),
      lean: fc.constantFrom<'left' | 'right' | null>('left', 'right', null),
    });
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 20 }), (list) => {
        const readings = list.map((r, i): ToothReading => ({
          tooth: i + 1,
          xMm: i * 2,
          yMm: r.y,
          lean: r.lean,
          setMm: r.set,
          kind: 'tooth',
          note: r.note,
        }));
        const written = rowsFromLine(readings);
        for (const row of written.slice(1)) expect(row[6]).not.toMatch(/^[=+@]|^-(?![\d.])/);
        const back = read(written);
        if (!back.ok || back.holds !== 'line') throw new Error(JSON.stringify(back));
        back.teeth.forEach((r, i) => {
          expect(r.yMm).toBeCloseTo(readings[i]?.yMm ?? NaN, 5);
          expect(r.note).toBe(readings[i]?.note);
          expect(r.lean).toBe(readings[i]?.lean);
        });
      }),
    );
  });
});
