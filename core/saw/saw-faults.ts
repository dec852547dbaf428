import { teethFor } from './all-families';
import { BLADE_TEETH, toeZonesOf } from './saw';
import type { Saw } from './saw';
import { toeLengthMm } from './zones';

/** A tooth of the usual file is this share of its pitch high: cot 30 / 2. */
const HEIGHT_SHARE = Math.sqrt(3) / 2;
/** No blade is cut with teeth nearer than this along its rim. mm, no source. */
const LEAST_RIM_PITCH_MM = 1.5;
/** A rim worked out of its diameter agrees with it to rounding. Share. */
const RIM_ROUNDING = 1e-6;

/** Past this share of the line the teeth are the line's, not its toe's. */
const TOE_SHARE = 0.5;

export interface SawFault {
  /** Names from the saw down to the measure to look at first. */
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What cannot be of a saw's measures together, each said at the measure to look at first. Empty when it can be. */
export function sawFaults(saw: Saw): SawFault[] {
  const faults: SawFault[] = [];
  const say = (path: string, message: string): void => void faults.push({ path: [path], message });
  if (saw.family === 'hand' && saw.backFixing !== 'none') say('backFixing', 'A hand saw has no stiffening back.');
  if (saw.family === 'back' && saw.backFixing === 'none')
    say('backFixing', 'Say how the back is fixed: folded or slotted.');
  if (saw.family === 'pull' && saw.backFixing !== 'none' && saw.edges === 2)
    say('edges', 'A saw with a back has teeth on one edge only.');
  if (saw.family === 'pull' && saw.edges === 1 && (saw.ripPitchMm !== undefined || saw.hardEdge !== undefined))
    say('edges', 'A saw with teeth on one edge has no other edge to tell of.');
  if (saw.family === 'pull' && saw.ripPitchMm !== undefined && saw.plateThicknessMm > HEIGHT_SHARE * saw.ripPitchMm)
    say('ripPitchMm', 'The plate is thicker than the teeth of the rip edge are high: count them again.');
  if (!('diameterMm' in saw) && saw.plateThicknessMm > HEIGHT_SHARE * saw.pitchMm)
    say(
      'plateThicknessMm',
      `A plate of ${saw.plateThicknessMm.toFixed(2)} mm is thicker than its teeth are high (${(HEIGHT_SHARE * saw.pitchMm).toFixed(2)} mm at this pitch): one of the two is a slip.`,
    );
  const toe = toeZonesOf(saw);
  if (toeLengthMm(saw.pitchMm, toe) > TOE_SHARE * saw.toothLineMm)
    say('toeZones', 'The teeth at the toe take up more than half of the line: count them again.');
  if (toe.some((zone) => saw.plateThicknessMm > HEIGHT_SHARE * Math.min(zone.pitchFromMm, zone.pitchToMm)))
    say('toeZones', 'The plate is thicker than the teeth at the toe are high: count them again.');
  if (saw.family === 'crosscut' && saw.pattern.length > teethFor(saw.family, saw.toothLineMm, saw.pitchMm))
    say(
      'pattern',
      `A pattern of ${saw.pattern.length} teeth does not fit on a line of ${teethFor(saw.family, saw.toothLineMm, saw.pitchMm)}: count them again.`,
    );
  if (saw.family === 'crosscut' && (saw.patternOffset ?? 0) >= saw.pattern.length)
    say('patternOffset', `The line begins within its pattern of ${saw.pattern.length} teeth.`);
  if (saw.family === 'crosscut' && saw.kind === 'frame' && saw.pattern.includes('R') && saw.pitchMm < 4)
    say('pattern', 'Rakers need room: at this pitch a frame saw has plain teeth, C.');
  if (saw.family === 'band' && saw.toothLineMm < 4 * saw.plateDepthHeelMm)
    say('toothLineMm', 'A band is many times longer than it is wide.');
  if ('diameterMm' in saw) {
    if (saw.boreMm > saw.diameterMm / 2)
      say(
        'boreMm',
        `A bore of ${saw.boreMm.toFixed(0)} mm leaves no plate in a blade of ${saw.diameterMm.toFixed(0)} mm.`,
      );
    if (Math.abs(saw.toothLineMm - Math.PI * saw.diameterMm) > RIM_ROUNDING * saw.toothLineMm)
      say('diameterMm', 'The rim of a blade is its diameter times pi: one of the two is a slip.');
  }
  if (saw.family === 'circular') {
    const teeth = Math.round(saw.toothLineMm / saw.pitchMm);
    if (teeth < BLADE_TEETH.least || teeth > BLADE_TEETH.most)
      say('pitchMm', `The teeth of a blade must lie between ${BLADE_TEETH.least} and ${BLADE_TEETH.most}.`);
    else if (Math.abs(saw.toothLineMm / saw.pitchMm - teeth) > 1e-6 * teeth) say('pitchMm', 'Teeth are counted whole.');
    else if (saw.pitchMm < LEAST_RIM_PITCH_MM)
      say(
        'pitchMm',
        `${teeth} teeth round a blade of ${saw.diameterMm.toFixed(0)} mm would stand ${saw.pitchMm.toFixed(1)} mm apart: count them again.`,
      );
    else if (saw.plateThicknessMm > saw.pitchMm)
      say(
        'plateThicknessMm',
        `A plate of ${saw.plateThicknessMm.toFixed(1)} mm is thicker than its teeth are long (${saw.pitchMm.toFixed(1)} mm apart).`,
      );
    if (saw.pattern !== undefined && saw.pattern.length > teeth)
      say('pattern', `A pattern of ${saw.pattern.length} teeth does not fit on a blade of ${teeth}: count them again.`);
    if (saw.pattern !== undefined && saw.pattern.split('R').length - 1 > saw.pattern.length / 2)
      say(
        'pattern',
        'A blade with more rakers than scorers scores nothing: write R where a tooth planes, C where it scores.',
      );
    if (saw.pattern?.includes('R') && saw.filing !== 'combination')
      say('pattern', 'Rakers stand on combination blades: say so, or write C.');
  }
  if (saw.family === 'dado') {
    const outers = saw.parts.filter((part) => part.kind === 'outer').length;
    if (outers !== 2) say('parts', `A dado set cuts between two outer blades; this one has ${outers}.`);
    const [left, right] = saw.parts.filter((part) => part.kind === 'outer');
    if (left && right && left.teeth !== right.teeth)
      say(
        'parts',
        `The two outer blades are no pair, with ${left.teeth} and ${right.teeth} teeth: parts of two sets are not to be mixed.`,
      );
    saw.parts.forEach((part, i) => {
      const at = (field: string, message: string): void => void faults.push({ path: ['parts', i, field], message });
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
