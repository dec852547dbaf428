import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';
import { readCsv } from './csv-file';

describe('CSV text as it comes from spreadsheets', () => {
  const read = (text: string) => readCsv(text, ordinarySaw('tenon'));
  const heights = (text: string): number[] | string => {
    const result = read(text);
    if (!result.ok) return result.faults[0]?.message ?? '';
    return result.holds === 'line' ? result.teeth.map((r) => r.yMm) : result.holds;
  };

  it('finds semicolons, tabs and a byte-order mark, and reads decimal commas', () => {
    expect(heights('\uFEFFtooth;y_mm\r\n1;0\r\n2;-0,12\r\n')).toEqual([0, -0.12]);
    expect(heights('tooth\ty_mm\n1\t0\n2\t-0.5')).toEqual([0, -0.5]);
  });

  it('takes quoted cells with commas and line ends in them', () => {
    const result = read('tooth,y_mm,note\n1,0,"nail, old\nand bent"\n2,0,');
    expect(result.ok && result.holds === 'line' && result.teeth[0]?.note).toBe('nail, old\nand bent');
  });

  it('is read by what its heading says it holds, at whichever desk it is opened', () => {
    expect(heights('quantity,place,value_mm\nset,1,0.06')).toBe('lengths');
    expect(heights('way,tooth,rake_deg\nbevel,1,-15')).toBe('angles');
  });

  it('says what is wrong with prose, an empty file and a picture', () => {
    expect(heights('Dear saw filer')).toContain('not known');
    expect(heights('')).toBe('The file is empty.');
    expect(typeof heights('\u0089PNG\r\n\u001a\n\u0000\u0000')).toBe('string');
  });
});
