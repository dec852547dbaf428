import { estimatesOf } from '../../evidence/estimates';
import { plateBend } from '../../plate/plate-bend';
import { lineOf } from '../../evidence/line-of';
import { quantitiesOf } from '../../evidence/quantities';
import { findReadingFaults } from '../../evidence/reading-faults';
import type { StraightFamily } from '../../saw/families';
import { placesOn, teethOf } from '../../saw/saw';
import { isConverting } from '../../judgement/triage';
import type { LineWish, PlannedWork, Studied, WorkFacts } from '../family-work';
import { anglesFor } from '../habits';
import { judgeStraightening, worksOtherGrain } from '../judge-work';
import { angleOfEvidence, measuredAngles } from './angles-of-evidence';
import { chaseOffer } from './chase-offer';
import { coverageOf, standForRest } from './coverage';
import type { LineInputs } from './inputs';
import { lineInputsOf, lineSawOf } from './inputs';
import { lineLanes } from './lanes';
import { makeOrder } from './make-order';
import { orderOfRecord } from './of-record';
import { pastSaving, retoothed, retoothOffer } from './retooth-offer';
import { studyLine } from './study';

/**
 * The work of a family that cuts on the push with one line of like teeth, jointed, shaped, set
 * and sharpened: hand and back saws. What tells them apart (angles, set, least plate) stands in
 * the tables of those subjects, by family.
 */
export const lineWork = (family: StraightFamily): PlannedWork => ({
  family,
  way: 'planned',
  measured: quantitiesOf,
  study: (facts, wish) => studyFacts(family, facts, wish),
  order: makeOrder,
  retooth: retoothOffer,
  // New teeth are set out where the plate is whole: there is no depth to choose.
  handles: (study) =>
    study.inputs.retooth
      ? []
      : [{ id: 'depth', fromMm: 0, toMm: study.deepestMm, advisedMm: study.recommended.depthMm }],
  lanes: lineLanes,
  chase: chaseOffer,
  ofRecord: (record, depthMm) => {
    if (record.family !== 'hand' && record.family !== 'back')
      throw new RangeError(`This is no ${family} saw’s record.`);
    return { family, ...orderOfRecord(record, depthMm) };
  },
});

function studyFacts(family: StraightFamily, facts: WorkFacts, wish: LineWish): Studied {
  const { saw, visit, habits } = facts;
  if (saw.family !== 'hand' && saw.family !== 'back')
    throw new RangeError(`A ${saw.family} saw is not a ${family} saw.`);
  const line = lineOf(facts.sessions, saw, 'before');
  if (!line || line.teeth.length < 3) return { ok: false, code: 'nothing-measured' };
  const told = { teeth: teethOf(saw), pitchMm: saw.pitchMm, toeZones: saw.toeZones };
  const place = placesOn(saw, line.teeth.length);
  const stop = findReadingFaults(line.teeth, saw.pitchMm, saw.plateThicknessMm, place).find((f) => f.weight === 'stop');
  if (stop)
    return {
      ok: false,
      code: 'readings-unfit',
      tooth: stop.tooth,
      says: `Tooth ${stop.tooth} is not measured so that a plan can be made. Look at it under Measure.`,
    };
  const coverage = coverageOf(line.teeth, told);
  const wanted = visit.wantsFiling === 'as-it-is' ? saw.filing : visit.wantsFiling;
  const convert = isConverting(saw.filing, visit.wantsFiling) && (wish.convert ?? true);
  const filing = convert ? wanted : saw.filing;
  const table = anglesFor(habits.angles, saw.family, filing);
  try {
    const readings = wish.sample && coverage.partial ? standForRest(line.teeth, told.teeth, place) : line.teeth;
    const inputs = lineInputsOf({
      saw: lineSawOf(saw, { filing, wood: visit.wood }, told.teeth),
      angles: { rakeDeg: wish.angles.rakeDeg ?? table.rakeDeg, fleamDeg: wish.angles.fleamDeg ?? table.fleamDeg },
      from: convert
        ? {
            filing: saw.filing,
            angles: angleOfEvidence(saw, facts.sessions) ?? anglesFor(habits.angles, saw.family, saw.filing),
          }
        : null,
      readings,
      keys: line.keys,
      measured: line.teeth.length,
      habits,
      strokeRate: facts.strokeRate,
      marks: [...new Set(visit.marks.map((mark) => mark.kind))],
      etch: visit.etch,
      worksOtherGrain: worksOtherGrain(visit.grain, saw.filing),
      measuredRakeDeg: measuredAngles(saw, facts.sessions)?.rakeDeg.value ?? null,
      ...straightening(facts),
      filingsSinceSet: filingsSinceSet(facts.visits),
      line: wish.line,
      judgement: facts.judgement,
    });
    const study = studyLine(inputs);
    const past = pastSaving(study);
    return { ok: true, study: wish.retoothMm === null ? study : retoothed(study, wish.retoothMm), coverage, past };
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message, tooth: null };
    throw error;
  }
}

/** How the plate is straightened, by the marks of the counter and its bow where that was gauged. */
function straightening({ saw, visit, sessions, judgement }: WorkFacts): Pick<LineInputs, 'straighten'> {
  const bow = estimatesOf(
    sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings),
    'bow',
    null,
  );
  const judged = judgeStraightening(saw.family, visit.marks, plateBend(bow, saw.toothLineMm), judgement);
  if (!judged) return {};
  return { straighten: { verdict: judged.verdict, says: judged.reasons.map((r) => r.says).join(' ') } };
}

/** Filings since a full tune last renewed the set; null where no visit here did. */
function filingsSinceSet(visits: WorkFacts['visits']): number | null {
  const tuned = visits.findIndex((v) => v.work === 'tune' || v.work === 'convert' || v.work === 'retooth');
  return tuned < 0 ? null : visits.slice(0, tuned).filter((v) => v.work === 'sharpen').length;
}
