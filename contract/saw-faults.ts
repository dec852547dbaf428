import { pitchMmFromCount } from '@odontis/core/saw/points';
import type { ToldSaw } from './told-saw';
import { count } from './told-saw';

/** A tooth of the usual file is this share of its pitch high: cot 30 / 2. */
const HEIGHT_SHARE = Math.sqrt(3) / 2;
/** No blade is cut with teeth nearer than this along its rim. mm, no source. */
const LEAST_RIM_PITCH_MM = 1.5;

type Fault = { path: string[]; message: string };

/** Pitch as told, mm; null where none is or where the count is out of its bounds, which is said already. */
function pitchTold(saw: ToldSaw): number | null {
  if ('perInch' in saw)
    return count.perInch.safeParse(saw.perInch).success ? pitchMmFromCount(saw.perInch, saw.convention) : null;
  return 'pitchMm' in saw ? saw.pitchMm : null;
}

/** What cannot be, said at the field to look at first. */
export function impossible(saw: ToldSaw): Fault[] {
  const faults: Fault[] = [];
  const say = (path: string, message: string): void => void faults.push({ path: [path], message });
  const pitch = pitchTold(saw);
  if (saw.family === 'hand' && saw.backFixing !== 'none') say('backFixing', 'A hand saw has no stiffening back.');
  if (saw.family === 'back' && saw.backFixing === 'none')
    say('backFixing', 'Say how the back is fixed: folded or slotted.');
  if (saw.family === 'pull' && saw.backFixing !== 'none' && saw.edges === 2)
    say('edges', 'A saw with a back has teeth on one edge only.');
  if (pitch !== null && 'plateThicknessMm' in saw && saw.plateThicknessMm > HEIGHT_SHARE * pitch)
    say(
      'plateThicknessMm',
      `A plate of ${saw.plateThicknessMm.toFixed(2)} mm is thicker than its teeth are high (${(HEIGHT_SHARE * pitch).toFixed(2)} mm at this pitch): one of the two is a slip.`,
    );
  if (saw.family === 'crosscut' && saw.kind === 'frame' && saw.pattern.includes('R') && saw.pitchMm < 4)
    say('pattern', 'Rakers need room: at this pitch a frame saw has plain teeth, C.');
  if (saw.family === 'band' && saw.loopMm < 4 * saw.widthMm)
    say('loopMm', 'A band is many times longer than it is wide.');
  if ('diameterMm' in saw && saw.boreMm > saw.diameterMm / 2)
    say(
      'boreMm',
      `A bore of ${saw.boreMm.toFixed(0)} mm leaves no plate in a blade of ${saw.diameterMm.toFixed(0)} mm.`,
    );
  if (saw.family === 'circular') {
    const rim = (Math.PI * saw.diameterMm) / saw.teeth;
    if (rim < LEAST_RIM_PITCH_MM)
      say(
        'teeth',
        `${saw.teeth} teeth round a blade of ${saw.diameterMm.toFixed(0)} mm would stand ${rim.toFixed(1)} mm apart: count them again.`,
      );
    else if (saw.plateThicknessMm > rim)
      say(
        'plateThicknessMm',
        `A plate of ${saw.plateThicknessMm.toFixed(1)} mm is thicker than its teeth are long (${rim.toFixed(1)} mm apart).`,
      );
  }
  if (saw.family === 'dado') {
    const outers = saw.parts.filter((part) => part.kind === 'outer').length;
    if (outers !== 2) say('parts', `A dado set cuts between two outer blades; this one has ${outers}.`);
    saw.parts.forEach((part, i) => {
      const at = (field: string, message: string): void =>
        void faults.push({ path: ['parts', String(i), field], message });
      if (part.kind !== 'shim' && part.teeth < 2) at('teeth', `${part.id}: a blade or chipper has two teeth at least.`);
      if (part.kind === 'shim' && part.teeth > 0) at('teeth', `${part.id}: a shim has no teeth.`);
      if (part.kind !== 'shim' && part.cutMm < part.plateMm)
        at('cutMm', `${part.id}: its teeth cut wider than its plate is thick.`);
      if (part.teeth > 0 && (Math.PI * saw.diameterMm) / part.teeth < LEAST_RIM_PITCH_MM)
        at('teeth', `${part.id}: ${part.teeth} teeth do not fit round ${saw.diameterMm.toFixed(0)} mm.`);
    });
    const names = saw.parts.map((part) => part.id);
    const twice = names.find((id, i) => names.indexOf(id) !== i);
    if (twice) say('parts', `Two parts are called “${twice}”: marks could not be told apart.`);
  }
  return faults;
}
