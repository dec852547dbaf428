import { gradesOf } from '../../../saw/plate-marks';
import { estimatesOf, standing } from '../../../evidence/estimates';
import { UNCALIBRATED_STROKES } from '../../../line/strokes';
import type { SawOf } from '../../../saw/saw';
import type { WorkFacts } from '../../family-work';
import { DEFAULT_HABITS } from '../../habits';
import type { DadoRecord } from '../../saw-record';
import { BLADE_FILE } from '../../../file/file-choice';
import { roundWork } from '../round-work';
import type { DadoInputs, DadoWish } from './inputs';
import { orderDado } from './order';
import { studyDado } from './study';

const PLAIN: DadoWish = { family: 'dado', wantedMm: null, outersDownMm: null, chippersDownMm: null };

/** Dado sets: outer blades first, chippers brought down to one height, stacked for a groove. */
export const dadoWork = roundWork('dado', {
  plain: PLAIN,
  ofFacts: dadoInputsOf,
  ofRecord: inputsOfRecord,
  study: studyDado,
  order: orderDado,
});

/** Everything a ticket knows of a set: heights of every part on one dial, marks part by part. mm. O(readings). */
function dadoInputsOf(facts: WorkFacts, saw: SawOf<'dado'>, wish: DadoWish): DadoInputs {
  const readings = facts.sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings);
  const quantityOf = (kind: string) => (kind === 'outer' ? ('runout' as const) : ('chipper-height' as const));
  return {
    diameterMm: saw.diameterMm,
    markedLimitRpm: saw.markedLimitRpm,
    parts: saw.parts,
    heights: saw.parts.map((part) =>
      part.kind === 'shim'
        ? []
        : estimatesOf(readings, quantityOf(part.kind), part.id)
            .filter((e) => e.place <= part.teeth)
            .map((e) => ({ tooth: e.place, offMm: e.valueMm })),
    ),
    marks: saw.parts.map((_, i) => facts.visit.marks.filter((mark) => (mark.part ?? 0) === i).map((mark) => mark.kind)),
    grades: gradesOf(facts.visit.marks),
    ...(facts.visit.prepared && facts.visit.prepared.length > 0 && { prepared: facts.visit.prepared }),
    keys: standing(readings)
      .filter((r) => r.quantity === 'runout' || r.quantity === 'chipper-height')
      .map((r) => r.key),
    strokeRate: facts.strokeRateOf(BLADE_FILE),
    habits: facts.habits,
    wish,
  };
}

/** A set of its parts, its chippers' readings laid tooth after tooth over the chippers in their order. mm. */
function inputsOfRecord(record: DadoRecord): DadoInputs {
  const chippers = record.parts.filter((part) => part.kind === 'chipper').length;
  const each = chippers === 0 ? 0 : Math.ceil((record.chippers?.length ?? 0) / chippers);
  let next = 0;
  return {
    diameterMm: record.diameterMm ?? USUAL_SET_MM,
    markedLimitRpm: null,
    parts: record.parts.map((part) => ({
      ...part,
      teeth: part.kind === 'chipper' ? each : part.kind === 'outer' ? USUAL_OUTER_TEETH : 0,
    })),
    heights: record.parts.map((part) => {
      if (part.kind !== 'chipper') return [];
      const own = (record.chippers ?? []).slice(next, next + each);
      next += each;
      return own.map((r, i) => ({ tooth: i + 1, offMm: r.offMm }));
    }),
    marks: record.parts.map(() => []),
    keys: [],
    strokeRate: record.strokeRate ?? UNCALIBRATED_STROKES,
    habits: { ...DEFAULT_HABITS, ...record.habits },
    wish: { ...PLAIN, wantedMm: record.wantedMm ?? null },
  };
}

/** A set of ordinary size where its record does not say. Common practice, no source. */
const USUAL_SET_MM = 200;
const USUAL_OUTER_TEETH = 40;
