import { TAPER_FILES } from '../../file/file-choice';
import type { GulletWork, ToothBeside } from '../../file/file-in-gullet';
import { rollForRake } from '../../file/flank-angles';
import { heightOn } from '../../line/joint-line';
import type { OrderedLine } from '../lines-of-order';
import type { Step, Stop } from '../step';

/** Teeth drawn on either side of the gullet in hand: the next stop of a pass that takes every second is among them. */
const BESIDE = 3;

/** What stands about the gullet of a stop, and of which tooth each is. */
export interface GulletAtStop {
  readonly work: GulletWork;
  /** Numbers of its teeth, heel first. */
  readonly teeth: readonly number[];
  /** Whether the order knows how they stood before: else they are drawn as they are to be. */
  readonly asRead: boolean;
}

/**
 * The gullet of a stop as the order knows it: teeth as they were read and jointed while they are shaped, and at
 * their targets in a pass that sharpens. Null where no taper file stands in a gullet: teeth pointed one by one, a
 * pull saw's edges, steps of another kind. `isDone` says of gullets of the same pass whether they are filed.
 */
export function gulletAt(
  { inputs, targets, forecast }: OrderedLine,
  step: Step,
  stop: Stop,
  isDone: (gullet: number) => boolean,
): GulletAtStop | null {
  if (step.unit !== 'gullet' || inputs.pull || inputs.cutters || targets.length === 0) return null;
  const shaping = step.kind === 'shape';
  const sharpening = step.kind === 'sharpen' || step.kind === 'last-pass';
  const read = new Map(inputs.readings.map((reading) => [reading.tooth, reading]));
  const own = targets.findLastIndex((target) => target.tooth <= stop.at);
  const from = Math.max(0, own - BESIDE + 1);
  const drawn = targets.slice(from, own + 1 + BESIDE);
  const teeth = drawn.map(({ tooth, xMm, yMm }, i): ToothBeside => {
    const reading = read.get(tooth);
    const before = drawn[i - 1]?.tooth ?? targets[from - 1]?.tooth ?? 0;
    const target = [xMm, yMm] as const;
    if (!shaping || !reading) return { tip: target, jointMm: Infinity, target, backDone: true, faceDone: true };
    return {
      tip: [reading.xMm, reading.yMm],
      jointMm: heightOn(forecast.line, reading.xMm),
      target,
      backDone: isDone(before),
      faceDone: isDone(tooth),
    };
  });
  const { rakeDeg, fleamDeg } = inputs.angles;
  const name = step.tool ?? forecast.file.name;
  const file = TAPER_FILES.find((one) => one.name === name) ?? TAPER_FILES.find((one) => one.id === forecast.file.id);
  if (!file) return null;
  return {
    work: {
      teeth,
      faceOf: own - from,
      rollDeg: rollForRake(step.stretch?.rakeDeg ?? rakeDeg, fleamDeg),
      fleamDeg,
      section: 'taper',
      fileFaceMm: file.faceMm,
      deeperMm: sharpening ? stop.strokes * inputs.strokeRate.rateMmPerStroke : 0,
    },
    teeth: drawn.map(({ tooth }) => tooth),
    asRead: shaping || sharpening,
  };
}
