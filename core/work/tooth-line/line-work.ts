import { gradesOf } from '../../saw/plate-marks';
import { estimatesOf } from '../../evidence/estimates';
import { plateBend } from '../../plate/plate-bend';
import type { LineView } from '../../evidence/line-of';
import { lineOf } from '../../evidence/line-of';
import { gaugedBreast } from '../../line/gauged-breast';
import { quantitiesOf } from '../../evidence/quantities';
import { findReadingFaults } from '../../evidence/reading-faults';
import type { LineFamily } from '../../saw/families';
import type { Saw, SawOf } from '../../saw/saw';
import { isPointed, placesOn, rolesOn, teethOf, toeZonesOf } from '../../saw/saw';
import { isConverting } from '../../judgement/triage';
import { edgeSaw, softEdgesOf } from '../../saw/edges';
import type { Filing } from '../../saw/families';
import { LINE_FAMILIES } from '../../saw/families';
import { isReadInPart } from '../../saw/told-count';
import { USUAL_SHOES_MM } from '../../line/jointer';
import { rakerSawOf, rakerTarget } from '../../raker/raker-target';
import type { Handle, LineWish, PlannedWork, Studied, WorkFacts } from '../family-work';
import { PLAIN_WISH } from '../family-work';
import { anglesFor, tipAngleOf, USUAL_PULL_BACK_DEG, USUAL_PULL_TOP_DEG } from '../habits';
import { filingsSinceSet } from '../judge-reset';
import { judgeStraightening, worksOtherGrain } from '../judge-work';
import { angleOfEvidence, measuredAngles } from './angles-of-evidence';
import { chaseOffer, toLowestRaker } from './chase-offer';
import { coverageOf, standForRest } from './coverage';
import type { CuttersAndRakers, LineInputs, PullEdges } from './inputs';
import { lineInputsOf, lineSawOf } from './inputs';
import { lineLanes } from './lanes';
import { lineWay, lineWays } from './line-ways';
import { makeOrder } from './make-order';
import { orderOfRecord } from './of-record';
import { pastSaving, retoothed, retoothOffer } from './retooth-offer';
import type { LineStudy } from './study';
import { studyLine } from './study';

/**
 * The work of a family with one line of teeth from end to end, jointed, shaped, set and sharpened:
 * hand and back saws, and saws of cutters and rakers. What tells them apart (angles, set, least
 * plate) stands in the tables of those subjects, by family; cutters that are pointed one by one,
 * and rakers, have steps of their own (`cutterSteps`).
 */
export const lineWork = (family: LineFamily): PlannedWork => ({
  family,
  way: 'planned',
  measured: quantitiesOf,
  study: (facts, wish) => studyFacts(family, facts, wish),
  order: makeOrder,
  retooth: retoothOffer,
  ways: (facts, wish, rates, boardMm) => lineWays(facts, wish, rates, boardMm, (one) => studyFacts(family, facts, one)),
  wayOf: lineWay,
  // New teeth are set out where the plate is whole: there is no depth to choose.
  handles: (study) => (study.inputs.retooth ? [] : handlesOf(study)),
  lanes: lineLanes,
  chase: chaseOffer,
  toLowestRaker,
  ofRecord: (record, depthMm) => {
    if (record.family !== family) throw new RangeError(`This is no ${family} saw’s record.`);
    return { family, ...orderOfRecord(record, depthMm) };
  },
});

/** What a hand moves: the joint's depth; of a line of cutters its breast, and how far rakers stand under them. */
function handlesOf({ deepestMm, recommended, cutters, inputs }: LineStudy): Handle[] {
  const depth = { id: 'depth', fromMm: 0, toMm: deepestMm, advisedMm: recommended.depthMm } as const;
  if (!cutters) return [depth];
  const { ownSagittaMm, mostSagittaMm, rakers } = cutters;
  const table = rakerTarget(rakerSawOf(inputs.cutters?.kind), inputs.saw.wood, inputs.habits.rakerMm).depthMm;
  return [
    depth,
    { id: 'breast', fromMm: 0, toMm: mostSagittaMm, advisedMm: ownSagittaMm },
    ...(rakers.length > 0
      ? [{ id: 'rakers', fromMm: LEAST_RAKERS_MM, toMm: MOST_RAKERS_MM, advisedMm: table } as const]
      : []),
  ];
}

