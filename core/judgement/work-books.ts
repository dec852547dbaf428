import { COMMON_PRACTICE } from '../reason/reason';
import { RESET_BELOW_SHARE } from '../set/set-wear';
import type { RuleBook } from './rule-book';
import type { Fact } from './saw-facts';

// Over 250 lines: four small tables of rules, each read whole.
const source = COMMON_PRACTICE;

const WORK_FACTS = [
  'lineLook',
  'marks',
  'converting',
  'heightSpreadMm',
  'worstSpacingShare',
  'hollowMm',
  'rakeOffDeg',
] as const satisfies readonly Fact[];
/** Sharpening assumes a straight line, even spacing and the right profile; anything else is the full tune (trade section 2). */
export const WORK_BOOK: RuleBook<'sharpen' | 'tune', (typeof WORK_FACTS)[number]> = {
  facts: WORK_FACTS,
  id: 'work',
  question: 'A sharpening, or the full tune?',
  verdicts: ['sharpen', 'tune'],
  otherwise: {
    verdict: 'sharpen',
    rule: 'plain',
    says: 'Straight line, even spacing, right profile: a sharpening will do.',
  },
  thresholds: { heightSpreadMm: 0.1, spacingShare: 0.1, crownMm: 0.3, rakeOffDeg: 5 },
  rules: [
    {
      id: 'uneven-height',
      verdict: 'tune',
      because: 'heights',
      when: { fact: 'heightSpreadMm', atLeast: { threshold: 'heightSpreadMm' } },
      says: 'Teeth of unequal height: jointing comes first.',
      source,
    },
    {
      id: 'uneven-spacing',
      verdict: 'tune',
      because: 'places',
      when: { fact: 'worstSpacingShare', atLeast: { threshold: 'spacingShare' } },
      says: 'Spacing is off by more than the shop puts up with.',
      source,
    },
    {
      id: 'hollow',
      verdict: 'tune',
      because: 'heights',
      when: { fact: 'hollowMm', atLeast: { threshold: 'crownMm' } },
      says: 'Hollow in the middle from short strokes: the line wants straightening.',
      source,
    },
    {
      id: 'wrong-profile',
      verdict: 'tune',
      because: 'angles',
      when: { fact: 'rakeOffDeg', atLeast: { threshold: 'rakeOffDeg' } },
      says: 'The teeth have another profile than is wanted.',
      source,
    },
    {
      id: 'looks-hollow',
      verdict: 'tune',
      because: 'line',
      when: { fact: 'lineLook', is: 'hollow' },
      says: 'The line looks hollow against a straight edge: jointing comes first.',
      source,
    },
    {
      id: 'looks-uneven',
      verdict: 'tune',
      because: 'line',
      when: { fact: 'lineLook', is: 'uneven' },
      says: 'Teeth of unequal height or spacing to the eye: sharpening alone would keep the fault.',
      source,
    },
    {
      id: 'short-teeth',
      verdict: 'tune',
      because: 'marks',
      when: { fact: 'marks', has: 'short-teeth' },
      says: 'Short teeth want the others brought down to them, or time.',
      source,
    },
    {
      id: 'missing-teeth',
      verdict: 'tune',
      because: 'marks',
      when: { fact: 'marks', has: 'missing-teeth' },
      says: 'Missing teeth are blended in by shaping.',
      source,
    },
    {
      id: 'another-filing',
      verdict: 'tune',
      because: 'saw',
      when: { fact: 'converting', is: true },
      says: 'Another filing means every tooth is reshaped.',
      source,
    },
  ],
};

