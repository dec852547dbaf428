import { hollowLine, testDossier, testShop } from '../../testing/test-dossier';
import { baseDrawing, drawnTooth, setLane } from '../build-drawing';
import type { SawDrawing } from '../drawing';
import { drawAxis } from './draw-axis';
import { drawLanes } from './draw-lanes';
import { drawSaw, drawWork } from './draw-saw';
import { layoutFor, yPx } from './layout';
import { readPalette } from './palette';
import { SawLayer } from './saw-layer';
import type { Sheet } from './sheet';

const dossier = testDossier('plan');
const tooth = drawnTooth(dossier, testShop().book.habits);

function drawingOf(n: number, more: Partial<SawDrawing> = {}): SawDrawing {
  const readings = hollowLine(n);
  return { ...baseDrawing(dossier, readings, tooth), lengthMm: n * 2, lanes: [setLane(readings, String)], ...more };
}

function sheetFor(drawing: SawDrawing, width = 1200, laneHeight = 44): Sheet & { context: CanvasRenderingContext2D } {
  const canvas = document.createElement('canvas');
  const layout = layoutFor(drawing, width, laneHeight);
  canvas.width = width;
  canvas.height = layout.height;
  const context = canvas.getContext('2d') as CanvasRenderingContext2D;
  const perMm = (layout.right - layout.left) / drawing.lengthMm;
  return {
    context,
    palette: readPalette(document.body),
    layout,
    x: (mm) => layout.left + mm * perMm,
    first: 0,
    last: drawing.teeth.length - 1,
    pxPerTooth: perMm * drawing.pitchMm,
  };
}

const pixel = (sheet: Sheet, x: number, y: number): string =>
  [...sheet.context.getImageData(Math.round(x), Math.round(y), 1, 1).data].slice(0, 3).join(',');

