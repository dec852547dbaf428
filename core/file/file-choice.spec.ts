import { chooseFile, cornerShortfallMm, cornersUsed, FACE_TO_FLANK, TAPER_FILES } from './file-choice';
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
  it('counts corners by strokes', () => expect(cornersUsed(1800, choice(10, 0, 0))).toBe(2));
});
