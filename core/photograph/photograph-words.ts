import type { TraceRefusal } from '../trace/traced-line';
import type { ReadEdge } from './read-edge';
import type { PhotographFacts, PhotographFault } from './see-marks';

/** Why a photograph gives no number, and what to do. */
export const PHOTOGRAPH_FAULT_WORDS: Readonly<Record<PhotographFault, string>> = {
  'marks-covered':
    'Too few marks of the measuring strips are seen. Lay the strips so that nothing covers them, with light on all of them, and take the whole line in.',
  'too-oblique': 'The camera looks too much from the side. Hold it straight over the line, within 25 degrees.',
  blurred:
    'The picture is blurred. Hold still, or rest the camera on something, and touch the teeth on the screen to focus.',
  'not-flat':
    'The marks do not fit a flat bench and a lens. Lay the strips down flat, with a weight on what curls, and take it again.',
  'no-strip-at-teeth':
    'The strips leave no room for a tooth line. Lay one strip along the points with its plain margin under them, and one on the plate not nearer than 10 mm to the gullets.',
  'no-round-strips':
    'No round strip is seen. Print the round strips for this blade’s diameter and lay them round its rim, the points over their plain margin.',
  'no-rim':
    'No rim was found inside the round strips. Lay the blade in their middle, flat, with light that shows plate from paper.',
  'no-strips-both-sides':
    'Strips are wanted on both sides of the plate. Lay one against each side, the plain margins to the plate.',
  'edge-too-fine':
    'The plate is fewer than six pixels thick here: too fine for its set. Go nearer and take the line in parts.',
  'from-aside':
    'The camera looks at the plate from one side, and its wall hides the set there. Hold it straight over the points, and bring the strips up close under the gullets.',
  'no-edge':
    'No edge of a plate was found between the strips. Hold the saw upright between them, the points to the camera, with light that shows steel from paper.',
};

/** What a photograph laid flat lacks when no line can be traced on it. */
export const PHOTOGRAPH_REFUSAL_WORDS: Readonly<Record<TraceRefusal, string>> = {
  'too-small':
    'Too little of the bench is seen beside the strips. Take the picture so that 4 cm of the plate are on it.',
  'one-grey': 'Under the strips all is one grey: no saw is seen. Lay the points over the strips’ plain margin.',
  'no-tooth-line':
    'No tooth line was found beside the strips. Lay the points over the plain margin of the strips, along them, with light that shows plate from paper.',
  'cut-off':
    'The points lie over the marks. Draw the saw back until the points stand on the plain margin, 3 mm under the dots.',
  'teeth-too-fine':
    'The teeth are too fine for this photograph: fewer than seven pixels each. Go nearer and take the line in two or three pictures that share a strip.',
};

/** Teeth of fewer px than this are too fine for a photograph's angles. */
const ROUGH_TOOTH_PX = 12;
const SHADOW_SHARE = 0.45;
/** The share of the pitch that a plate standing off may cost before it must be laid down. */
const PITCH_SHARE = 0.001;

/** What a photograph along the points shows, in sentences; mm. */
export function edgeWords(
  edge: Pick<Extract<ReadEdge, { ok: true }>, 'facts' | 'mmPerPx' | 'seenMm' | 'sideErrorMm' | 'teeth'>,
  plateMm: number,
): string {
  const { facts, mmPerPx, seenMm, sideErrorMm, teeth } = edge;
  return (
    `${teeth.length} teeth seen along the points: ${facts.marks} marks, ${facts.tiltDeg.toFixed(0)}° off upright, ` +
    `${(facts.heightMm / 10).toFixed(0)} cm over the strips, ${mmPerPx.toFixed(2)} mm to the pixel. Between its walls the plate looks ` +
    `${seenMm.toFixed(2)} mm thick; it is ${plateMm.toFixed(2)}. One side may be told ${sideErrorMm.toFixed(3)} mm too much and the other as much too little: ` +
    'the plate is taken to stand upright to the strips within a quarter of a degree.'
  );
}

/** What is found of a good photograph, in sentences: what to mend first. mm in, px a tooth by the pitch told (0 where none is). */
export function photographWords(
  { facts, mmPerPx }: { readonly facts: PhotographFacts; readonly mmPerPx: number },
  pitchMm: number,
): { seen: string; warnings: string[] } {
  const { strips, marks, tiltDeg, heightMm, light } = facts;
  const warnings: string[] = [];
  const toothPx = pitchMm / mmPerPx;
  if (pitchMm > 0 && toothPx < ROUGH_TOOTH_PX)
    warnings.push(
      `A tooth is ${toothPx.toFixed(0)} pixels long: too fine for its angles here. Go nearer and take the line in two pictures.`,
    );
  if (light < SHADOW_SHARE)
    warnings.push(
      'A shadow lies along the teeth or over a part of the strips. Turn the lamp or the saw and take it again if teeth lie in it.',
    );
  return {
    seen:
      `Photograph on ${strips === 1 ? 'one strip' : `${strips} strips`}: ${marks} marks, ${tiltDeg.toFixed(0)}° off upright, ` +
      `${(heightMm / 10).toFixed(0)} cm over the bench, ${mmPerPx.toFixed(2)} mm to the pixel. ` +
      `Where the plate stands ${(PITCH_SHARE * heightMm).toFixed(1)} mm off the strips, its pitch is told a thousandth too large.`,
    warnings,
  };
}
