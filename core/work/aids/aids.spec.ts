import fc from 'fast-check';
import { evenSaw, planInputs } from '../../reference/random-saw';
import { fileInGullet } from '../../file/file-in-gullet';
import { makeOrder } from '../tooth-line/make-order';
import { studyLine } from '../tooth-line/study';
import { randomRakerSaw, rakerInputs } from '../../reference/random-raker-saw';
import { aidsOfOrder, fileBlock, fleamCard, jointerBend, shimStack } from './aids-of-order';
import type { AidPoint } from './bench-aid';

const angleOff = ([[x1, y1], [x2, y2]]: readonly [AidPoint, AidPoint]): number =>
  (Math.atan2(x1 - x2, y2 - y1) * 180) / Math.PI;

describe('bench aids at true scale', () => {
  it('a fleam card’s lines stand at the fleam, half of them either way, all on the card', () => {
    for (const fleam of [0, 12, 25, 35]) {
      const card = fleamCard(fleam);
      const angles = card.lines.map((line) => angleOff(line as [AidPoint, AidPoint]));
      for (const angle of angles) expect(Math.abs(angle)).toBeCloseTo(fleam, 9);
      expect(angles.filter((a) => a > 0).length).toBe(fleam === 0 ? 0 : angles.length / 2);
      expect(card.lines.length).toBeGreaterThan(4);
      for (const [x, y] of card.lines.flat()) {
        expect(x > 0 && x < card.widthMm).toBeTrue();
        expect(y > 0 && y < card.heightMm).toBeTrue();
      }
    }
  });

  it('a block’s triangle is the file as it stands in the gullet, about the hole’s middle, its corners in the hole’s rim', () => {
    const block = fileBlock(15, 8.3, 'a file');
    const [file] = block.lines as [AidPoint[]];
    const solid = fileInGullet({
      ...{ teeth: [{ tip: [0, 0], jointMm: 0, target: [0, 0], backDone: true, faceDone: true }], faceOf: 0 },
      ...{ rollDeg: 15, fleamDeg: 0, section: 'taper', fileFaceMm: 8.3, deeperMm: 0 },
    });
    const [cx, cy] = file[0] as AidPoint;
    solid.file.forEach(([x, y], i) => {
      expect((file[i] as AidPoint)[0] - cx).toBeCloseTo(x - solid.corner[0], 9);
      expect(cy - (file[i] as AidPoint)[1]).toBeCloseTo(y - solid.corner[1], 9);
    });
    const [{ at, diameterMm } = { at: [0, 0] as const, diameterMm: 0 }] = block.holes;
    // Corners of a triangle of side F lie F / sqrt 3 from its middle: 4.792 mm of 8.3, by hand.
    for (const [x, y] of file.slice(0, 3)) expect(Math.hypot(x - at[0], y - at[1])).toBeCloseTo(4.792, 3);
    expect(diameterMm / 2).toBeLessThan(4.792);
  });

  it('a jointer’s bend is an arc: its sagitta in the middle, every point as far from one centre', () => {
    const aid = jointerBend({ shoesMm: 150, bendMm: 0.56 });
    const arc = (aid.cuts[0] as AidPoint[]).slice(2, -3);
    expect(arc[0]?.[1]).toBeCloseTo(arc[arc.length - 1]?.[1] ?? NaN, 9);
    expect((arc[0]?.[1] ?? 0) - (arc[Math.floor(arc.length / 2)]?.[1] ?? 0)).toBeCloseTo(0.56, 9);
    const radius = 150 ** 2 / (8 * 0.56) + 0.28;
    const centre = [10 + 75, (arc[0]?.[1] ?? 0) + radius - 0.56] as const;
    for (const [x, y] of arc) expect(Math.hypot(x - centre[0], y - centre[1])).toBeCloseTo(radius, 6);
  });

  it('a plan has the aids that its steps want; a spacing strip’s marks are its targets, piece after piece', () => {
    const readings = evenSaw(170, 2);
    const plain = aidsOfOrder(makeOrder(studyLine(planInputs(readings, 2)), 0));
    expect(plain.map((aid) => aid.id)).toEqual(['fleam-card', 'file-block']);
    const order = makeOrder(studyLine(planInputs(readings, 2)), 0);
    const setOut = order.steps[0];
    if (!setOut) throw new Error('no step');
    const strips = aidsOfOrder({
      ...order,
      steps: [...order.steps, { ...setOut, kind: 'set-out', unit: 'whole' }],
    }).filter((aid) => aid.id === 'spacing-strip');
    expect(strips.length).toBe(2);
    const marks = strips.flatMap((strip, k) => strip.lines.slice(k === 0 ? 0 : 1).map((line) => line[0]?.[0] ?? NaN));
    expect(marks.length).toBe(170);
    for (const strip of strips) {
      const own = strip.lines.map((line) => line[0]?.[0] ?? NaN);
      for (let i = 1; i < own.length; i++) expect((own[i] ?? 0) - (own[i - 1] ?? 0)).toBeCloseTo(2, 9);
      expect(strip.widthMm).toBeLessThanOrEqual(252);
    }
  });

  it('shims are the leaves that come closest, as few as do; held against every three of them', () => {
    const leaves = [0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];
    expect(shimStack(0.3).leavesMm).toEqual([0.3]);
    expect(shimStack(0.35).leavesMm.length).toBe(2);
    fc.assert(
      fc.property(fc.double({ min: 0.04, max: 2, noNaN: true }), (mm) => {
        const { leavesMm, offMm } = shimStack(mm);
        expect(leavesMm.reduce((sum, leaf) => sum + leaf, 0)).toBeCloseTo(mm + offMm, 9);
        const two = leaves.flatMap((a) => leaves.map((b) => [a, b]));
        const all = [...leaves.map((a) => [a]), ...two, ...two.flatMap((pair) => leaves.map((c) => [...pair, c]))];
        const off = (of: readonly number[]): number => Math.abs(of.reduce((sum, leaf) => sum + leaf, 0) - mm);
        const least = Math.min(...all.map(off));
        // To what nobody can measure.
        expect(Math.abs(offMm)).toBeLessThan(least + 0.0021);
        const fewest = Math.min(...all.filter((of) => off(of) < least + 1e-9).map((of) => of.length));
        expect(leavesMm.length).toBeLessThanOrEqual(fewest);
      }),
      { numRuns: 60 },
    );
  });

  it('a saw whose rakers are gauged has a sheet of shims for every depth they are gauged to', () => {
    let gauged = 0;
    fc.assert(
      fc.property(randomRakerSaw(0.4, 0.3), (saw) => {
        const study = studyLine(rakerInputs(saw));
        const order = makeOrder(study, study.recommended.depthMm);
        const depths = order.steps.flatMap(({ kind, targetMm }) =>
          ['raker-tips', 'thin-rakers', 'rakers-again'].includes(kind) && targetMm !== null ? [targetMm] : [],
        );
        const shims = aidsOfOrder(order).filter((aid) => aid.id === 'raker-shims');
        expect(shims.length).toBe(new Set(depths).size);
        gauged += shims.length;
      }),
      { numRuns: 20 },
    );
    expect(gauged).toBeGreaterThan(5);
  });
});
