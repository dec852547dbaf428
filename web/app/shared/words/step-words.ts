import type { Step, StepKind } from '@odontis/core/work/step';
import type { ShopBook } from '@odontis/contract/shop';
import type { Speech } from '../speech/speech';

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
};

/** A step's name with its number aimed at, as it stands in lists. */
export function stepTitle(step: Step, speech: Speech): string {
  const side =
    step.side === null ? '' : step.kind === 'set' ? `, teeth leaning ${step.side}` : `, from the ${step.side}`;
  if (step.says) return step.says.charAt(0).toUpperCase() + step.says.slice(1);
  if (step.kind === 'joint') return `Joint ${speech.fine(step.targetMm ?? 0)}`;
  const teeth = step.stretch ? `, teeth ${step.stretch.fromTooth} to ${step.stretch.toTooth}` : '';
  return `${STEP_NAMES[step.kind]}${teeth}${side}`;
}

/** The instruction read from an arm's length. */
export function stepSays(step: Step, speech: Speech, book: ShopBook | null): string {
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
      return `Mill file square to the plate, about ${step.passes} light ${step.passes === 1 ? 'pass' : 'passes'}, until the bright spots stand where the plan shows them. Measure before the last.`;
    case 'look':
      return `Brush the teeth and look along the line: every flat just gone. Where one still shines, one stroke more, then look again. Up to ${speech.fine(step.targetMm ?? 0)} may be left.`;
    case 'tighten':
      return 'Handle screws or rivets snug: a loose handle cuts as if the saw ran.';
    case 'set-out':
      return `Mark every point, ${speech.plate(step.targetMm ?? 0)} from tip to tip, from the heel.`;
    case 'reshape':
      return `${filingSays(step, book)} Take it down by halves, looking along the line between.`;
    case 'file-off':
      return `Mill file square to the plate, down ${speech.plate(step.targetMm ?? 0)}, until no old gullet shows and the edge is straight.`;
    case 'cut':
      return `${filingSays(step, book)} On every mark to half depth first; look along the line; then to full depth.`;
    case 'joint-again':
      return 'One light pass: every tooth shows the smallest bright spot, none is missed.';
    case 'last-pass':
      return `${filingSays(step, book)} Turn the file to a fresh corner first.`;
    case 'test':
      return 'Two strokes in the customer’s wood, with the grain it is filed for: see that it starts and does not run.';
    case 'by-hand':
      return 'Done by hand and eye: write down what was done when it is finished.';
    case 'shape':
    case 'sharpen':
      return filingSays(step, book);
    case 'set':
      return `Bend the top third only, away from you, to ${speech.fine(step.targetMm ?? 0)}. Measure the first few before going on.`;
    case 'stone':
      return 'One light oiled pass on each side, flat on the teeth.';
    case 'finish':
      return 'Clean, wax or oil, guard on the edge. Then the test cut.';
  }
}

function filingSays(step: Step, book: ShopBook | null): string {
  const stand = step.side === null ? 'File level and square across' : `Stand on the ${step.side}`;
  const tip =
    step.tipTowards === 'across' || step.tipTowards === null ? '' : `, tip of the file towards the ${step.tipTowards}`;
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
