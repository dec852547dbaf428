import type { Estimate } from '@odontis/core/evidence/estimate';
import type { TracedLine, TracedTooth } from '@odontis/core/trace/traced-line';
import type { FleamSeen } from '@odontis/core/trace/turns-of-trace';
import type { Speech } from '../../../shared/speech/speech';
import type { Figure } from '../../../shared/ui/figures';

/** An angle as one look gave it; "not seen" where that tooth shows none. */
const look = (deg: number | null, error: number | null): string =>
  deg === null || error === null ? 'not seen' : `${deg.toFixed(1)}° ± ${error.toFixed(2)}°`;
const angle = ({ value, error }: Estimate): string => look(value, error);
const both = (mm: number, error: number, { finer }: Speech): string => `${finer(mm)} ± ${finer(error)}`;
const length = ({ value, error }: Estimate, speech: Speech): string => both(value, error, speech);

/** One tooth as it was traced. */
export function toothFigures(tooth: TracedTooth, speech: Speech): Figure[] {
  const { kind, xMm, yMm, flatMm, rakeDeg, backDeg, errors } = tooth;
  const place = { name: 'Place', says: `${speech.plate(xMm)} ± ${speech.finer(errors.xMm)}` };
  const called = { name: `Tooth ${tooth.tooth}`, says: kind === 'tooth' ? '' : kind };
  if (kind === 'missing') return [called, place];
  return [
    called,
    place,
    { name: 'Height', says: both(yMm, errors.yMm, speech) },
    { name: 'Flat', says: both(flatMm, errors.flatMm, speech) },
    { name: 'Rake, back', says: `${look(rakeDeg, errors.rakeDeg)}; ${look(backDeg, errors.backDeg)}` },
  ];
}

function rakers({ summary }: TracedLine, speech: Speech): Figure[] {
  if (summary.rakers === 0) return [];
  const { rakerDepthMm } = summary;
  const depth = rakerDepthMm ? `, ${length(rakerDepthMm, speech)} under their cutters` : '';
  return [{ name: 'Rakers', says: `${summary.rakers}${depth}` }];
}

/** Fleam and sides as the bevels' light shows them; `lit` where bevels were looked for. */
function bevels(fleam: FleamSeen | null, lit: boolean): Figure[] {
  if (fleam)
    return [
      { name: 'Fleam, by the bevels', says: `${angle(fleam.fleamDeg)} on ${fleam.gullets} gullets` },
      { name: 'Points', says: fleam.alternate ? 'on both sides by turns' : 'on both sides, not by turns' },
    ];
  return lit ? [{ name: 'Fleam', says: 'the light shows no bevels: a lamp from one end shows them' }] : [];
}

/** A blade's size and what its heights stand about, or a line's breast and scatter. */
function shape({ rim, summary }: TracedLine, speech: Speech): Figure[] {
  if (rim)
    return [
      { name: 'Diameter over the points', says: speech.plate(2 * rim.meanRadiusMm) },
      {
        name: 'Heights stand about',
        says:
          rim.about === 'bore'
            ? `the bore, known to ${speech.finer(rim.centreErrorMm)}`
            : 'their own middle: no bore is seen, so how it runs is not told',
      },
    ];
  const { breastMm, unequalMm } = summary;
  return [
    {
      name: breastMm.value < 0 ? 'Hollow' : 'Breast',
      says: both(Math.abs(breastMm.value), breastMm.error, speech),
    },
    { name: 'Heights scatter', says: speech.finer(unequalMm) },
  ];
}

/** The line as traced, each with its error. */
export function tracedFigures(
  line: TracedLine,
  { fleam, lit }: { readonly fleam: FleamSeen | null; readonly lit: boolean },
  speech: Speech,
): Figure[] {
  const { teeth, broken, missing, pitchMm, pointsPerInch, rakeDeg, backDeg, gulletMm } = line.summary;
  return [
    {
      name: 'Teeth',
      says: `${teeth}${broken ? `, ${broken} broken` : ''}${missing ? `, ${missing} missing` : ''}`,
    },
    { name: 'Pitch', says: `${pitchMm.value.toFixed(3)} ± ${pitchMm.error.toFixed(3)} mm` },
    { name: 'Points to the inch', says: `${pointsPerInch.value.toFixed(2)} ± ${pointsPerInch.error.toFixed(2)}` },
    ...rakers(line, speech),
    ...(rakeDeg ? [{ name: 'Rake', says: `${speech.rake(rakeDeg.value)} ± ${rakeDeg.error.toFixed(2)}°` }] : []),
    ...(backDeg ? [{ name: 'Back of tooth', says: angle(backDeg) }] : []),
    ...(gulletMm ? [{ name: 'Gullet depth', says: length(gulletMm, speech) }] : []),
    ...bevels(fleam, lit),
    ...shape(line, speech),
  ];
}
