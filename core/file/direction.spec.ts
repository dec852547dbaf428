import { evenSaw } from '../reference/random-saw';
import { axisTurn, gulletDirection, leanDisagreements, pointSide } from './direction';

describe('which way the file points (geometry section 3)', () => {
  const leaning = (lean: 'left' | 'right') => ({ tooth: 7, xMm: 0, yMm: 0, kind: 'tooth' as const, lean });

  it('into the face of the tooth leaning away: stand across from its lean, tip to the toe', () => {
    expect(gulletDirection(leaning('right'), 25, 'face-of-away')).toEqual({
      gullet: 7,
      standOn: 'left',
      tipTowards: 'toe',
    });
    expect(gulletDirection(leaning('left'), 25, 'face-of-away').standOn).toBe('right');
  });
  it('into the back of the tooth leaning away: stand on the side this tooth leans to, tip to the handle', () => {
    expect(gulletDirection(leaning('right'), 25, 'back-of-away')).toEqual({
      gullet: 7,
      standOn: 'right',
      tipTowards: 'heel',
    });
  });
  it('both schools cut the same gullet along the same axis', () => {
    // Tip to toe from the left and tip to heel from the right are one line: dx/dz has one sign.
    for (const lean of ['left', 'right'] as const) {
      const dxdz = (['face-of-away', 'back-of-away'] as const).map((school) => {
        const d = gulletDirection(leaning(lean), 25, school);
        const dz = d.standOn === 'left' ? 1 : -1;
        return Math.sign((d.tipTowards === 'toe' ? 1 : -1) * dz);
      });
      expect(dxdz).toEqual([Math.sign(axisTurn(lean, 25)), Math.sign(axisTurn(lean, 25))]);
    }
  });
  it('square across needs no side', () =>
    expect(gulletDirection(leaning('left'), 0, 'face-of-away').tipTowards).toBe('across'));
  it('the point is on the right where the turn grows', () => {
    expect(pointSide(0.4, -0.4)).toBe('right');
    expect(pointSide(-0.4, 0.4)).toBe('left');
    expect(pointSide(0.4, 0.4)).toBeNull();
  });
  it('names teeth that lean away from their point, and no others', () => {
    const alternate = evenSaw(8, 2).map((r, i) => ({ ...r, lean: i % 2 ? ('right' as const) : ('left' as const) }));
    expect(leanDisagreements(alternate, 20)).toEqual([]);
    const slipped = alternate.map((r) => (r.tooth === 5 ? { ...r, lean: 'right' as const } : r));
    expect(leanDisagreements(slipped, 20).map((d) => d.tooth)).toEqual([5, 6]);
    expect(leanDisagreements(slipped, 0).map((d) => d.tooth)).toEqual([5, 6]);
  });
});
