import type { ScaleFault } from './scale';
import type { ToothDoubt, TraceNote, TraceRefusal } from './traced-line';

/** What to do when a picture cannot be traced: each refusal as a sentence. */
export const REFUSAL_WORDS: Readonly<Record<TraceRefusal, string>> = {
  'too-small': 'This picture is too small to hold a tooth line. Scan the saw at 600 dots to the inch.',
  'one-grey':
    'The picture is all one grey: nothing to trace. Check that the saw lay on the glass and the lid was not up in the dark.',
  'no-tooth-line':
    'No tooth line was found in this picture. Scan the teeth flat on the glass against a plain sheet, light behind a dark plate or dark behind a bright one, and the line within 5 degrees of an edge.',
  'cut-off':
    'The teeth are cut off by the edge of the picture. Scan again with 5 mm of space over the points and as much plate under the gullets.',
  'teeth-too-fine':
    'The teeth are too fine for this resolution: fewer than seven pixels each. Scan again at twice the resolution or more.',
};

export const NOTE_WORDS: Readonly<Record<TraceNote, string>> = {
  'turned-over': 'The teeth pointed down in the picture; it was turned over.',
  'turned-quarter': 'The line stood upright in the picture; it was turned a quarter.',
  'plate-side-guessed':
    'Nothing in the picture tells steel from space; the teeth were taken to point up. Turn them if they point down.',
  'heel-guessed': 'Faces and backs lean alike, so the heel was taken to be on the left. Say which end it is.',
  'faces-look-back':
    'The faces look to the heel. The picture is mirrored, or the heel is at the other end: turn it round, or say so.',
  'runs-out-at-heel':
    'The line may run on beyond the picture at the heel; a tooth cut through there is left out. Join another scan, or show more plate.',
  'runs-out-at-toe':
    'The line may run on beyond the picture at the toe; a tooth cut through there is left out. Join another scan, or show more plate.',
  'coarse-scan': 'Fewer than twelve pixels to a tooth: angles are rough. Twice the resolution would tell more.',
};

/** What is doubtful of a tooth, and what to do about it. */
export const DOUBT_WORDS: Readonly<Record<ToothDoubt, string>> = {
  missing: 'no tooth here: look whether one stands, and put it in where it does',
  broken: 'broken, or far off the line: call it what it is',
  'one-flank': 'one flank could not be followed: wipe the tooth and scan again, or measure its angle at the bench',
  'dust-at-tip':
    'more or less at the point than a tooth has: wipe off dust, rust or a burr and scan again, or move the point',
  'off-pattern': 'no raker where the pattern has one, or one where it has none: look, and call it what it is',
  'off-spacing': 'stands off the even step on both sides: look whether the point is where the cross is',
  'rough-flank': 'the flank is rough or bent, so its angle is doubtful: wipe off rust and scan again, or gauge it',
  moved: 'moved by hand',
  added: 'put in by hand',
};

/** The sentence asked when the scale does not fit the saw. */
export function scaleFaultWords({ tracedPitchMm, toldPitchMm, likelyDpi }: ScaleFault): string {
  const found = `At this scale the teeth stand ${tracedPitchMm.toFixed(2)} mm apart, but the saw's own pitch is ${toldPitchMm.toFixed(2)} mm.`;
  return likelyDpi === null
    ? `${found} Mark a known length on the picture.`
    : `${found} The picture looks like ${likelyDpi} dots to the inch: the file's own resolution is wrong.`;
}
