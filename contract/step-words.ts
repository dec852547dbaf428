import type { Ends } from '@odontis/core/saw/ends';
import { theEnd } from '@odontis/core/saw/ends';
import type { Moment } from '@odontis/core/work/moments';
import type { Step, StepKind } from '@odontis/core/work/step';
import type { ShopBook } from './shop';

/** How lengths are said in steps, mm in. */
export interface StepSpeech {
  readonly fine: (mm: number) => string;
  readonly long: (mm: number) => string;
  readonly plate: (mm: number) => string;
}

export const STEP_NAMES: Record<StepKind, string> = {
  clean: 'Clean',
  straighten: 'Straighten the plate',
  tighten: 'Tighten the handle',
  'set-out': 'Set out the teeth',
  'flatten-set': 'Take the set out',
  joint: 'Joint',
  shape: 'Shape',
  reshape: 'Reshape to the new filing',
  'file-off': 'File the old teeth off',
  cut: 'Cut the new teeth',
  'joint-again': 'Joint again, lightly',
  look: 'Look along the line',
  set: 'Set',
  sharpen: 'Sharpen',
  'last-pass': 'Last pass, fresh corner',
  stone: 'Stone the sides',
  finish: 'Finish',
  test: 'Test cut at the vise',
  'by-hand': 'By hand',
  'dress-rakers': 'Dress the rakers’ faces',
  'raker-gullets': 'Rakers’ gullets',
  'raker-tips': 'Rakers to depth',
  'thin-rakers': 'File the rakers thin',
  swage: 'Hammer the rakers over',
  point: 'Point the cutters',
  'touch-up': 'Touch up what the set rounded',
  'rakers-again': 'Rakers under the gauge again',
  edge: 'File',
  uncoil: 'Uncoil and hang the band',
  'joint-round': 'Joint round, lightly',
  coil: 'Coil the band',
  inspect: 'Look it over, off the machine',
  round: 'File',
  'round-rakers': 'Rakers under the scorers',
  'round-gullets': 'Round and deepen the gullets',
  grinder: 'To the grinder',
  home: 'Home from the grinder',
  chipper: 'Bring the chipper down',
  stack: 'Put it on the arbor',
  'mark-part': 'Mark it out of use',
  'swage-teeth': 'Swage the teeth',
  blend: 'Blend in what is short',
};

const HEEL_TO_TOE: Ends = { heel: 'heel', toe: 'toe' };

const EDGE_NAMES = { face: 'faces', back: 'backs', top: 'top bevels' } as const;

/** A step's name with its number aimed at, as it stands in lists. */
export function stepTitle(step: Step, speech: StepSpeech, ends: Ends = HEEL_TO_TOE): string {
  const of = step.line ? `, ${step.line} edge` : step.part ? `, ${step.part}` : '';
  if (step.edge === 'heel-tip' || step.edge === 'toe-tip')
    return `${STEP_NAMES[step.kind]}, tips to ${theEnd(ends, step.edge === 'heel-tip' ? 'heel' : 'toe')}`;
  if (step.edge) return `File the ${EDGE_NAMES[step.edge]}${of}${step.side === null ? '' : `, from the ${step.side}`}`;
  const side =
    step.side === null ? '' : step.kind === 'set' ? `, teeth leaning ${step.side}` : `, from the ${step.side}`;
  if (step.says) return step.says.charAt(0).toUpperCase() + step.says.slice(1);
  if (step.kind === 'joint-round' && step.unit === 'whole')
    return `Joint round ${step.targetMm ? speech.fine(step.targetMm) : 'by eye'}${of}`;
  if (step.kind === 'joint') return `Joint ${speech.fine(step.targetMm ?? 0)}`;
  const teeth = step.stretch ? `, teeth ${step.stretch.fromTooth} to ${step.stretch.toTooth}` : '';
  return `${STEP_NAMES[step.kind]}${of}${teeth}${side}`;
}

