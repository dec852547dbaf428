import { rimPitchMm } from '../../../circular/blade-geometry';
import { USUAL_RELIEF_DEG } from '../../../circular/joint-round';
import { pointingFile } from '../../../file/file-choice';
import type { PlatePoint } from '../../../file/file-in-gullet';
import { cosDeg, radians, tanDeg } from '../../../units/radians';
import type { RoundOrdered } from '../../order';
import type { Step, Stop } from '../../step';
import type { EdgeAtStop } from '../../tooth-line/edge-work';

/** So much of the back is drawn, of the pitch. */
const BACK_SHARE = 0.5;

/**
 * A scoring tooth of a blade whose face or back is filed, as it turns to the right, the rim taken as straight over one
 * pitch: its face by the measured hook, its gullet as deep as measured, its relief as flats are reckoned with (usual).
 * Null where hook or gullet was not measured, and of any other step.
 */
export function bladeEdgeAt(round: RoundOrdered, step: Step, stop: Stop): EdgeAtStop | null {
  if (round.family !== 'circular' || step.kind !== 'round') return null;
  const { saw, teeth, hookDeg, gulletMm, strokeRate } = round.inputs;
  const { edge } = step;
  if (hookDeg === null || gulletMm === null || (edge !== 'face' && edge !== 'back')) return null;
  const pitchMm = rimPitchMm(saw.diameterMm, teeth);
  const back = BACK_SHARE * pitchMm;
  // A stop takes half of the flat; filed by its face, the back's half still stands.
  const goes = stop.flatMm ?? 0;
  const isFace = edge === 'face';
  const flat = isFace ? 2 * goes : goes;
  const deeperMm =
    goes > 0
      ? goes * (isFace ? cosDeg(hookDeg) : Math.sin(radians(USUAL_RELIEF_DEG)))
      : stop.strokes * strokeRate.rateMmPerStroke;
  const own: PlatePoint[] = [
    [-back, -gulletMm],
    [-back, -(back - flat) * tanDeg(USUAL_RELIEF_DEG)],
    [-flat, 0],
    [0, 0],
    [-gulletMm * tanDeg(hookDeg), -gulletMm],
  ];
  return {
    work: {
      ...{ teeth: [own], own: 0, section: 'mill', fileFaceMm: pointingFile(gulletMm).file.faceMm },
      edges: [{ from: isFace ? 3 : 1, deeperMm }],
      corner: isFace ? 'second' : null,
    },
    pitchMm,
  };
}
