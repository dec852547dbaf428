import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';
import type { Saw } from '@odontis/core/saw/saw';
import type { PlateMark } from '@odontis/core/saw/plate-marks';
import type { Stage, Waits } from '@odontis/contract/ticket';
import type { RakerTip } from '@odontis/core/raker/raker-plan';
import type { BandWear } from './demo-band';
import type { BladeWear } from './demo-blade';
import type { PictureKind } from './pictured';
import type { CrosscutWear } from './demo-crosscut';

/** An ordinary saw of a family other than hand and back, sized a little differently. */
export function otherSaw(id: string, random: () => number): Saw {
  const saw = ordinarySaw(id);
  const size = 0.98 + 0.04 * random();
  switch (saw.family) {
    case 'circular':
    case 'dado':
      return { ...saw, markedLimitRpm: 6000 };
    default:
      return { ...saw, toothLineMm: Math.round(saw.toothLineMm * size) };
  }
}

/** What became, or is to become, of one saw of another family. */
export interface OtherVisit {
  readonly pattern: string;
  readonly stage: Stage;
  /** Days from today it is promised for. */
  readonly days: number;
  readonly complaint: string;
  readonly marks?: readonly PlateMark[];
  readonly hardened?: 'yes' | 'unsure';
  readonly waits?: readonly [Waits, string];
  readonly consents?: readonly string[];
  /** Of a saw of cutters and rakers: how it is worn, and how its rakers' tips are made. */
  readonly wear?: CrosscutWear;
  readonly rakerTip?: RakerTip;
  /** Of a band: how it stands. */
  readonly band?: BandWear;
  readonly blade?: BladeWear;
  /** Measured from such pictures. */
  readonly pictured?: readonly PictureKind[];
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
  { pattern: 'pull-two-edged', stage: 'plan', days: 4, complaint: 'Both edges, please; it is my father’s.' },
  { pattern: 'pull-backed', stage: 'handover', days: 0, complaint: 'The fine one, for tails.' },
  { pattern: 'pull-two-edged', stage: 'bench', days: 1, complaint: 'The rip edge tears.' },
  { pattern: 'pull-one-edged', stage: 'check', days: 2, complaint: 'Wanders in long cuts.' },
  {
    pattern: 'pull-two-edged',
    stage: 'declined',
    days: -1,
    complaint: 'Will not cut any more.',
    hardened: 'yes',
  },
  {
    pattern: 'two-man',
    stage: 'plan',
    days: 6,
    complaint: 'Rides over the cut, dust and no strips.',
    marks: [at('rust', 0.4, { down: 0.5 })],
    wear: { breastMm: 22, hollowMm: 0.35, tooLow: 3 },
  },
  {
    pattern: 'one-man',
    stage: 'bench',
    days: 1,
    complaint: 'For the trail at the pass.',
    wear: { breastMm: 12, hollowMm: 0.3, tooLow: 1 },
  },
  {
    pattern: 'buck',
    stage: 'check',
    days: 2,
    complaint: 'Cuts at the ends of the stroke only.',
    wear: { breastMm: 1.5, hollowMm: 0.6, tooLow: 0 },
  },
  {
    pattern: 'buck',
    stage: 'measure',
    days: 4,
    complaint: 'The pin keeps jumping out.',
    marks: [at('frame', 0.02, { down: 0.3 })],
    waits: ['part', 'a new pin for the frame'],
    wear: { breastMm: 1, hollowMm: 0.2, tooLow: 1, cutters: 40 },
  },
  {
    pattern: 'two-man',
    stage: 'handover',
    days: 1,
    complaint: 'Swaged, as the crew wants it.',
    wear: { breastMm: 18, hollowMm: 0.25, tooLow: 0 },
    rakerTip: 'swaged',
  },
  {
    pattern: 'frame',
    stage: 'measure',
    days: -1,
    complaint: 'Wanders in deep cuts.',
    wear: { breastMm: 0, hollowMm: 0.2, tooLow: 0 },
    marks: [at('bend', 0.5, { down: 0.5, side: 'left', sagMm: 4, spanMm: 400 })],
  },
  { pattern: 'band-narrow', stage: 'measure', days: 2, complaint: 'Burns in curves.' },
  { pattern: 'band-wide', stage: 'handover', days: 0, complaint: 'The usual.' },
  {
    pattern: 'band-wide',
    stage: 'plan',
    days: 3,
    complaint: 'Wanders off the line.',
    band: { setMm: 0.17, unevenMm: 0.06 },
  },
  { pattern: 'band-narrow', stage: 'bench', days: 1, complaint: 'Ticks once a turn.' },
  {
    pattern: 'band-narrow',
    stage: 'check',
    days: 2,
    complaint: 'Dull since the boat.',
    band: { setMm: 0.16, unevenMm: 0.2 },
  },
  { pattern: 'band-narrow', stage: 'declined', days: -2, complaint: 'Ticks at the guides.', marks: [at('crack', 0.3)] },
  {
    pattern: 'blade-combination',
    stage: 'measure',
    days: 5,
    complaint: 'Smokes in maple.',
    pictured: ['blade'],
    marks: [at('burn', 0.15)],
    waits: ['customer', 'no speed to be read: which machine is it for?'],
  },
  { pattern: 'blade-rip', stage: 'handover', days: -1, complaint: 'Dull.' },
  {
    pattern: 'blade-combination',
    stage: 'plan',
    days: 4,
    complaint: 'One side of the cut is ragged.',
    blade: { unevenMm: 0.2, bladeMm: 0.07, arborMm: 0.1, setMm: 0.13, broken: 17 },
  },
  { pattern: 'blade-rip', stage: 'bench', days: 1, complaint: 'Needs pushing.' },
  { pattern: 'blade-crosscut', stage: 'check', days: 2, complaint: 'For the trim.' },
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
  { pattern: 'dado', stage: 'plan', days: 3, complaint: 'For shelves, three quarters wide.' },
  { pattern: 'dado', stage: 'bench', days: 1, complaint: 'Leaves ridges.' },
  { pattern: 'dado', stage: 'check', days: 2, complaint: 'As last year.' },
  {
    pattern: 'dado',
    stage: 'declined',
    days: -4,
    complaint: 'Cracked from the bore out.',
    marks: [at('crack', 0.6, { down: 0.4, part: 0 })],
  },
];
