import type { StepKind } from './step';

/** The trade's usual cautions, one sentence each beside its step (trade section 10). */
const CAUTIONS: Partial<Record<StepKind, readonly string[]>> = {
  clean: [
    'Keep solvents away from sparks; lay oily rags out flat or drown them in water, they catch fire by themselves.',
  ],
  straighten: ['Wear eye protection: a bent plate springs back, and hammered hard steel throws chips.'],
  joint: ['Glove or guarded thumb: a file that slips here runs the hand along the points.'],
  'file-off': ['Glove or guarded thumb: a file that slips here runs the hand along the points.'],
  'joint-again': ['Glove or guarded thumb: a file that slips here runs the hand along the points.'],
  shape: ['Teeth are sharp from here on: file with a handle on, and keep the free hand off the line.'],
  reshape: ['Teeth are sharp from here on: file with a handle on, and keep the free hand off the line.'],
  cut: ['Teeth are sharp from here on: file with a handle on, and keep the free hand off the line.'],
  sharpen: ['Glove or guarded thumb on the file hand; vacuum the filings, then a magnet.'],
  'last-pass': ['Glove or guarded thumb on the file hand; vacuum the filings, then a magnet.'],
  finish: [
    'Guard on the edge whenever the saw is off the vise; lay oily rags out flat, they catch fire by themselves.',
  ],
  'dress-rakers': ['Glove or guarded thumb: the cutters beside a raker are at the height of the hand.'],
  'raker-gullets': ['Glove or guarded thumb: the cutters beside a raker are at the height of the hand.'],
  'raker-tips': [
    'Glove or guarded thumb; keep the file off the cutters, thumb and finger between or a hardened gauge on them.',
  ],
  'thin-rakers': ['Glove or guarded thumb: the cutters beside a raker are at the height of the hand.'],
  swage: [
    'Wear eye protection: a hammer on hard steel throws chips. Light blows, the raker backed by solid metal.',
    'Look at its underside first: at a nick, or where the tip is too thin, it will break.',
  ],
  point: ['Glove or guarded thumb: a file that slips runs the hand along sharp cutters.'],
  'touch-up': ['Glove or guarded thumb: a file that slips runs the hand along sharp cutters.'],
  edge: [
    'A strip of spare blade over the tooth beside it keeps the file off it. Glove or guarded thumb; the plate is thin and springs.',
  ],
  'rakers-again': ['The cutters are sharp now: lay the gauge on, do not slide the hand along.'],
  uncoil: [
    'A coiled band is under tension and springs open: gloves and eye protection, held at arm’s length, nobody else near. Let it open away from you.',
  ],
  coil: [
    'A band folds by itself and its teeth come round: gloves, arms long, never against the body. Tie it before letting go.',
  ],
  'joint-round': [
    'Turned and held by hand: no engine runs while a stone or file is at the teeth. Glove or guarded thumb.',
  ],
  inspect: [
    'The machine unplugged before the blade is taken off it. A cracked, bent or overheated blade goes back marked, never into a machine.',
  ],
  round: ['The blade held between stiff discs, clamped on solid metal. Glove or guarded thumb on the file hand.'],
  chipper: [
    'Glove or guarded thumb; the chipper clamped flat on solid metal. Chalk in the file, and a brush before every reading.',
  ],
  'swage-teeth': ['Wear eye protection: hard steel under a swage throws chips. The blade backed by solid metal.'],
  blend: ['Glove or guarded thumb: the teeth beside a stump stand over it.'],
  'mark-part': ['A cracked or bent part never goes back to its owner unmarked, and never onto an arbor.'],
  stack: [
    'Unplugged. Never with a part missing that holds another; the nut tight, and turned round by hand before it runs.',
  ],
  'round-rakers': ['Glove or guarded thumb: the scorers beside a raker stand higher.'],
  test: ['Clamp the wood, both hands clear of the line; eye protection.'],
};

/** What an etched plate bears. Common practice, no source. */
const ETCHED: Partial<Record<StepKind, string>> = {
  clean: 'The plate carries an etch: no abrasive, no solvent and no wire over it; wipe round it and oil it.',
  straighten: 'The plate carries an etch: put soft card between it and the blocks.',
};

/** The cautions of a step on a plate with or without an etch. */
export const cautionsFor = (kind: StepKind, etch = false): readonly string[] => {
  const own = CAUTIONS[kind] ?? [];
  const etched = etch ? ETCHED[kind] : undefined;
  return etched === undefined ? own : [...own, etched];
};
