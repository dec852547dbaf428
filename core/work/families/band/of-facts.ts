import { gradesOf } from '../../../saw/plate-marks';
import { awayFromWeld } from '../../../band/away-from-weld';
import { bandTeeth } from '../../../saw/band-teeth';
import type { PlaceEstimate } from '../../../evidence/estimates';
import { estimatesOf, standing } from '../../../evidence/estimates';
import { meanAndSpread } from '../../../evidence/line-statistics';
import { setOf } from '../../../evidence/set-of';
import { sidesOf } from '../../../evidence/sides';
import type { LengthQuantity } from '../../../evidence/quantities';
import type { SawOf } from '../../../saw/saw';
import type { WorkFacts } from '../../family-work';
import { USUAL_JAW_MM } from '../../habits';
import { filingsSinceSet } from '../../judge-reset';
import type { BandInputs, BandWish } from './inputs';

/** A tooth so far under the median is broken or short: nobody brings the others down to it. Estimate, no source. mm. */
const SHORT_MM = 0.3;
/** Length over pitch is a whole number where the teeth were counted and the pitch is worked out of them. */
const COUNTED_WHOLE = 1e-6;

/** What an order of a band rests on. */
const USED: ReadonlySet<string> = new Set<LengthQuantity>(['set', 'height', 'gullet-depth']);

/** Whether the ticket's pitch comes of a count, and not of a measured tooth. */
export const isCounted = ({ toothLineMm, pitchMm }: Pick<SawOf<'band'>, 'toothLineMm' | 'pitchMm'>): boolean =>
  Math.abs(toothLineMm / pitchMm - Math.round(toothLineMm / pitchMm)) <= COUNTED_WHOLE * (toothLineMm / pitchMm);

/** Everything a ticket knows of a band, as its order is worked out from it. mm. O(readings). */
export function bandInputsOf(facts: WorkFacts, saw: SawOf<'band'>, wish: BandWish): BandInputs {
  const { visit, habits } = facts;
  const teeth = bandTeeth(saw.toothLineMm, saw.pitchMm);
  const sessions = facts.sessions.map((s) => ({ ...s, readings: awayFromWeld(s.readings, teeth) }));
  const readings = sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings);
  const read = (quantity: LengthQuantity) => estimatesOf(readings, quantity, null);
  const gullets = read('gullet-depth');
  return {
    saw: {
      lengthMm: saw.toothLineMm,
      widthMm: saw.plateDepthHeelMm,
      plateThicknessMm: saw.plateThicknessMm,
      set: saw.set,
      wood: visit.wood,
    },
    teeth,
    counted: isCounted(saw),
    set: setOf(sessions, 'before', sidesOf(saw)),
    heights: heightsRead(read('height')),
    gulletMm: gullets.length === 0 ? null : meanAndSpread(gullets.map((g) => g.valueMm)).meanMm,
    jawMm: habits.jawMm ?? USUAL_JAW_MM,
    filingsSinceSet: filingsSinceSet(facts.visits),
    marks: [...new Set(visit.marks.map((mark) => mark.kind))],
    grades: gradesOf(visit.marks),
    ...(visit.prepared && visit.prepared.length > 0 && { prepared: visit.prepared }),
    keys: standing(readings)
      .filter((r) => USED.has(r.quantity))
      .map((r) => r.key),
    habits,
    wish,
    judgement: facts.judgement,
  };
}

function heightsRead(heights: readonly PlaceEstimate[]): BandInputs['heights'] {
  if (heights.length === 0) return null;
  const sorted = heights.map((e) => e.valueMm).sort((a, b) => a - b);
  const median = sorted[Math.floor(sorted.length / 2)] ?? 0;
  const standing = sorted.filter((mm) => mm >= median - SHORT_MM);
  const short = heights.filter((e) => e.valueMm < median - SHORT_MM);
  return {
    count: heights.length,
    spreadMm: (standing.at(-1) ?? 0) - (standing[0] ?? 0),
    short: short.map((e) => ({ tooth: e.place, byMm: median - e.valueMm })),
  };
}
