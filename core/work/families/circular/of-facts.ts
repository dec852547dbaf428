import { gradesOf } from '../../../saw/plate-marks';
import { bevelDeg, hookDeg } from '../../../circular/blade-geometry';
import type { DialReading } from '../../../circular/dial-harmonics';
import { dialReadings } from '../../../circular/dial-of';
import { estimatesOf, standing } from '../../../evidence/estimates';
import { meanAndSpread } from '../../../evidence/line-statistics';
import type { LengthQuantity } from '../../../evidence/quantities';
import { setOf } from '../../../evidence/set-of';
import { sidesOf } from '../../../evidence/sides';
import type { SawOf } from '../../../saw/saw';
import { rolesOn, teethOf } from '../../../saw/saw';
import type { WorkFacts } from '../../family-work';
import { BLADE_FILE } from '../../../file/file-choice';
import { filingsSinceSet } from '../../judge-reset';
import { TURNED_DEG } from './study';
import type { BladeInputs, BladeWish } from './inputs';

const USED: ReadonlySet<string> = new Set<LengthQuantity>([
  'runout',
  'runout-turned',
  'face-line',
  'bevel-fall',
  'gullet-depth',
  'set',
]);

/** Teeth that plane by the pattern that was told; none where none was. */
const toldRakers = (saw: SawOf<'circular'>): number[] =>
  (rolesOn(saw, teethOf(saw)) ?? []).flatMap((role, i) => (role === 'raker' ? [i + 1] : []));

/** Everything a ticket knows of a blade, as its order is worked out from it. mm. O(readings). */
export function bladeInputsOf(facts: WorkFacts, saw: SawOf<'circular'>, wish: BladeWish): BladeInputs {
  const teeth = teethOf(saw);
  const readings = facts.sessions.filter((s) => s.kind === 'before').flatMap((s) => s.readings);
  const read = (quantity: LengthQuantity) => estimatesOf(readings, quantity, null).filter((e) => e.place <= teeth);
  const dial = (quantity: LengthQuantity): DialReading[] => {
    const estimates = read(quantity);
    return estimates.length === 0 ? [] : dialReadings(saw, estimates, teeth);
  };
  const mean = (quantity: LengthQuantity): number | null => {
    const all = read(quantity);
    return all.length === 0 ? null : meanAndSpread(all.map((e) => e.valueMm)).meanMm;
  };
  const [faceLineMm, fallMm] = [mean('face-line'), mean('bevel-fall')];
  const first = dial('runout');
  const kindAt = new Map(first.map((r) => [r.tooth, r.kind]));
  return {
    saw: {
      diameterMm: saw.diameterMm,
      plateThicknessMm: saw.plateThicknessMm,
      filing: saw.filing,
      tipped: saw.tipped,
      markedLimitRpm: saw.markedLimitRpm,
      wood: facts.visit.wood,
    },
    teeth,
    dial: first,
    // A tooth is what it was found to be the first time, however the blade was turned since.
    again: dial('runout-turned').map((r) => ({ ...r, kind: kindAt.get(r.tooth) ?? r.kind })),
    rakers: toldRakers(saw),
    turnedDeg: TURNED_DEG,
    hookDeg: faceLineMm === null ? null : hookDeg(faceLineMm, saw.diameterMm / 2),
    bevelDeg: fallMm === null ? null : bevelDeg(fallMm, saw.plateThicknessMm),
    gulletMm: mean('gullet-depth'),
    set: setOf(facts.sessions, 'before', sidesOf(saw)),
    filingsSinceSet: filingsSinceSet(facts.visits),
    marks: [...new Set(facts.visit.marks.map((mark) => mark.kind))],
    grades: gradesOf(facts.visit.marks),
    ...(facts.visit.prepared && facts.visit.prepared.length > 0 && { prepared: facts.visit.prepared }),
    keys: standing(readings)
      .filter((r) => USED.has(r.quantity))
      .map((r) => r.key),
    strokeRate: facts.strokeRateOf(BLADE_FILE),
    habits: facts.habits,
    wish,
    judgement: facts.judgement,
  };
}