const FILING_FACTS = ['points', 'worksOtherGrain', 'heightLeftShare'] as const satisfies readonly Fact[];
/** Rip, crosscut, or the owner is asked (trade section 2). */
export const FILING_BOOK: RuleBook<'ask' | 'keep' | 'rip' | 'convert', (typeof FILING_FACTS)[number]> = {
  facts: FILING_FACTS,
  id: 'filing',
  question: 'Rip, crosscut, or converted?',
  verdicts: ['ask', 'convert', 'rip', 'keep'],
  otherwise: { verdict: 'ask', rule: 'between', says: 'Between fine and coarse: ask what the saw is for.' },
  thresholds: { finePoints: 10, coarsePoints: 7.0001, heightShare: 0.6 },
  rules: [
    {
      id: 'fine-rip',
      verdict: 'rip',
      because: 'points',
      when: { fact: 'points', atLeast: { threshold: 'finePoints' } },
      says: 'At this fineness a rip filing does for everything.',
      source,
    },
    {
      id: 'coarse-apart',
      verdict: 'keep',
      because: 'points',
      when: { fact: 'points', below: { threshold: 'coarsePoints' } },
      says: 'At this coarseness separate rip and crosscut saws are kept: leave the filing it has.',
      source,
    },
    {
      id: 'teeth-too-small',
      verdict: 'keep',
      because: 'saw',
      when: { fact: 'heightLeftShare', below: { threshold: 'heightShare' } },
      says: 'Converted, the teeth would end too small: keep the present filing.',
      source,
    },
    {
      id: 'works-the-other-way',
      verdict: 'convert',
      because: 'use',
      when: {
        all: [
          { fact: 'worksOtherGrain', is: true },
          { fact: 'points', atLeast: { threshold: 'coarsePoints' } },
        ],
      },
      says: 'It is used the other way of the grain: converting pays.',
      source,
    },
  ],
};

const RESET_FACTS = [
  'setRead',
  'setLeftShare',
  'filingsSinceSet',
  'work',
  'setUneven',
  'setSpreadShare',
  'jointOverBent',
] as const satisfies readonly Fact[];
/** Renew the set, or leave it (trade section 8: set lasts three or four filings). */
export const RESET_BOOK: RuleBook<'leave' | 'reset', (typeof RESET_FACTS)[number]> = {
  facts: RESET_FACTS,
  id: 'reset',
  question: 'Is the set renewed?',
  verdicts: ['leave', 'reset'],
  otherwise: { verdict: 'leave', rule: 'enough', says: 'Enough set is left for this filing.' },
  thresholds: { leastShare: RESET_BELOW_SHARE, filings: 4, spreadShare: 0.35, jointShare: 0.15 },
  rules: [
    {
      id: 'set-unread',
      verdict: 'reset',
      because: 'set',
      when: { fact: 'setRead', is: false },
      says: 'The set was not measured on both sides: set it anew.',
      source,
    },
    {
      id: 'worn-down',
      verdict: 'reset',
      because: 'set',
      when: { fact: 'setLeftShare', below: { threshold: 'leastShare' } },
      says: 'Less set would be left than the wood wants.',
      source,
    },
    {
      id: 'filed-often',
      verdict: 'reset',
      because: 'history',
      when: { fact: 'filingsSinceSet', atLeast: { threshold: 'filings' } },
      says: 'It has been filed as often as a set lasts.',
      source,
    },
    {
      id: 'tune-takes-it-out',
      verdict: 'reset',
      because: 'work',
      when: { fact: 'jointOverBent', atLeast: { threshold: 'jointShare' } },
      says: 'So deep a joint takes the set out, so it is renewed.',
      source,
    },
    {
      id: 'new-teeth',
      verdict: 'reset',
      because: 'work',
      when: { fact: 'work', is: ['convert', 'retooth'] },
      says: 'Teeth newly shaped are set anew.',
      source,
    },
    {
      id: 'set-scattered',
      verdict: 'reset',
      because: 'set',
      when: { fact: 'setSpreadShare', atLeast: { threshold: 'spreadShare' } },
      says: 'Single teeth stand out so unlike that their mean says little: set them alike.',
      source,
    },
    {
      id: 'lopsided',
      verdict: 'reset',
      because: 'set',
      when: { fact: 'setUneven', is: true },
      says: 'One side has so much more set that stoning alone would leave too little.',
      source,
    },
  ],
};

