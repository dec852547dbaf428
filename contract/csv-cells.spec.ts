import { safeCell, wordsIn } from './csv-cells';

describe('cells that a spreadsheet might run', () => {
  it('words that begin like a formula are guarded, plain numbers never, and all come back as they were', () => {
    for (const bad of ['=SUM(A1)', '+1+cmd', '-2+cmd|', '@x', '\t=1', '\r=1']) {
      expect(safeCell(bad)).toBe(`'${bad}`);
      expect(wordsIn(safeCell(bad))).toBe(bad);
    }
    for (const good of ['-2.5', '+3', '-0,25', '1e-3', 'left outer', "it's", '']) expect(safeCell(good)).toBe(good);
  });
});
