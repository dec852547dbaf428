import { rimSpeed } from '@odontis/core/circular/blade-geometry';
import { BELOW_SCORERS_MM } from '@odontis/core/circular/equalise';
import { chipRoomMm2 } from '@odontis/core/circular/joint-round';
import type { BladeOrdered } from '@odontis/core/work/families/circular/inputs';
import type { BladeStudy } from '@odontis/core/work/families/circular/study';
import type { WorkOrder } from '@odontis/core/work/order';
import type { Speech } from '../../../shared/speech/speech';
import type { Figure } from '../../../shared/ui/figures';

/** The wood a blade's chip room is told for, mm. */
const TOLD_CUT_MM = 50;

/** A blade as it is planned, with the order's reasons. */
export interface BladePlanned {
  readonly own: BladeOrdered;
  readonly study: BladeStudy;
  readonly reasons: WorkOrder['reasons'];
}

/** What its marking lets a blade or a set run at. */
export function speedSays(limitRpm: number | null, diameterMm: number | null): string {
  if (limitRpm === null) return 'no marking: ask the owner, none is guessed';
  const rim =
    diameterMm === null
      ? ''
      : `: ${rimSpeed(diameterMm, limitRpm, limitRpm).metresPerSecond.toFixed(0)} m/s at the rim`;
  return `at most ${limitRpm} turns a minute, as marked${rim}`;
}

function centre({ own, study }: BladePlanned, speech: Speech): string | null {
  const { bladeMm, arborMm } = own.forecast;
  if (bladeMm === null || !study.split) return null;
  const error = ` ± ${speech.finer(study.split.eccentricityErrorMm)}`;
  return arborMm === null
    ? `${speech.fine(bladeMm)}${error}, blade and arbor together`
    : `blade ${speech.fine(bladeMm)}, arbor ${speech.fine(arborMm)}${error}`;
}

/** Heights before and after, what is reached and what it takes; none where the rim was not read by dial. */
function jointed({ forecast }: BladeOrdered, speech: Speech): Figure[] {
  const { spreadBeforeMm, spreadAfterMm, reachedShare, metalMm3 } = forecast;
  if (!spreadBeforeMm) return [];
  return [
    {
      name: 'Scorers, highest to lowest',
      says: `${speech.fine(spreadBeforeMm)} now, ${speech.fine(spreadAfterMm ?? 0)} after`,
    },
    { name: 'Teeth reached', says: `${speech.share(reachedShare)} of those worth keeping` },
    { name: 'Metal', says: `about ${metalMm3.toFixed(0)} mm³` },
  ];
}

/** A steel blade's heights, centre, set, angles and chip room. */
function steel(planned: BladePlanned, speech: Speech): Figure[] {
  const { own, study, reasons } = planned;
  const { diameterMm, rakers, set } = own.forecast;
  const { hookDeg, bevelDeg, gulletMm } = own.inputs;
  const middle = centre(planned, speech);
  const resetReason = set.reset ? 'Set the teeth' : 'Leave the set';
  return [
    ...jointed(own, speech),
    { name: 'Diameter left', says: speech.long(diameterMm) },
    ...(middle === null ? [] : [{ name: 'Off its centre', says: middle }]),
    ...(rakers > 0 ? [{ name: 'Rakers', says: `${speech.fine(BELOW_SCORERS_MM)} under the scorers` }] : []),
    {
      name: 'Set',
      says: set.reset ? `anew to ${speech.fine(set.perSideMm)} a side` : 'left as it is',
      why: reasons.find((one) => one.what === resetReason),
    },
    {
      name: 'Hook',
      says: `${study.hookDeg.toFixed(0)}°${hookDeg === null ? ', as usual for its kind: lay a straight edge on a face' : ', as measured'}`,
    },
    ...(bevelDeg
      ? [{ name: 'Bevel', says: `${bevelDeg.toFixed(0)}°, kept or made steeper for a cleaner shoulder` }]
      : []),
    ...(gulletMm === null
      ? []
      : [
          {
            name: 'A gullet holds',
            // The bite a tooth may take in a cut so deep.
            says: `${speech.plate(chipRoomMm2(study.pitchMm, gulletMm) / TOLD_CUT_MM)} a tooth in wood ${speech.long(TOLD_CUT_MM)} deep, no more`,
          },
        ]),
  ];
}

/** What is known and foretold of a blade; of one that goes out to the grinder its teeth and its speed. */
export function bladeFigures(planned: BladePlanned, speech: Speech): Figure[] {
  const { own, study } = planned;
  const { saw } = own.inputs;
  const { teeth, rakers } = own.forecast;
  return [
    {
      name: 'Teeth',
      says: `${teeth}${rakers > 0 ? `, ${rakers} of them rakers` : ''}, ${speech.plate(study.pitchMm)} apart`,
    },
    ...(saw.tipped === 'carbide' ? [] : steel(planned, speech)),
    { name: 'Speed', says: speedSays(saw.markedLimitRpm, saw.diameterMm) },
  ];
}