/** The instruction read from an arm's length. */
export function stepSays(step: Step, speech: StepSpeech, book: ShopBook | null, ends: Ends = HEEL_TO_TOE): string {
  switch (step.kind) {
    case 'clean':
      return 'Strip and clean the plate, rust off before any setting. Protect an etch.';
    case 'straighten':
      return (
        step.reasons[0]?.otherwise ??
        'Find the middle of the bend, bend back by hand a little past straight, look, again.'
      );
    case 'flatten-set':
      return 'Squeeze most of the set out in a smooth vise. It need not come out flat.';
    case 'joint':
      if (step.jointer)
        return `${jointerSays(step.jointer, speech)} About ${step.passes} light ${step.passes === 1 ? 'pass' : 'passes'} along the cutters, until the bright spots stand where the plan shows them.`;
      return `Mill file square to the plate, about ${step.passes} light ${step.passes === 1 ? 'pass' : 'passes'}, until the bright spots stand where the plan shows them. Measure before the last.`;
    case 'look':
      return `Brush the teeth and look along the line: every flat just gone. Where one still shines, one stroke more, then look again. Up to ${speech.fine(step.targetMm ?? 0)} may be left.`;
    case 'tighten':
      return 'Handle screws or rivets snug: a loose handle cuts as if the saw ran.';
    case 'set-out':
      return `Mark every point, ${speech.plate(step.targetMm ?? 0)} from tip to tip, from ${theEnd(ends, 'heel')}.`;
    case 'reshape':
      return `${filingSays(step, book, ends)} Take it down by halves, looking along the line between.`;
    case 'file-off':
      return `Mill file square to the plate, down ${speech.plate(step.targetMm ?? 0)}, until no old gullet shows and the edge is straight.`;
    case 'cut':
      return `${filingSays(step, book, ends)} On every mark to half depth first; look along the line; then to full depth.`;
    case 'joint-again':
      return 'One light pass: every tooth shows the smallest bright spot, none is missed.';
    case 'last-pass':
      return `${filingSays(step, book, ends)} Turn the file to a fresh corner first.`;
    case 'test':
      return 'Two strokes in the customer’s wood, with the grain it is filed for: see that it starts and does not run.';
    case 'by-hand':
      return 'Done by hand and eye: write down what was done when it is finished.';
    case 'shape':
      return filingSays(step, book, ends);
    case 'sharpen':
      if (step.unit === 'window')
        return `${filingSays(step, book, ends)} The gullets just above the jaws, the hook kept as it was made; the same strokes in every gullet, no more in one that looks worse.`;
      return filingSays(step, book, ends);
    case 'set':
      if (step.unit === 'window')
        return `Only the teeth that lean ${step.side}: bend the top third to ${speech.fine(step.targetMm ?? 0)}. Measure the first few before going on.`;
      return `Bend the top third only, away from you, to ${speech.fine(step.targetMm ?? 0)}. Measure the first few before going on.`;
    case 'dress-rakers':
      return 'A flat file over the inner faces: no punch mark or crack left that a hammer or a knot would open.';
    case 'raker-gullets':
      return 'File square across, in the raker’s middle, moving down the curve so as to leave no step. Every raker has its own depth.';
    case 'thin-rakers':
      return `Square across, down to ${speech.fine(step.targetMm ?? 0)} under the gauge: what is left goes over under the hammer.`;
    case 'swage':
      return 'Light blows on the inside of each tip until it leans a little over its own end; then look underneath for a crack.';
    case 'raker-tips':
      return `Gauge on the cutters, set to ${speech.fine(step.targetMm ?? 0)}: file square across until the file rides on it. Go by the flat, it shall all but disappear; not by the strokes.`;
    case 'point':
      return `Stand on the ${step.side}: the cutters that lean away from you. Half of the flat from each side, the bevel kept as it is, until the flat just vanishes; never past it.`;
    case 'touch-up':
      return `Stand on the ${step.side}. One light stroke along the bevel where the set tool has rounded the point.`;
    case 'edge':
      return `${step.side === null ? 'Square across' : `Stand on the ${step.side}: the teeth that lean away from you`}; the push stroke cuts, lift the file clear on the way back. ${EDGE_SAYS[step.edge === 'face' || step.edge === 'back' ? step.edge : 'top']}`;
    case 'rakers-again':
      return `Every raker under the gauge at ${speech.fine(step.targetMm ?? 0)} once more: pointing and setting may have brought cutters down.`;
    case 'uncoil':
      return 'Let it open away from you, turn it teeth up, and hang it on supports round the loop so that it lies in the vise without pulling. Chalk the weld. Put the first marker on the last tooth before the weld: it stays there.';
    case 'joint-round':
      if (step.unit === 'whole')
        return `On an arbor turned by hand, a stone clamped so that it just touches the highest tooth; bring the rim round against it, ${step.targetMm ? `about ${speech.fine(step.targetMm)} in all, ` : ''}until the flats stand where the plan shows them. Measure before the last.`;
      return 'A fine stone or a mill file flat along the tips of what lies between the jaws: the lightest touch, the same for every window, until the high ones shine.';
    case 'inspect':
      return 'Look at every gullet for a crack, lay a straight edge on the plate, look for blue spots, tap it and listen. A plate that fails goes no further.';
    case 'round':
      return step.edge === 'face'
        ? 'The face first: take half of the flat away, the hook kept as it was made. The file stops where half the flat still shines.'
        : `${step.side === null ? 'Straight across' : `Stand on the ${step.side}: the teeth whose bevel looks to you`}. The back takes the rest of the flat, its bevel kept or a little steeper; until the flat just vanishes, never past it.`;
    case 'round-rakers':
      return `Square across, down to ${speech.fine(step.targetMm ?? 0)} under the scorers, all alike: uniform before exact. Read the first by dial.`;
    case 'round-gullets':
      return 'A round file, the same strokes in every gullet, a smooth bottom without a corner: a corner starts a crack.';
    case 'chipper':
      return 'In place on the arbor, the dial read at every tooth and the reading written on it. Down to the lowest, stroke by stroke, a fresh reading between; never below it.';
    case 'swage-teeth':
      return `A plate so thick is not bent: upset every tip to both sides, ${speech.fine(step.targetMm ?? 0)} each, then dress the sides alike. Measure the first few before going on.`;
    case 'blend':
      return 'Round the stump off under the line so that nothing catches on it; the tooth that follows takes a double bite and wears level by itself. Nothing is brought down to it.';
    case 'mark-part':
      return 'Red paint across both faces and a tag through the bore, before anything else: cracked or bent, it is never mounted again.';
    case 'stack':
      return 'The first outer blade, then the chippers turned so that each tip lies in a gullet and the tips are spread round, the shims where they were planned, the other outer blade; the nut tight.';
    case 'grinder':
      return 'Wrap the tips, write on the tag what is asked, and put the ticket to wait for the grinder.';
    case 'home':
      return 'Every tip there and ground alike? Spin it by hand past a pointer: no tip stands out. Write down what came home.';
    case 'coil':
      return 'Brush and magnet first. Gloves on; fold it into three loops, never one hand against the spring, and tie it.';
    case 'stone':
      return step.side
        ? `Even the set out: about ${step.passes - 1} light oiled ${step.passes === 2 ? 'pass' : 'passes'} on the ${step.side} side, down to ${speech.fine(step.targetMm ?? 0)}, measuring between; then one on each side.`
        : 'One light oiled pass on each side, flat on the teeth.';
    case 'finish':
      return 'Clean, wax or oil, guard on the edge. Then the test cut.';
  }
}