const STRAIGHTEN_FACTS = [
  'family',
  'marks',
  'bendSagMm',
  'bendLengthMm',
  'kinkInPlate',
  'kinkNearToe',
] as const satisfies readonly Fact[];
/** Straighten by hand, by block and clamp, under the hammer, or not at all (trade section 2). */
export const STRAIGHTEN_BOOK: RuleBook<
  'leave' | 'by-hand' | 'clamp' | 'hammer' | 'shorten' | 'scrap',
  (typeof STRAIGHTEN_FACTS)[number]
> = {
  facts: STRAIGHTEN_FACTS,
  id: 'straighten',
  question: 'Straighten it, or scrap it?',
  verdicts: ['leave', 'by-hand', 'clamp', 'hammer', 'shorten', 'scrap'],
  otherwise: { verdict: 'leave', rule: 'straight', says: 'Straight enough to work.' },
  thresholds: { leastSagMm: 1, shortBendMm: 120 },
  rules: [
    {
      id: 'bend-unmeasured',
      verdict: 'by-hand',
      because: 'marks',
      when: {
        all: [
          { fact: 'family', is: ['hand', 'back', 'pull', 'crosscut'] },
          { fact: 'marks', has: 'bend' },
          {
            any: [
              { fact: 'bendSagMm', known: false },
              { fact: 'bendLengthMm', known: false },
            ],
          },
        ],
      },
      says: 'A bend not measured yet: most come out by hand in minutes; a short one wants blocks and a clamp.',
      source,
    },
    {
      id: 'gradual',
      verdict: 'by-hand',
      because: 'marks',
      when: {
        all: [
          { fact: 'bendSagMm', atLeast: { threshold: 'leastSagMm' } },
          { fact: 'bendLengthMm', atLeast: { threshold: 'shortBendMm' } },
        ],
      },
      says: 'A gradual bend: back past straight by hand in small overcorrections, a few minutes, harmless to spring steel.',
      source,
    },
    {
      id: 'short-bend',
      verdict: 'clamp',
      because: 'marks',
      when: {
        all: [
          { fact: 'bendSagMm', atLeast: { threshold: 'leastSagMm' } },
          { fact: 'bendLengthMm', below: { threshold: 'shortBendMm' } },
        ],
      },
      says: 'A short bend: between two blocks with a clamp.',
      source,
    },
    {
      id: 'kink-in-plate',
      verdict: 'hammer',
      because: 'marks',
      needsConsent: true,
      when: { fact: 'kinkInPlate', is: true },
      says: 'A kink mid-plate: an even chance at best with many light taps on the hollow side; otherwise scrap.',
      source,
    },
    {
      id: 'kink-at-toe',
      verdict: 'shorten',
      because: 'marks',
      needsConsent: true,
      when: { fact: 'kinkNearToe', is: true },
      says: 'A kink near the toe: shorten the saw past it.',
      source,
    },
    {
      id: 'back-bent',
      verdict: 'scrap',
      because: 'marks',
      when: {
        all: [
          { fact: 'family', is: 'back' },
          { fact: 'marks', has: 'bent-back' },
        ],
      },
      says: 'A back saw with a bent back is scrap.',
      source,
    },
    {
      id: 'powered-plate',
      verdict: 'scrap',
      because: 'marks',
      when: {
        all: [
          { fact: 'family', is: ['circular', 'dado', 'band'] },
          {
            any: [
              { fact: 'marks', has: 'bend' },
              { fact: 'marks', has: 'kink' },
              { fact: 'marks', has: 'twist' },
              { fact: 'marks', has: 'crack' },
            ],
          },
        ],
      },
      says: 'A bent, kinked or cracked powered blade does not go back to work; a licensed saw doctor comes first.',
      source,
    },
  ],
};
