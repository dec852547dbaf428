import { chooseFile, cornerShortfallMm, FACE_TO_FLANK, TAPER_FILES } from './file-choice';
import { toothFor, toothHeightMm } from './flank-angles';
import { pitchMmFromCount } from '../units/points';

const choice = (points: number, rake: number, fleam: number) => {
  const tooth = toothFor(rake, fleam);
  return chooseFile(toothHeightMm(pitchMmFromCount(points, 'points'), tooth), tooth, fleam);
};

describe('file choice', () => {
  it('a face at least twice the flank, and the next narrower is less', () => {
    for (const points of [5, 8, 10, 12, 15, 17]) {
      const { file, flankMm } = choice(points, 0, 0);
      const narrower = TAPER_FILES[TAPER_FILES.indexOf(file) - 1];
      expect(file.faceMm).toBeGreaterThanOrEqual(FACE_TO_FLANK * flankMm);
      if (narrower) expect(narrower.faceMm).toBeLessThan(FACE_TO_FLANK * flankMm);
    }
  });
  it('the flank of a square-filed upright tooth is h / cos 60', () => {
    const pitch = pitchMmFromCount(15, 'points');
    expect(choice(15, 0, 0).flankMm).toBeCloseTo((pitch / Math.tan(Math.PI / 3)) * 2, 9);
  });
  it('says when even the widest is too narrow', () => expect(choice(2.5, 0, 0).tooNarrow).toBeTrue());
  it('a corner of radius r leaves r unfiled in a 60-degree V', () =>
    expect(cornerShortfallMm(0.1, 60)).toBeCloseTo(0.1, 12));
  it('of files at hand the next wider that is there, two sizes at most; else the right one, and that it lacks', () => {
    const names = TAPER_FILES.map(({ name }) => name);
    const right = choice(12, 0, 0).file;
    const at = names.indexOf(right.name);
    const pick = (atHand: readonly string[]) => {
      const tooth = toothFor(0, 0);
      const found = chooseFile(toothHeightMm(pitchMmFromCount(12, 'points'), tooth), tooth, 0, atHand);
      return [names.indexOf(found.file.name) - at, found.lacking?.name ?? null];
    };
    expect(pick(names)).toEqual([0, null]);
    expect(pick(names.slice(at + 1))).toEqual([1, right.name]);
    expect(pick(names.slice(at + 2))).toEqual([2, right.name]);
    // Three sizes wider rounds the gullet, and a narrower one wears two teeth at once.
    expect(pick(names.slice(at + 3))).toEqual([0, right.name]);
    expect(pick(names.slice(0, at))).toEqual([0, right.name]);
    expect(choice(12, 0, 0).lacking).toBeNull();
  });
});