function filingSays(step: Step, book: ShopBook | null, ends: Ends): string {
  const stand = step.side === null ? 'File level and square across' : `Stand on the ${step.side}`;
  const tip =
    step.tipTowards === 'across' || step.tipTowards === null
      ? ''
      : `, tip of the file towards ${theEnd(ends, step.tipTowards === 'toe' ? 'toe' : 'heel')}`;
  const between =
    book?.habits.betweenStrokes === 'draw-back'
      ? 'draw it back lightly in the gullet'
      : 'lift the file clear on the way back';
  return `${stand}${tip}; ${between}.`;
}

/** Which flank gets the weight, in the trade's words. */
export const HEAVIER_SAYS = {
  even: 'even weight',
  face: 'lean on the face, heel side of the gullet',
  back: 'lean on the back, toe side of the gullet',
} as const;

/** How the jointer's file is bent, so that it can be set with a feeler, and how often it is moved on. */
function jointerSays({ bendMm, shoesMm, turns }: NonNullable<Step['jointer']>, speech: StepSpeech): string {
  const bend =
    bendMm < 0.005
      ? 'The jointer’s file straight'
      : `Bend the jointer’s file ${speech.fine(bendMm)} at the middle of its ${speech.long(shoesMm)} from shoe to shoe`;
  const on = turns > 0 ? `; move the file on ${turns === 1 ? 'once' : `${turns} times`} on the way` : '';
  return `${bend}${on}.`;
}

/** The same of a cutter pointed by itself, whose flat need not go half from each side. */
export const HEAVIER_SIDE_SAYS = {
  even: 'half from each side',
  face: 'more from its toe side',
  back: 'more from its heel side',
} as const;

/** Where the feather file lies at each of a pull saw's edges. */
const EDGE_SAYS = {
  face: 'The file against the face, which looks to the handle, down to the gullet’s bottom.',
  back: 'The file against the back, which looks to the toe, down to the gullet’s bottom.',
  top: 'The file across the top, falling from the tip to the toe, until the bevel is bright all over.',
} as const;

/** What is done before the next stop, in large letters. */
export const MOMENT_SAYS: Record<Moment, string> = {
  'turn-saw': 'Turn the saw round: the other side now',
  'fresh-corner': 'Turn the file to a fresh corner',
};
