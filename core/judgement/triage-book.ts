import { COMMON_PRACTICE } from '../reason/reason';
import type { Verdict } from '../triage/verdicts';
import type { Condition } from './condition';
import type { Rule, RuleBook } from './rule-book';

const family = (...is: string[]): Condition => ({ fact: 'family', is });
const marked = (mark: string): Condition => ({ fact: 'marks', has: mark });
const all = (...conditions: Condition[]): Condition => ({ all: conditions });
const source = COMMON_PRACTICE;

const WESTERN: readonly Rule<Verdict>[] = [
  {
    id: 'hardened',
    verdict: 'decline',
    because: 'hardened',
    when: { fact: 'hardened', is: 'yes' },
    says: 'Hardened teeth: no file cuts them, it skates and is ruined. Offer a replacement, or the plate as scraper stock.',
    source,
  },
  {
    id: 'hardened-unsure',
    verdict: 'take-if',
    because: 'hardened',
    when: { fact: 'hardened', is: 'unsure' },
    says: 'Take it if one light stroke of a file bites on the heel-most tooth.',
    source,
  },
  {
    id: 'crack',
    verdict: 'decline',
    because: 'marks',
    when: marked('crack'),
    says: 'A crack in the plate runs on under the file and in the cut. Not safe to put back to work.',
    source,
  },
  {
    id: 'bent-back',
    verdict: 'decline',
    because: 'marks',
    when: all(family('back'), marked('bent-back')),
    says: 'A back saw with a bent back cannot be made straight again.',
    source,
  },
  {
    id: 'kink-toe',
    verdict: 'take-if',
    because: 'marks',
    needsConsent: true,
    when: { fact: 'kinkNearToe', is: true },
    says: 'Kink near the toe: take it if the owner agrees to have the saw shortened past it.',
    source,
  },
  {
    id: 'kink-plate',
    verdict: 'take-if',
    because: 'marks',
    needsConsent: true,
    when: { fact: 'kinkInPlate', is: true },
    says: 'Kink in the plate: an even chance at best under the hammer. Take it if the owner agrees to that.',
    source,
  },
  {
    id: 'wavy-folded',
    verdict: 'take',
    because: 'marks',
    when: all(marked('wavy-line'), { fact: 'backFixing', is: 'folded' }),
    says: 'Wavy line under a folded back: re-seat the plate by dropping the back flat on the bench.',
    source,
  },
  {
    id: 'wavy-fixed',
    verdict: 'take-if',
    because: 'marks',
    when: all(marked('wavy-line'), { not: { fact: 'backFixing', is: 'folded' } }),
    says: 'Wavy line that cannot be re-seated: take it if the owner can live with a saw that is not quite straight.',
    source,
  },
  {
    id: 'pitting',
    verdict: 'take-if',
    because: 'marks',
    when: marked('pitting'),
    says: 'Pits at the tooth line make teeth that crumble: take it if the owner accepts a short-lived edge.',
    source,
  },
  {
    id: 'missing',
    verdict: 'take-if',
    because: 'marks',
    when: marked('missing-teeth'),
    says: 'Missing teeth grow back over several sharpenings: take it if they need not all be back this time.',
    source,
  },
  {
    id: 'twist',
    verdict: 'take-if',
    because: 'marks',
    when: marked('twist'),
    says: 'A twisted plate may not come true: take it if the owner agrees to an attempt.',
    source,
  },
  {
    id: 'bend',
    verdict: 'take',
    because: 'marks',
    when: marked('bend'),
    says: 'A gradual bend comes out by hand in a few minutes and does the steel no harm.',
    source,
  },
  {
    id: 'rust',
    verdict: 'take',
    because: 'marks',
    when: marked('rust'),
    says: 'Rust comes off before any setting; a badly rusted saw takes up to an hour more.',
    source,
  },
  {
    id: 'handle',
    verdict: 'take',
    because: 'marks',
    when: marked('loose-handle'),
    says: 'Tighten or refit the handle before filing, or the test cut says nothing.',
    source,
  },
];

const OTHERS: readonly Rule<Verdict>[] = [
  {
    id: 'carbide',
    verdict: 'decline',
    because: 'saw',
    when: { fact: 'tipped', is: 'carbide' },
    says: 'Carbide tips are ground, not filed: send it out to grinding, or decline it.',
    source,
  },
  {
    id: 'powered-bent',
    verdict: 'decline',
    because: 'marks',
    when: all(family('circular', 'dado'), { any: [marked('bend'), marked('kink'), marked('twist')] }),
    says: 'A bent powered blade does not go back to work. A licensed saw doctor may true it.',
    source,
  },
  {
    id: 'burnt',
    verdict: 'take-if',
    because: 'marks',
    when: all(family('circular', 'dado'), marked('burn')),
    says: 'Burnt teeth may have gone soft: take it if a file bites no more on them than on a sound tooth.',
    source,
  },
  {
    id: 'overheated-plate',
    verdict: 'decline',
    because: 'marks',
    when: all(family('circular', 'dado', 'band'), { fact: 'plateOverheated', is: true }),
    says: 'An overheated blade has lost its tension and may let go. It does not go back to work.',
    source,
  },
  {
    id: 'no-speed-marking',
    verdict: 'take-if',
    because: 'saw',
    when: all(family('circular', 'dado'), { fact: 'speedMarked', is: false }),
    says: 'No marked speed to be read: take it if the owner knows the maker’s limit; none is guessed here.',
    source,
  },
  {
    id: 'pull-soft',
    verdict: 'decline',
    because: 'saw',
    school: 'sell-a-blade',
    when: all(family('pull'), { fact: 'hardened', is: 'no' }, { fact: 'filesPullSaws', is: false }),
    says: 'This shop sells a blade rather than file a pull saw.',
    source,
  },
  {
    id: 'pull-narrow',
    verdict: 'decline',
    because: 'saw',
    when: all(family('pull'), { fact: 'plateDepthMm', below: { threshold: 'pullPlateMm' } }),
    says: 'The plate has grown too narrow to file again: a new blade is the honest answer.',
    source,
  },
  {
    id: 'no-plate-left',
    verdict: 'decline',
    because: 'saw',
    when: all(family('hand', 'back', 'crosscut'), {
      fact: 'sharpeningsLeft',
      below: { threshold: 'leastSharpenings' },
    }),
    says: 'Hardly a sharpening is left in the plate.',
    source,
  },
  {
    id: 'costs-more',
    verdict: 'take-if',
    because: 'saw',
    when: { fact: 'costOverReplacing', atLeast: { threshold: 'costRatio' } },
    says: 'Keeping it sharp costs more a year than replacing it: take it if it means something to its owner.',
    source,
  },
  {
    id: 'collectible',
    verdict: 'take-if',
    because: 'saw',
    needsConsent: true,
    when: { fact: 'collectible', is: true },
    says: 'A saw somebody collects: say what will be lost, keep the etch, and take it with the owner’s word.',
    source,
  },
];

/** Take it, take it if, or decline (trade section 2). Facts: docs/formats.md. */
export const TRIAGE_BOOK: RuleBook<Verdict> = {
  id: 'triage',
  question: 'Is it taken in?',
  verdicts: ['take', 'take-if', 'decline'],
  otherwise: { verdict: 'take', rule: 'sound', says: 'Soft teeth and a sound plate: nothing stands against it.' },
  thresholds: { pullPlateMm: 25, leastSharpenings: 1, costRatio: 1.5 },
  rules: [...WESTERN, ...OTHERS],
};
