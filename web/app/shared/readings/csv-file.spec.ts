import { parseReadings } from './csv-file';

describe('CSV text as it comes from spreadsheets', () => {
  const heights = (text: string): number[] | string => {
    const result = parseReadings(text, 2);
    return result.ok ? result.readings.map((r) => r.yMm) : (result.faults[0]?.message ?? '');
  };

  it('finds semicolons, tabs and a byte-order mark, and reads decimal commas', () => {
    expect(heights('\uFEFFtooth;y_mm\r\n1;0\r\n2;-0,12\r\n')).toEqual([0, -0.12]);
    expect(heights('tooth\ty_mm\n1\t0\n2\t-0.5')).toEqual([0, -0.5]);
  });

  it('takes quoted cells with commas and line ends in them', () => {
    const result = parseReadings('tooth,y_mm,note\n1,0,"nail, old\nand bent"\n2,0,', 2);
    expect(result.ok && result.readings[0]?.note).toBe('nail, old\nand bent');
  });

  it('says what is wrong with prose, an empty file and a picture', () => {
    expect(heights('Dear saw filer')).toContain('not known');
    expect(heights('')).toBe('The file is empty.');
    expect(typeof heights('\u0089PNG\r\n\u001a\n\u0000\u0000')).toBe('string');
  });
});
