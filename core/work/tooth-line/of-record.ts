import type { TestCut } from '../../testcut/test-cut';
import { cutterLeans } from '../../evidence/sides';
import { USUAL_SHOES_MM } from '../../line/jointer';
import { anglesFor, DEFAULT_HABITS, tipAngleOf, USUAL_PULL } from '../habits';
import type { CrosscutRecord, PullRecord, StraightRecord } from '../saw-record';
import { shortTeeth } from './chase-offer';
import { viewDepth } from './depth-view';
import { USUAL_BOARD_MM } from '../../testcut/foretold';
import { foretellCut } from './foretold-cut';
import { rolesOf } from './cutters';
import type { LineInputs } from './inputs';
import { lineInputsOf } from './inputs';
import { makeOrder } from './make-order';
import type { LineStudy } from './study';
import { studyLine } from './study';

/**
 * A saw's order from its record, its short teeth, and a virtual cut before and after. `depthMm` overrides the advised joint. Throws RangeError on a pattern or zones that do
 * not fit the line.
 */
export function orderOfRecord(record: StraightRecord | CrosscutRecord | PullRecord, depthMm?: number) {
  const inputs =
    record.family === 'crosscut'
      ? cutterInputs(record)
      : record.family === 'pull'
        ? pullInputs(record)
        : likeTeeth(record);
  return planOf(studyLine(inputs), depthMm);
}

/** A study's order, its short teeth, and a virtual cut before and after. */
export function planOf(study: LineStudy, depthMm?: number) {
  const { inputs } = study;
  const order = makeOrder(study, depthMm ?? study.recommended.depthMm);
  const chase = shortTeeth(study, order.choice.depthMm);
  const view = viewDepth(study, order.choice.depthMm);
  const asked = { wood: inputs.saw.wood, boardMm: USUAL_BOARD_MM };
  const { now, chosen, needs, assumes } = foretellCut(study, view, order.forecast.set, asked);
  return { order, chase, cut: { before: told(now), planned: told(chosen), needs, assumes } };
}

/** A saw of cutters and rakers: the first zone is its line, any others its toe. A long plate, as none is told. */
function cutterInputs(record: CrosscutRecord): LineInputs {
  const habits = { ...DEFAULT_HABITS, ...record.habits };
  const [main, ...toe] = record.zones;
  if (!main) throw new RangeError('A line has one zone at least.');
  const teeth = record.zones.reduce((sum, zone) => sum + zone.teeth, 0);
  if (teeth !== record.readings.length)
    throw new RangeError(`There are ${record.readings.length} teeth, but zones for ${teeth}.`);
  const rakeDeg = main.rakeFromDeg;
  const told = { pattern: record.pattern, offset: record.patternOffset ?? 0 };
  const roles = rolesOf(told, teeth);
  const leans = cutterLeans(roles);
  return lineInputsOf({
    saw: {
      family: 'crosscut',
      filing: 'crosscut',
      wood: record.wood,
      plateThicknessMm: record.plateThicknessMm,
      plateDepthMm: record.plateDepthMm ?? USUAL_PLATE_MM,
      pitchMm: main.pitchFromMm,
      teeth,
      ...(toe.length > 0 && {
        toeZones: toe.map((zone) => ({
          teeth: zone.teeth,
          pitchFromMm: zone.pitchFromMm,
          pitchToMm: zone.pitchToMm,
          relaxFromDeg: rakeDeg - zone.rakeFromDeg,
          relaxToDeg: rakeDeg - zone.rakeToDeg,
        })),
      }),
    },
    angles: { rakeDeg, fleamDeg: record.fleamDeg },
    readings: record.readings.map((r) => ({ ...r, lean: r.lean ?? leans[r.tooth - 1] ?? null })),
    habits,
    ...(record.strokeRate && { strokeRate: record.strokeRate }),
    cutters: {
      ...told,
      kind: record.saw,
      read: record.readings.filter((r) => roles[r.tooth - 1] === 'raker').map((r) => r.tooth),
      widths: [],
      gullets: [],
      tip: record.rakerTip ?? habits.rakerTips ?? 'straight',
      tipDeg: tipAngleOf(habits),
      wantedMm: null,
      breastMm: record.sagittaMm ?? null,
      shoesMm: habits.jointerShoesMm ?? USUAL_SHOES_MM,
    },
  });
}

/** A pull saw filed across the grain, in a plate as thin as they are, where its record does not say. */
function pullInputs(record: PullRecord): LineInputs {
  const habits = { ...DEFAULT_HABITS, ...record.habits };
  return lineInputsOf({
    saw: {
      family: 'pull',
      filing: record.filing ?? 'crosscut',
      wood: record.wood ?? 'dry-soft',
      plateThicknessMm: record.plateThicknessMm ?? USUAL_PULL_PLATE_MM,
      plateDepthMm: record.plateDepthMm,
      pitchMm: record.pitchMm,
      teeth: record.readings.length,
    },
    angles: { rakeDeg: -record.faceDeg || 0, fleamDeg: record.fleamDeg ?? USUAL_PULL.fleamDeg },
    readings: record.readings,
    habits,
    ...(record.strokeRate && { strokeRate: record.strokeRate }),
    pull: {
      edge: null,
      backDeg: record.backDeg,
      topDeg: record.topDeg,
      topOnlySince: record.topOnlySince,
      gulletMm: null,
      filing: null,
      newBlade: null,
    },
  });
}

/** Judgement, no source. mm. */
const USUAL_PULL_PLATE_MM = 0.5;

/** Plate of a long saw whose record tells none. Judgement, no source. mm. */
const USUAL_PLATE_MM = 120;

function likeTeeth(record: StraightRecord): LineInputs {
  const habits = { ...DEFAULT_HABITS, ...record.habits };
  return lineInputsOf({
    saw: {
      family: record.family,
      filing: record.filing,
      wood: record.wood,
      plateThicknessMm: record.plateThicknessMm,
      plateDepthMm: record.plateDepthMm,
      pitchMm: record.pitchMm,
      ...(record.toeZones && { toeZones: record.toeZones }),
    },
    angles: record.angles ?? anglesFor(habits.angles, record.family, record.filing),
    readings: record.readings,
    habits,
    ...(record.strokeRate && { strokeRate: record.strokeRate }),
    ...(record.marks && { marks: record.marks }),
    ...(record.line && { line: record.line }),
  });
}

/** A cut in the numbers a person compares. */
function told(cut: TestCut) {
  return {
    shareWorking: cut.loads?.shareWorking ?? null,
    worstOverMean: cut.loads?.worstOverMean ?? null,
    hopMm: cut.hopMm,
    kerfMm: cut.section?.widthMm ?? null,
    ridgeMm: cut.section?.ridgeMm ?? null,
    section: cut.section?.polygon ?? null,
    marks: cut.marks,
    drift: cut.drift,
  };
}
