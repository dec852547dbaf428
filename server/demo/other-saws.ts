import type { NewSaw } from '@odontis/contract/new-saw';
import { isStraightFamily } from '@odontis/core/saw/any-saw';
import type { AnyPattern } from '@odontis/core/saw/patterns';
import { ANY_PATTERNS } from '@odontis/core/saw/patterns';
import type { PlateMark } from '@odontis/core/triage/plate-marks';
import type { Stage, Waits } from '@odontis/contract/ticket';

/** A saw of a family other than hand and back, as it would be told at the counter: its pattern, sized a little differently. */
export function otherSaw(patternId: string, random: () => number): NewSaw {
  const found = ANY_PATTERNS.find((p): p is OtherPattern => p.id === patternId && !isStraightFamily(p.family));
  if (!found) throw new RangeError(`No such pattern: ${patternId}`);
  return told(found, 0.98 + 0.04 * random());
}

type OtherPattern = Extract<AnyPattern, { family: 'pull' | 'crosscut' | 'band' | 'circular' | 'dado' }>;

function told(pattern: OtherPattern, size: number): NewSaw {
  const head = { name: pattern.name, marksOnIt: '' };
  const limit = { markedLimitRpm: 6000 };
  switch (pattern.family) {
    case 'pull': {
      const { id: _id, points, backed, ...rest } = pattern;
      return {
        ...rest,
        ...head,
        toothLineMm: Math.round(pattern.toothLineMm * size),
        perInch: points,
        convention: 'points',
        backFixing: backed ? 'folded' : 'none',
      };
    }
    case 'crosscut': {
      const { id: _id, ...rest } = pattern;
      return { ...rest, ...head, filing: 'crosscut', toothLineMm: Math.round(pattern.toothLineMm * size) };
    }
    case 'band': {
      const { id: _id, ...rest } = pattern;
      return { ...rest, ...head, loopMm: Math.round(pattern.loopMm * size), set: 'alternate' };
    }
    case 'circular': {
      const { id: _id, ...rest } = pattern;
      return { ...rest, ...head, ...limit };
    }
    case 'dado': {
      const { id: _id, plateThicknessMm: _plate, parts, ...rest } = pattern;
      return { ...rest, ...head, ...limit, tipped: 'steel', parts: [...parts] };
    }
  }
}

/** What became, or is to become, of one saw of another family. */
export interface OtherVisit {
  readonly pattern: string;
  readonly stage: Extract<Stage, 'measure' | 'handover' | 'declined'>;
  /** Days from today it is promised for. */
  readonly days: number;
  readonly complaint: string;
  readonly marks?: readonly PlateMark[];
  readonly hardened?: 'yes' | 'unsure';
  readonly waits?: readonly [Waits, string];
  readonly consents?: readonly string[];
}

const at = (kind: PlateMark['kind'], along: number, more: Partial<PlateMark> = {}): PlateMark => ({
  kind,
  along,
  down: 0.95,
  ...more,
});

/** One saw of every family and state that a family can have at the counter: waiting, late, held up, away, ready, refused. */
export const OTHER_VISITS: readonly OtherVisit[] = [
  { pattern: 'pull-one-edged', stage: 'measure', days: 3, complaint: 'Pulls hard in dry oak.' },
  { pattern: 'pull-backed', stage: 'handover', days: 0, complaint: 'The fine one, for tails.' },
  {
    pattern: 'pull-two-edged',
    stage: 'declined',
    days: -1,
    complaint: 'Will not cut any more.',
    hardened: 'yes',
  },
  {
    pattern: 'two-man',
    stage: 'measure',
    days: 6,
    complaint: 'Rides over the cut, dust and no strips.',
    marks: [at('rust', 0.4, { down: 0.5 })],
  },
  { pattern: 'one-man', stage: 'handover', days: 1, complaint: 'For the trail at the pass.' },
  {
    pattern: 'buck',
    stage: 'measure',
    days: 4,
    complaint: 'The pin keeps jumping out.',
    marks: [at('frame', 0.02, { down: 0.3 })],
    waits: ['part', 'a new pin for the frame'],
  },
  {
    pattern: 'frame',
    stage: 'measure',
    days: -1,
    complaint: 'Wanders in deep cuts.',
    marks: [at('bend', 0.5, { down: 0.5, side: 'left', sagMm: 4, spanMm: 400 })],
  },
  { pattern: 'band-narrow', stage: 'measure', days: 2, complaint: 'Burns in curves.' },
  { pattern: 'band-wide', stage: 'handover', days: 0, complaint: 'The usual.' },
  { pattern: 'band-narrow', stage: 'declined', days: -2, complaint: 'Ticks at the guides.', marks: [at('crack', 0.3)] },
  {
    pattern: 'blade-combination',
    stage: 'measure',
    days: 5,
    complaint: 'Smokes in maple.',
    marks: [at('burn', 0.15)],
    waits: ['customer', 'no speed to be read: which machine is it for?'],
  },
  { pattern: 'blade-rip', stage: 'handover', days: -1, complaint: 'Dull.' },
  {
    pattern: 'blade-carbide',
    stage: 'measure',
    days: 12,
    complaint: 'Two tips are chipped.',
    waits: ['grinder', 'sent on to grinding'],
  },
  {
    pattern: 'blade-crosscut',
    stage: 'declined',
    days: -3,
    complaint: 'Fell off the wall.',
    marks: [at('bend', 0.4, { down: 0.6 })],
  },
  {
    pattern: 'dado',
    stage: 'measure',
    days: 7,
    complaint: 'Leaves ridges on the floor of the groove.',
    marks: [at('short-teeth', 0.2, { part: 2 })],
  },
  { pattern: 'dado', stage: 'handover', days: 2, complaint: 'One shoulder is ragged.' },
  {
    pattern: 'dado',
    stage: 'declined',
    days: -4,
    complaint: 'Cracked from the bore out.',
    marks: [at('crack', 0.6, { down: 0.4, part: 0 })],
  },
];

/** What is written down when such a saw is done. */
export const JOB_WORDS: Record<string, string> = {
  pull: 'Top bevels filed on every tooth; the gullets left for next time.',
  crosscut: 'Jointed, rakers fitted, cutters pointed and set.',
  band: 'Two strokes a gullet all round, set renewed on a second circuit.',
  circular: 'Jointed round, scorers filed half the flat from each side, rakers below them.',
  dado: 'Outer blades jointed round, chippers equalised by dial and filed below the scorers.',
};
