import { SHARPENING_MM } from '../../../life/sharpening-metal';
import { heightOn, lineForShare } from '../../../line/joint-line';
import type { StrokeRate } from '../../../line/strokes';
import { strokesFor, UNCALIBRATED_STROKES } from '../../../line/strokes';
import { standingTeeth } from '../../../evidence/tooth-reading';
import { mirrorReadings, mirrorTooth } from '../../../pull/mirror';
import { afterTopOnly, nextPullFiling, pullCyclesLeft, pullPasses } from '../../../pull/pull-tooth';
import { DEFAULT_HABITS } from '../../habits';
import type { PullRecord } from '../../saw-record';

/**
 * A pull saw from its record: which of its three edges are filed this time, and the strokes of
 * each tooth, sharpening and levelling apart. mm. Throws RangeError on a line of too few teeth.
 */
export function studyPull(record: PullRecord) {
  const length = record.readings.reduce((m, r) => Math.max(m, r.xMm), 0);
  // Worked out as the push saw it is the mirror image of; named by the saw's own teeth again at the end.
  const mirror = standingTeeth(mirrorReadings(record.readings, length));
  const habits = { ...DEFAULT_HABITS, ...record.habits };
  const line = lineForShare(mirror, habits.shareOnLine);
  const rate = record.strokeRate ?? UNCALIBRATED_STROKES;
  const over = mirror.map((r) => ({
    tooth: mirrorTooth(r.tooth, record.readings.length),
    offMm: Math.max(0, r.yMm - heightOn(line, r.xMm)),
  }));
  const mean = over.reduce((s, o) => s + o.offMm, 0) / Math.max(1, over.length);
  const tooth = {
    faceDeg: record.faceDeg,
    backDeg: record.backDeg,
    topDeg: record.topDeg,
    pitchMm: record.pitchMm,
    heightMm: record.toothHeightMm,
  };
  const after = afterTopOnly(tooth, mean + record.topOnlySince * SHARPENING_MM);
  const filing = nextPullFiling(record.topOnlySince, after.heightShare);
  return {
    filing,
    passes: pullPasses(filing.kind),
    sharpenStrokes: habits.strokesPerGullet,
    teeth: over.map((o) => pullStrokes(o, habits.strokesPerGullet, rate)).sort((a, b) => a.tooth - b.tooth),
    afterTopOnly: after,
    fullFilingsLeft: pullCyclesLeft(record.plateDepthMm, Math.max(SHARPENING_MM, record.toothHeightMm * 0.15)),
  };
}

/** Every tooth is sharpened, a low one too: what levels it is filed on top of that. */
function pullStrokes(over: { readonly tooth: number; readonly offMm: number }, sharpen: number, rate: StrokeRate) {
  const { strokes: levelStrokes, leftMm } = strokesFor(over.offMm, rate);
  return { ...over, strokes: sharpen + levelStrokes, levelStrokes, leftMm };
}