describe('the saw on its sheet', () => {
  it('a saw’s y runs up and the sheet’s down; a tooth is always drawn as tall', () => {
    const drawing = drawingOf(20);
    const layout = layoutFor(drawing, 1200, 44);
    expect(yPx(layout, drawing, 0) - yPx(layout, drawing, drawing.toothHeightMm)).toBeCloseTo(layout.toothPx, 9);
    expect(layout.height).toBe(layout.lanesTop + 44 + 4);
  });

  it('teeth to do, done and apart have the colours of ink, bright steel and plain steel', () => {
    const drawing = drawingOf(20, { work: { done: new Set([1, 2]), todo: new Set([5, 6]) } });
    const sheet = sheetFor(drawing);
    drawSaw(sheet, drawing);
    const inTooth = (n: number): string => pixel(sheet, sheet.x((n - 1) * 2) - 6, sheet.layout.plateTop - 8);
    expect(new Set([inTooth(1), inTooth(5), inTooth(9)]).size).toBe(3);
    expect(inTooth(1)).toBe(inTooth(2));
    expect(inTooth(5)).toBe(inTooth(6));
  });

  it('an empty line still draws its plate, and says so to nobody', () => {
    const drawing = drawingOf(0, { lengthMm: 300 });
    const sheet = sheetFor(drawing);
    drawSaw(sheet, drawing);
    drawAxis(sheet, drawing);
    drawLanes(sheet, drawing);
    expect(pixel(sheet, 600, sheet.layout.plateTop + 10)).not.toBe('0,0,0');
  });

  it('at 5,000 teeth no more is drawn than there are columns of px', () => {
    const drawing = drawingOf(5000);
    const sheet = sheetFor(drawing);
    const rects = spyOn(sheet.context, 'fillRect').and.callThrough();
    const paths = spyOn(sheet.context, 'lineTo').and.callThrough();
    drawSaw(sheet, drawing);
    drawLanes(sheet, drawing);
    expect(rects.calls.count()).toBeLessThan(2 * 1200 + 10);
    expect(paths.calls.count()).toBeLessThan(50);
  });

  it('the words of the two sides stand within their lane and not over one another, however low it is', () => {
    for (const laneHeight of [30, 46]) {
      const drawing = drawingOf(20);
      const sheet = sheetFor(drawing, 1200, laneHeight);
      const written = spyOn(sheet.context, 'fillText').and.callThrough();
      drawLanes(sheet, drawing);
      const [left, right] = ['left', 'right'].map((side) => written.calls.all().find((call) => call.args[0] === side));
      const apart = (right?.args[2] ?? NaN) - (left?.args[2] ?? NaN);
      expect(apart).toBeGreaterThanOrEqual(12);
      expect(apart).toBeLessThan(laneHeight - 12);
    }
  });

  it('left is drawn above and right below, whatever their colour', () => {
    const drawing = drawingOf(20);
    const sheet = sheetFor(drawing);
    drawLanes(sheet, drawing);
    const zero = sheet.layout.lanesTop + 22;
    const filled = (n: number, up: boolean): boolean =>
      pixel(sheet, sheet.x((drawing.xMm[n - 1] as number) + 0), zero + (up ? -8 : 8)) !== '0,0,0';
    expect([filled(3, true), filled(3, false)]).toEqual([true, false]);
    expect([filled(4, true), filled(4, false)]).toEqual([false, true]);
  });

  it('the joint line stands where its height says', () => {
    const drawing = drawingOf(20, { joint: { alphaMm: -0.3, beta: 0 } });
    const sheet = sheetFor(drawing);
    const y = yPx(sheet.layout, drawing, -0.3);
    const between = sheet.x(2 * 9 + 0.4);
    drawSaw(sheet, drawing);
    const without = pixel(sheet, between, y);
    drawWork(sheet, drawing);
    expect(pixel(sheet, between, y)).not.toBe(without);
  });

  it('a flat is bright between its two ends, and nothing beyond them', () => {
    const drawing = drawingOf(20);
    const flats = {
      fromMm: drawing.xMm.map((x) => x - 0.3),
      toMm: drawing.xMm.map((x) => x + 0.3),
      on: new Uint8Array(20).fill(1),
    };
    const sheet = sheetFor(drawing);
    const jointed = { ...drawing, joint: { alphaMm: -0.3, beta: 0 }, flats };
    drawWork(sheet, jointed);
    const y = yPx(sheet.layout, drawing, -0.3) + 1.4;
    const paper = pixel(sheet, sheet.x(drawing.xMm[7] as number), y);
    for (const off of [-0.25, 0.25]) expect(pixel(sheet, sheet.x((drawing.xMm[7] as number) + off), y)).toBe(paper);
    expect(pixel(sheet, sheet.x((drawing.xMm[7] as number) + 0.5), y)).not.toBe(paper);
  });

  describe('kept as a picture', () => {
    const whole = (sheet: Sheet): string =>
      sheet.context.getImageData(0, 0, sheet.layout.width, sheet.layout.lanesTop).data.join();

    it('looks as it does when drawn', () => {
      const drawing = drawingOf(60, { work: { done: new Set([1, 2]), todo: new Set([5, 6]) } });
      const [direct, laid] = [sheetFor(drawing), sheetFor(drawing)];
      drawSaw(direct, drawing);
      drawAxis(direct, drawing);
      new SawLayer().lay(laid, drawing, 1);
      expect(whole(laid) === whole(direct)).toBeTrue();
    });

    it('is drawn again when the work or the view changes, and not when only the joint line moves', () => {
      const drawing = drawingOf(60);
      const layer = new SawLayer();
      const sheet = sheetFor(drawing);
      const paths = spyOn(CanvasRenderingContext2D.prototype, 'closePath').and.callThrough();
      const drawnFor = (next: SawDrawing, on: Sheet = sheet): boolean => {
        paths.calls.reset();
        layer.lay(on, next, 1);
        return paths.calls.count() > 0;
      };
      expect(drawnFor(drawing)).toBeTrue();
      expect(drawnFor({ ...drawing, joint: { alphaMm: -0.2, beta: 0 } })).toBeFalse();
      expect(drawnFor({ ...drawing, work: { done: new Set([1]), todo: new Set() } })).toBeTrue();
      expect(drawnFor({ ...drawing, yMm: drawing.yMm.map((y) => y - 0.1) })).toBeTrue();
      expect(drawnFor({ ...drawing, yMm: drawing.yMm }, { ...sheet, x: (mm) => sheet.x(mm) + 3 })).toBeTrue();
    });
  });
});
