import type { CutAdvice } from '@odontis/core/set/test-cut-verdict';

/** What a test cut asks for, as a sentence. */
export const ADVICE_SAYS: Record<CutAdvice, string> = {
  'measure-set': 'Measure the set on both sides, a few teeth each; without it this is a guess.',
  stone: 'Stone the side it runs to, one light oiled pass at a time, then cut again.',
  'add-set': 'It binds and runs true: add a little set on both sides, then cut again.',
  'measure-line': 'It jumps: measure the heights again, which tells whether the line is level.',
  'joint-again': 'It jumps because the line is not level: joint lightly, shape, and measure again.',
  'widen-lesser-side': 'It binds and runs: set the lesser side up to the other. Stoning would make it bind the more.',
  'measure-rakers':
    'Measure a few rakers against their cutters: what it throws says they or the cutters are wrong, not which.',
  'file-rakers': 'Dust or short chips: rakers stand too high and ride. File those to the gauge, then cut again.',
  'joint-to-rakers':
    'Whiskers on the ribbons: rakers stand too low and plane deeper than was scored. Joint the cutters down to them, point them, and cut again.',
  'touch-up-cutters':
    'The rakers are right: the cutters are dull or their flats are not gone. Touch up their points, then cut again.',
  'file-dull-side':
    'The set is even on both sides: it runs away from its dull side. File the gullets again, once round, watching that side’s corners.',
  'file-again': 'It has the set it wants and burns all the same: it is dull. Once more round, equal strokes.',
  'find-beat':
    'Find the place: turn it by hand with a chalk mark at the weld, and see which tooth is in the cut when it beats.',
  'dress-weld':
    'It beats at the weld: dress the weld flat on both sides and at the back, until a straight edge lies over it.',
  'blend-tooth': 'A tooth stands out where it beats: bring it down to its neighbours and give its face a stroke.',
  'read-dial':
    'It leaves steps: read the teeth by dial, or the floor of the groove part by part, which tells the high ones.',
  'equalise-again':
    'It leaves steps because its teeth are not of one height: bring the high ones down by dial, and cut again.',
  'measure-heights': 'It beats away from the weld: measure the heights about that place, which finds the tooth.',
  'ease-set': 'It has more set than it wants: one light oiled pass on each side, measure, and cut again.',
  'dress-tooth':
    'A single tooth stands out and scratches: a touch of the stone on that tooth, or press it back, then cut again.',
  'straighten-plate':
    'Look along the plate: a bend steers every cut. Straighten it before anything is stoned or filed.',
  'cut-again': 'Cut once more on the other side of the line, standing square: a hand’s fault varies, a saw’s does not.',
  'leave-wood': 'It looks like the wood: a knifed line and another piece, before the saw is touched.',
  'look-drift': 'Nobody looked whether it leaves its line: cut along a rule, and look.',
  'look-binding': 'Nobody looked whether it binds: cut as deep as it is used.',
  'look-jumping': 'Nobody looked whether it jumps: let it run over the whole stroke.',
  'gauge-groove': 'The floor of a groove is not gauged yet: cut one in scrap, and measure its floor under every part.',
  passes: 'Runs true, neither binds nor jumps.',
};
