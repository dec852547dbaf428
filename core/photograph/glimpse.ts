import type { GreyPicture } from '../trace/grey-picture';
import { median } from '../units/median';
import { tiltDeg } from './camera';
import type { SeenCode } from './find-strips';
import { findStrips } from './find-strips';
import { cameraOf, usualFocalPx } from './fit-camera';
import { mapped } from './homography';
import { FEWEST_DOTS, MOST_BLUR_PX } from './see-marks';

/** What one look through the camera shows of the strips, for the hand that holds it. */
export interface Glimpse {
  readonly strips: number;
  readonly marks: number;
  readonly tiltDeg: number | null;
  readonly blurPx: number | null;
  readonly toothPx: number | null;
  /** What to do next, the first thing first; empty where the picture can be taken. */
  readonly says: readonly string[];
}

/** Angles hold to this tilt, and a tooth's to so many px. */
const GOOD_TILT_DEG = 22;
const GOOD_TOOTH_PX = 12;

/** One quick look: marks, tilt, sharpness, px a tooth (`pitchMm` told; 0 where it is not). No number of a tooth comes of it. */
export function glimpse(picture: GreyPicture, codes: readonly SeenCode[], pitchMm: number): Glimpse {
  const found = findStrips(picture, codes, (place) => place);
  const dots = found.flatMap((one) => one.dots);
  const first = found.find((one) => one.dots.length >= 4);
  const nothing = { strips: found.length, marks: dots.length, tiltDeg: null, blurPx: null, toothPx: null };
  if (!first) {
    const says =
      found.length === 0
        ? 'No strip is seen: hold the camera over the line.'
        : 'Go nearer, or take what lies on the strips away.';
    return { ...nothing, says: [says] };
  }
  const { widthPx, heightPx } = picture;
  const camera = cameraOf(first.map, usualFocalPx(widthPx, heightPx), widthPx / 2, heightPx / 2);
  const tilt = camera && tiltDeg(camera);
  const blurPx = median(dots.map((dot) => dot.blurPx));
  const [x, y] = first.strip.pointsAt;
  const [a, b] = [mapped(first.map, [x - 5, y]), mapped(first.map, [x + 5, y])];
  const toothPx = pitchMm > 0 ? (pitchMm * Math.hypot(b[0] - a[0], b[1] - a[1])) / 10 : null;
  const says = [
    ...(dots.length < FEWEST_DOTS ? ['Too few marks are seen: nothing may cover them.'] : []),
    ...(tilt !== null && tilt > GOOD_TILT_DEG ? ['Hold it straighter over the line.'] : []),
    ...(blurPx > MOST_BLUR_PX ? ['Hold still: the picture is blurred.'] : []),
    ...(toothPx !== null && toothPx < GOOD_TOOTH_PX ? ['Go nearer: a tooth is too small.'] : []),
  ];
  return { ...nothing, tiltDeg: tilt, blurPx, toothPx, says };
}
