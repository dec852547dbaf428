import { measuredSaw } from '../../testcut/cut-saws';
import type { TestCut } from '../../testcut/test-cut';
import { cutStory } from '../../testcut/test-cut';
import { anglesFor, DEFAULT_HABITS } from '../habits';
import type { StraightRecord } from '../saw-record';
import { shortTeeth } from './chase-offer';
import { lineInputsOf } from './inputs';
import { makeOrder } from './make-order';
import { plannedSaw } from './planned-saw';
import { studyLine } from './study';

/** The sink a pitch and the board a plan's virtual cut is made with. No source. */
const CUT = { sinkShare: 0.02, boardMm: 25 } as const;

/** A hand or back saw's order from its record, its short teeth, and a virtual cut before and after. `depthMm` overrides the advised joint. */
export function orderOfRecord(record: StraightRecord, depthMm?: number) {
  const habits = { ...DEFAULT_HABITS, ...record.habits };
  const inputs = lineInputsOf({
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
  const study = studyLine(inputs);
  const order = makeOrder(study, depthMm ?? study.recommended.depthMm);
  const { pitchMm, toothHeightMm } = study;
  const facts = { plateThicknessMm: record.plateThicknessMm, pitchMm, fleamDeg: inputs.angles.fleamDeg, toothHeightMm };
  const story = cutStory(
    measuredSaw(record.readings, study.tooth, facts, study.set.perSideMm),
    plannedSaw(order),
    null,
    { sinkMm: CUT.sinkShare * pitchMm, boardMm: CUT.boardMm },
  );
  const chase = shortTeeth(study, order.choice.depthMm);
  return { order, chase, cut: { before: told(story.before), planned: story.planned && told(story.planned) } };
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
