import type { StepKind } from './steps';

/** The trade's usual cautions, one sentence each beside its step (trade section 10). */
const CAUTIONS: Partial<Record<StepKind, readonly string[]>> = {
  clean: [
    'Keep solvents away from sparks; lay oily rags out flat or drown them in water, they catch fire by themselves.',
  ],
  straighten: ['Wear eye protection: a bent plate springs back, and hammered hard steel throws chips.'],
  joint: ['Glove or guarded thumb: a file that slips here runs the hand along the points.'],
  shape: ['Teeth are sharp from here on: file with a handle on, and keep the free hand off the line.'],
  sharpen: ['Glove or guarded thumb on the file hand; vacuum the filings, then a magnet.'],
  finish: [
    'Guard on the edge whenever the saw is off the vise; lay oily rags out flat, they catch fire by themselves.',
  ],
};

export const cautionsFor = (kind: StepKind): readonly string[] => CAUTIONS[kind] ?? [];
