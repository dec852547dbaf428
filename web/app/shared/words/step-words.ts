import type { PlanStep, StepKind } from '@odontis/core/plan/steps';
import type { ShopBook } from '@odontis/contract/shop';
import type { Speech } from '../speech/speech';

export const STEP_NAMES: Record<StepKind, string> = {
  clean: 'Clean',
  straighten: 'Straighten the plate',
  'flatten-set': 'Take the set out',
  joint: 'Joint',
  shape: 'Shape',
  look: 'Look along the line',
  set: 'Set',
  sharpen: 'Sharpen',
  stone: 'Stone the sides',
  finish: 'Finish',
};

/** A step's name with its number aimed at, as it stands in lists. */
export function stepTitle(step: PlanStep, speech: Speech): string {
  const side =
    step.standOn === null ? '' : step.kind === 'set' ? `, teeth leaning ${step.standOn}` : `, from the ${step.standOn}`;
  if (step.kind === 'joint') return `Joint ${speech.fine(step.targetMm ?? 0)}`;
  return `${STEP_NAMES[step.kind]}${side}`;
}

/** The instruction read from an arm's length. */
export function stepSays(step: PlanStep, speech: Speech, book: ShopBook | null): string {
  switch (step.kind) {
    case 'clean':
      return 'Strip and clean the plate, rust off before any setting. Protect an etch.';
    case 'straighten':
      return 'Find the middle of the bend, bend back by hand a little past straight, look, again.';
    case 'flatten-set':
      return 'Squeeze most of the set out in a smooth vise. It need not come out flat.';
    case 'joint':
      return `Mill file square to the plate, about ${step.passes} light ${step.passes === 1 ? 'pass' : 'passes'}, until the bright spots stand where the plan shows them. Measure before the last.`;
    case 'look':
      return `Brush the teeth and look along the line: every flat just gone. Where one still shines, one stroke more, then look again. Up to ${speech.fine(step.targetMm ?? 0)} may be left.`;
    case 'shape':
    case 'sharpen':
      return filingSays(step, book);
    case 'set':
      return `Bend the top third only, away from you, to ${speech.fine(step.targetMm ?? 0)}. Measure the first few; the tool’s number is a guess.`;
    case 'stone':
      return 'One light oiled pass on each side, flat on the teeth.';
    case 'finish':
      return 'Clean, wax or oil, guard on the edge. Then the test cut.';
  }
}

function filingSays(step: PlanStep, book: ShopBook | null): string {
  const stand = step.standOn === null ? 'File level and square across' : `Stand on the ${step.standOn}`;
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
