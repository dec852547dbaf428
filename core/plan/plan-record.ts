import { bandPattern, bandTeeth } from '../band/band-teeth';
import { bandWindows, planBand } from '../band/band-windows';
import { POWERED_BLADE_CAUTION, rimPitchMm, rimSpeed } from '../circular/blade-geometry';
import { stackFor, stackWidth } from '../circular/dado-stack';
import { splitDial, tellBladeFromArbor, withoutArbor } from '../circular/dial-harmonics';
import { equalise, fileBelow } from '../circular/equalise';
import { chaseAdvice } from '../line/chase';
import { heightOn, lineForShare } from '../line/joint-line';
import type { StrokeRate } from '../line/strokes';
import { strokesFor, UNCALIBRATED_STROKES } from '../line/strokes';
import { SHARPENING_MM } from '../life/life';
import { mirrorReadings, mirrorTooth } from '../pull/mirror';
import { afterTopOnly, nextPullFiling, pullCyclesLeft, pullPasses } from '../pull/pull-tooth';
import { standingTeeth } from '../evidence/tooth-reading';
import { measuredSaw, plannedSaw } from '../testcut/cut-saws';
import type { TestCut } from '../testcut/test-cut';
import { cutStory } from '../testcut/test-cut';
import { planCrosscut } from './crosscut-plan';
import { anglesFor, DEFAULT_HABITS } from './habits';
import { makePlan } from './make-plan';
import type { PlanInputs } from './plan-inputs';
import type { BandRecord, CircularRecord, DadoRecord, PullRecord, SawRecord, StraightRecord } from './saw-record';
import { studyLine } from './study';

/** The sink a pitch and the board a plan's virtual cut is made with. No source. */
const CUT = { sinkShare: 0.02, boardMm: 25 } as const;

/**
 * The plan of any saw record, as plain data for a file or a screen. `depthMm`
 * overrides the advised joint depth of a saw that is jointed. Throws
 * RangeError, with a sentence, on a record no plan can be made of.
 */
export function planRecord(record: SawRecord, depthMm?: number): object {
  switch (record.family) {
    case 'hand':
    case 'back':
      return { family: record.family, ...planStraight(record, depthMm) };
    case 'pull':
      return { family: record.family, ...planPull(record) };
    case 'crosscut':
      return { family: record.family, ...planCrosscut(record, depthMm) };
    case 'band':
      return { family: record.family, ...planBandRecord(record) };
    case 'circular':
      return { family: record.family, ...planCircular(record) };
    case 'dado':
      return { family: record.family, ...planDado(record) };
  }
}

function planStraight(record: StraightRecord, depthMm?: number) {
  const habits = { ...DEFAULT_HABITS, ...record.habits };
  const inputs: PlanInputs = {
    saw: {
      family: record.family,
      filing: record.filing,
      wood: record.wood,
      plateThicknessMm: record.plateThicknessMm,
      plateDepthMm: record.plateDepthMm,
      pitchMm: record.pitchMm,
    },
    angles: record.angles ?? anglesFor(habits.angles, record.family, record.filing),
    readings: record.readings,
    habits,
    strokeRate: record.strokeRate ?? UNCALIBRATED_STROKES,
    marks: record.marks ?? [],
    line: record.line ?? 'free',
  };
  const study = studyLine(inputs);
  const plan = makePlan(study, depthMm ?? study.recommended.depthMm);
  const standing = standingTeeth(record.readings);
  const { pitchMm, toothHeightMm } = study;
  const facts = { plateThicknessMm: record.plateThicknessMm, pitchMm, fleamDeg: inputs.angles.fleamDeg, toothHeightMm };
  const story = cutStory(
    measuredSaw(record.readings, study.tooth, facts, study.set.perSideMm),
    plannedSaw(plan, inputs),
    null,
    { sinkMm: CUT.sinkShare * pitchMm, boardMm: CUT.boardMm },
  );
  const chase = chaseAdvice(
    standing,
    record.readings.filter((r) => r.kind === 'missing').map((r) => r.tooth),
    { alphaMm: plan.lineAlphaMm, beta: plan.lineBeta },
    {
      plateThicknessMm: record.plateThicknessMm,
      pitchMm,
      toothHeightMm,
      perSharpeningMm: SHARPENING_MM,
      chaseWithin: 1,
      line: inputs.line === 'free' ? 'free' : 'held',
    },
  );
  return { plan, chase, cut: { before: told(story.before), planned: story.planned && told(story.planned) } };
}

/** A cut in the numbers a person compares. */
function told(cut: TestCut) {
  return {
    shareWorking: cut.loads.shareWorking,
    worstOverMean: cut.loads.worstOverMean,
    hopMm: cut.hopMm,
    kerfMm: cut.section.widthMm,
    ridgeMm: cut.section.ridgeMm,
    section: cut.section.polygon,
    marks: cut.marks,
    drift: cut.drift,
  };
}

function planPull(record: PullRecord) {
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

function planBandRecord(record: BandRecord) {
  const reckoned = bandTeeth(record.lengthMm, record.pitchMm);
  const teeth = record.countedTeeth ?? reckoned;
  const pattern = bandPattern(teeth, record.set);
  const windows = bandWindows(teeth, record.lengthMm / teeth, record.jawMm);
  const strokes = record.habits?.strokesPerGullet;
  const work = planBand(pattern.leans, windows, record.renewSet, strokes);
  return { teeth, reckoned, counted: record.countedTeeth !== undefined, pattern, work };
}

function planCircular(record: CircularRecord) {
  const split = splitDial(record.dial, record.teeth);
  const rate = record.strokeRate ?? UNCALIBRATED_STROKES;
  const bladeAndArbor = record.again
    ? tellBladeFromArbor(split, splitDial(record.again.dial, record.teeth), record.again.turnedDeg)
    : null;
  // An arbor that is out is the machine's: no tooth is filed for it.
  const own = bladeAndArbor ? withoutArbor(record.dial, record.teeth, bladeAndArbor) : record.dial;
  const scorers = equalise(own, 'scorer', rate);
  return {
    pitchMm: rimPitchMm(record.diameterMm, record.teeth),
    split,
    bladeAndArbor,
    filedFrom: bladeAndArbor ? ('blade' as const) : ('blade-and-arbor' as const),
    scorers,
    below: fileBelow(own, scorers.targetMm, rate),
    speed: rimSpeed(record.diameterMm, record.turnsPerMinute ?? 0, record.markedLimitRpm),
    caution: POWERED_BLADE_CAUTION,
  };
}

function planDado(record: DadoRecord) {
  const rate = record.strokeRate ?? UNCALIBRATED_STROKES;
  const outer = record.parts.filter((p) => p.kind === 'outer');
  const inner = record.parts.filter((p) => p.kind !== 'outer');
  const [left, right] = outer;
  if (!left || !right || outer.length !== 2) throw new RangeError('A dado set has two outer blades.');
  return {
    full: stackWidth([left, ...inner, right]),
    wanted: record.wantedMm === undefined ? null : stackFor(record.parts, record.wantedMm),
    chippers: record.chippers ? equalise(record.chippers, 'chipper', rate) : null,
    caution: POWERED_BLADE_CAUTION,
  };
}