/** A raker's depth is chosen between these. Judgement round the tables, no source. mm. */
const LEAST_RAKERS_MM = 0.05;
const MOST_RAKERS_MM = 1;

function studyFacts(family: LineFamily, facts: WorkFacts, wish: LineWish): Studied {
  const { saw } = facts;
  if (saw.family !== family || !isLineSaw(saw)) throw new RangeError(`A ${saw.family} saw is not a ${family} saw.`);
  return saw.family === 'pull' && saw.edges === 2 ? studyEdges(facts, saw, wish) : studyOne(facts, saw, null, wish);
}

/** Both soft edges of a two-edged saw under one study: the first that was measured, and the other beside it. */
function studyEdges(facts: WorkFacts, saw: SawOf<'pull'>, wish: LineWish): Studied {
  const soft = softEdgesOf(saw);
  const measured = soft.filter((edge) => (lineOf(facts.sessions, saw, 'before', edge)?.teeth.length ?? 0) >= 3);
  const [first, second] = measured;
  if (!first) return { ok: false, code: 'nothing-measured' };
  const missing = soft.find((edge) => !measured.includes(edge)) ?? null;
  const own = studyOne(facts, edgeSaw(saw, first), first, wish, missing);
  if (!own.ok || !second) return own;
  const other = studyOne(facts, edgeSaw(saw, second), second, {
    ...wish,
    angles: PLAIN_WISH.angles,
    besideMm: null,
  });
  if (!other.ok)
    return other.code === 'readings-unfit' ? { ...other, says: `The ${second} edge: ${other.says}` } : other;
  const depthMm = Math.min(other.study.deepestMm, wish.besideMm ?? other.study.recommended.depthMm);
  const partial = own.coverage.partial || other.coverage.partial;
  return {
    ...own,
    study: { ...own.study, beside: { study: other.study, depthMm } },
    coverage: { ...own.coverage, partial },
  };
}

/** One line of teeth, of a two-edged saw that of the edge `part`; `otherEdge` is the one nobody measured. */
function studyOne(
  facts: WorkFacts,
  saw: SawOf<LineFamily>,
  part: Filing | null,
  wish: LineWish,
  otherEdge: Filing | null = null,
): Studied {
  const { visit, habits } = facts;
  const line = lineOf(facts.sessions, facts.saw, 'before', part);
  if (!line || line.teeth.length < 3) return { ok: false, code: 'nothing-measured' };
  const told = { teeth: teethOf(saw), pitchMm: saw.pitchMm, toeZones: toeZonesOf(saw) };
  const pointed = isPointed(saw);
  const roles = pointed ? rolesOn(saw, line.teeth.length) : null;
  const place = placesOn(saw, line.teeth.length);
  const judged = roles ? line.teeth.filter((r) => roles[r.tooth - 1] === 'cutter') : line.teeth;
  const stop = findReadingFaults(line.teeth, saw.pitchMm, saw.plateThicknessMm, place).find((f) => f.weight === 'stop');
  if (stop)
    return {
      ok: false,
      code: 'readings-unfit',
      tooth: stop.tooth,
      says: `Tooth ${stop.tooth} is not measured so that a plan can be made. Look at it under Measure.`,
    };
  const unread = judged.filter((r) => r.kind === 'tooth' && line.heightErrorMm[r.tooth - 1] === Infinity).length;
  const rakers = roles ? line.teeth.filter((r) => roles[r.tooth - 1] === 'raker').length : 0;
  const rakersUnread = rakers - line.rakersRead.length;
  const coverage = coverageOf(line.teeth, told, { roles, unread, rakersUnread, otherEdge });
  const wanted = visit.wantsFiling === 'as-it-is' ? saw.filing : visit.wantsFiling;
  const convert =
    !pointed && saw.family !== 'pull' && isConverting(saw.filing, visit.wantsFiling) && (wish.convert ?? true);
  const filing = convert ? wanted : saw.filing;
  const table = anglesFor(habits.angles, saw.family, filing, pointed);
  try {
    if (pointed && wish.sample && isReadInPart(line.teeth.length, told.teeth))
      throw new RangeError(
        'How a line of cutters is breasted is not told by a part of it: measure a few cutters on to its far end.',
      );
    const readings =
      wish.sample && isReadInPart(line.teeth.length, told.teeth) && !pointed
        ? standForRest(line.teeth, told.teeth, place)
        : line.teeth;
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
      measured: line.teeth.length - (pointed ? unread : 0),
      habits,
      marks: [...new Set(visit.marks.map((mark) => mark.kind))],
      grades: gradesOf(visit.marks),
      ...(visit.prepared && visit.prepared.length > 0 && { prepared: visit.prepared }),
      etch: visit.etch,
      worksOtherGrain: worksOtherGrain(visit.grain, saw.filing),
      measuredRakeDeg: measuredAngles(saw, facts.sessions, part)?.rakeDeg.value ?? null,
      ...straightening(facts),
      filingsSinceSet: filingsSinceSet(facts.visits),
      ...((wish.set !== null || wish.setMm !== null) && { setWish: { choice: wish.set, mm: wish.setMm } }),
      line: wish.line,
      ...(facts.filesAtHand && { filesAtHand: facts.filesAtHand }),
      ...(pointed && { cutters: cuttersOf(facts, saw, { ...line, teeth: judged }, wish) }),
      ...(saw.family === 'pull' && { pull: pullOf(facts, part, wish) }),
      judgement: facts.judgement,
    });
    const bare = studyLine(inputs);
    const strokeRate = facts.strokeRateOf(bare.file.file.name);
    const study = { ...bare, inputs: { ...bare.inputs, strokeRate } };
    const past = pastSaving(study);
    return { ok: true, study: wish.retoothMm === null ? study : retoothed(study, wish.retoothMm), coverage, past };
  } catch (error) {
    if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message, tooth: null };
    throw error;
  }
}

