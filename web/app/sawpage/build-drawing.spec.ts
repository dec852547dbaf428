import { hollowLine, testDossier, testShop } from '../testing/test-dossier';
import { baseDrawing, drawnTooth, heightLane, setLane, spacingLane } from './build-drawing';

describe('a saw drawn from its own numbers', () => {
  const say = String;
  const dossier = testDossier('plan');
  const tooth = drawnTooth(dossier, testShop().book.habits);

  it('has one entry a standing tooth, and knows the broken ones', () => {
    const readings = hollowLine(10).map((r) =>
      r.tooth === 4 ? { ...r, kind: 'missing' as const } : r.tooth === 6 ? { ...r, kind: 'broken' as const } : r,
    );
    const drawing = baseDrawing(dossier, readings, tooth);
    expect([...drawing.teeth]).toEqual([1, 2, 3, 5, 6, 7, 8, 9, 10]);
    expect([...drawing.broken]).toEqual([6]);
    expect(drawing.toothHeightMm).toBeCloseTo(2 / Math.tan(Math.PI / 3), 12);
  });

  it('heights are over their own straight line: a tilted straight edge draws level', () => {
    const tilted = hollowLine(12).map((r) => ({ ...r, yMm: 0.01 * r.xMm }));
    for (const value of heightLane(tilted, say).values) expect(value).toBeCloseTo(0, 12);
  });

  it('spacing over a missing tooth counts two pitches', () => {
    const readings = [0, 2, 6, 8].map((xMm, i) => ({
      ...(hollowLine(1)[0] as ReturnType<typeof hollowLine>[number]),
      xMm,
      tooth: [1, 2, 4, 5][i] as number,
    }));
    const lane = spacingLane(readings, 2, 0.2, say);
    expect(Number.isNaN(lane.values[0])).toBeTrue();
    expect([...lane.values.slice(1)]).toEqual([0, 0, 0]);
  });

  it('before and after meet tooth by tooth, whatever is missing in one of them', () => {
    const before = hollowLine(6);
    const after = hollowLine(6)
      .filter((r) => r.tooth !== 3)
      .map((r) => ({ ...r, setMm: 0.07 }));
    const lane = setLane(after, say, before);
    expect([...lane.values]).toEqual([0.07, 0.07, 0.07, 0.07, 0.07]);
    expect([...(lane.before ?? [])]).toEqual([0.05, 0.05, 0.05, 0.05, 0.05]);
  });
});
