import { ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import { FAMILIES } from '@odontis/core/saw/all-families';
import { plateShape } from './plate-shape';

const saw = (more: object = {}) => ({
  family: 'back' as const,
  backFixing: 'folded' as const,
  toothLineMm: 300,
  pitchMm: 2,
  plateDepthHeelMm: 60,
  plateDepthToeMm: 50,
  ...more,
});
const disc = (more: object = {}) =>
  saw({ family: 'circular', backFixing: 'none', diameterMm: 250, boreMm: 30, ...more });

describe('the picture of a saw', () => {
  it('is to its own proportions: twice as deep is drawn twice as deep', () => {
    const depth = (mm: number): number => {
      const shape = plateShape(saw({ plateDepthHeelMm: mm }));
      return shape.at(0, 1).y - shape.at(0, 0).y;
    };
    expect(depth(120) / depth(60)).toBeCloseTo(2, 9);
  });
  it('a place of it and a mark’s shares are one another’s way back, for every family', () => {
    for (const family of FAMILIES) {
      const shape =
        family === 'circular' || family === 'dado' ? plateShape(disc({ family })) : plateShape(saw({ family }));
      for (const [along, down] of [
        [0.1, 0.2],
        [0.5, 0.95],
        [0.87, 0.4],
      ] as const) {
        const { x, y } = shape.at(along, down);
        const back = shape.from(x, y);
        expect(back.along).withContext(family).toBeCloseTo(along, 9);
        expect(back.down).withContext(family).toBeCloseTo(down, 9);
      }
      const far = shape.from(-1000, -1000);
      expect(Math.min(far.along, far.down)).toBeGreaterThanOrEqual(0);
      expect(Math.max(far.along, far.down)).toBeLessThanOrEqual(1);
    }
  });
  it('a wheel goes round clockwise from its top', () => {
    const shape = plateShape(disc());
    const top = shape.at(0, 1);
    const right = shape.at(0.25, 1);
    expect(right.x).toBeGreaterThan(top.x);
    expect(right.y).toBeGreaterThan(top.y);
  });
  it('a shim has no teeth, a chipper as many wings as teeth', () => {
    const wings = (teeth: number): number =>
      plateShape(disc({ family: 'dado' }), { kind: 'chipper', teeth }).outline.split('L').length;
    expect(plateShape(disc({ family: 'dado' }), { kind: 'shim', teeth: 0 }).outline).toContain('a');
    expect(wings(4)).toBe(2 * wings(2));
  });
  it('no ordinary saw’s picture has a number that is none', () => {
    for (const { id, saw: ordinary } of ORDINARY_SAWS) {
      const { outline, height } = plateShape(ordinary);
      expect(outline).withContext(id).not.toContain('NaN');
      expect(height).toBeGreaterThan(0);
    }
  });
});