/** A pull saw's edges, and what its visits and its gullets tell of them. */
function pullOf({ sessions, habits, visits, visit }: WorkFacts, part: Filing | null, wish: LineWish): PullEdges {
  const gullets = estimatesOf(
    sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings),
    'gullet-depth',
    part,
  );
  const since = visits.findIndex((v) => v.work !== null && v.work !== 'top-bevels');
  return {
    edge: part,
    backDeg: wish.backDeg ?? habits.pullBackDeg ?? USUAL_PULL_BACK_DEG,
    topDeg: wish.topDeg ?? habits.pullTopDeg ?? USUAL_PULL_TOP_DEG,
    topOnlySince: (since < 0 ? visits : visits.slice(0, since)).filter((v) => v.work === 'top-bevels').length,
    gulletMm: gullets.length === 0 ? null : gullets.reduce((sum, g) => sum + g.valueMm, 0) / gullets.length,
    filing: wish.pullFiling,
    newBlade: visit.replacement,
  };
}

const isLineSaw = (saw: Saw): saw is SawOf<LineFamily> => LINE_FAMILIES.some((family) => family === saw.family);

/** The pattern as told, and all that was gauged of the rakers before the work. mm. */
function cuttersOf(
  { sessions, habits }: WorkFacts,
  saw: SawOf<'crosscut'>,
  line: Pick<LineView, 'teeth' | 'rakersRead'>,
  wish: LineWish,
): CuttersAndRakers {
  const readings = sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings);
  const gauged = (quantity: 'raker-width' | 'gullet-depth') =>
    estimatesOf(readings, quantity, null).map((e) => ({ tooth: e.place, mm: e.valueMm }));
  const breast = gaugedBreast(estimatesOf(readings, 'breast', null), saw.toothLineMm);
  // A crown falls with the square of the chord under it.
  const chordMm = (line.teeth.at(-1)?.xMm ?? 0) - (line.teeth[0]?.xMm ?? 0);
  return {
    kind: saw.kind,
    pattern: saw.pattern,
    offset: saw.patternOffset ?? 0,
    read: line.rakersRead,
    widths: gauged('raker-width'),
    gullets: gauged('gullet-depth'),
    tip: wish.rakerTip ?? habits.rakerTips ?? 'straight',
    tipDeg: tipAngleOf(habits),
    wantedMm: wish.rakerMm,
    breastMm: wish.breastMm,
    gaugedMm: breast && Math.max(0, breast.value) * (chordMm / saw.toothLineMm) ** 2,
    shoesMm: habits.jointerShoesMm ?? USUAL_SHOES_MM,
  };
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
