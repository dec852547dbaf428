import cvModule from '@techstark/opencv-js';
import { madeLine, madeScan } from '../reference/made-scan';
import type { GreyPicture } from './grey-picture';
import { traceTeeth } from './trace-teeth';

/**
 * Our tips against those of a general image-processing library on the same picture:
 * OpenCV's threshold (Otsu, IEEE Trans. SMC 9, 1979) and border following (Suzuki and
 * Abe, CVGIP 30, 1985), the contour's highest pixels taken tooth by tooth. It knows
 * whole pixels only, so agreement is asked to about one.
 */
type OpenCv = typeof cvModule;

/** The module is a thenable that never settles: it is looked at, not awaited. */
function library(): Promise<{ cv: OpenCv }> {
  const cv = cvModule;
  return new Promise((resolve) => {
    if (typeof cv.Mat === 'function') resolve({ cv });
    else cv.onRuntimeInitialized = () => resolve({ cv });
  });
}

/** Highest contour pixels within half a pitch: (x, y) of the picture, heel first. */
function libraryTips(cv: OpenCv, picture: GreyPicture, pitchPx: number): { x: number; y: number }[] {
  const source = new cv.Mat(picture.heightPx, picture.widthPx, cv.CV_8UC1);
  source.data.set(picture.grey);
  const [binary, order] = [new cv.Mat(), new cv.Mat()];
  const contours = new cv.MatVector();
  cv.threshold(source, binary, 0, 255, cv.THRESH_BINARY_INV | cv.THRESH_OTSU);
  cv.findContours(binary, contours, order, cv.RETR_EXTERNAL, cv.CHAIN_APPROX_NONE);
  let longest: Int32Array = new Int32Array();
  for (let k = 0; k < contours.size(); k++) {
    const points = contours.get(k).data32S;
    if (points.length > longest.length) longest = points.slice();
  }
  for (const used of [source, binary, order, contours]) used.delete();
  const top = new Map<number, number>();
  for (let i = 0; i < longest.length; i += 2) {
    const [x, y] = [longest[i] as number, longest[i + 1] as number];
    top.set(x, Math.min(top.get(x) ?? Infinity, y));
  }
  const tips: { x: number; y: number }[] = [];
  for (const [x, y] of top) {
    let [highest, from, to] = [true, x, x];
    for (let off = -Math.round(pitchPx / 2); off <= pitchPx / 2 && highest; off++) {
      const other = top.get(x + off);
      if (other !== undefined && other < y) highest = false;
      if (other === y && Math.abs(off) < 4) [from, to] = [Math.min(from, x + off), Math.max(to, x + off)];
    }
    if (highest && !tips.some((t) => Math.abs(t.x - x) < pitchPx / 2)) tips.push({ x: (from + to + 1) / 2, y });
  }
  return tips.sort((a, b) => a.x - b.x);
}

describe('tracing beside an image-processing library', () => {
  it('finds the same teeth in the same places, to the library’s pixel', async () => {
    const { cv } = await library();
    for (const [pitchMm, rakeDeg] of [
      [2.54, -14],
      [1.8143, -4],
      [4, -20],
    ] as const) {
      const line = madeLine({ teeth: 50, pitchMm, rakeDeg, unevenMm: 0.08, unequalMm: 0.05 });
      const made = madeScan(line, { dpi: 600, noise: 2 });
      const trace = traceTeeth(made.picture, { mmPerPx: made.mmPerPx });
      if (!trace.ok) throw new Error(trace.code);
      // The plate's own corners at heel and toe stand lower than any tooth.
      const lowest = Math.max(...trace.teeth.map((t) => t.tipPx.y)) + 6;
      const tips = libraryTips(cv, made.picture, pitchMm / made.mmPerPx).filter((tip) => tip.y < lowest);
      expect(tips.length).toBe(50);
      const off = trace.teeth.map((t, i) => ({
        x: t.tipPx.x - (tips[i]?.x ?? NaN),
        y: t.tipPx.y - (tips[i]?.y ?? NaN),
      }));
      const worst = (values: number[]): number => Math.max(...values.map(Math.abs));
      expect(worst(off.map((o) => o.x)))
        .withContext('along, px')
        .toBeLessThan(1.5);
      // A blurred point reaches half grey only below itself: the library's tips lie lower by as much.
      expect(worst(off.map((o) => o.y)))
        .withContext('up, px')
        .toBeLessThan(2);
    }
  });
});
