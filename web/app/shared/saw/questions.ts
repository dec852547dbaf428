import type { Family } from '@odontis/core/saw/all-families';

// Over 250 lines: one table of questions, family by family.

/** Where a measure is taken, as the drawing beside the questions shows it. */
export type Dimension = 'line' | 'depthHeel' | 'depthToe' | 'thickness' | 'pitch' | 'width' | 'diameter' | 'bore';

export type Question =
  | {
      readonly key: string;
      readonly label: string;
      readonly ask: 'length' | 'plate' | 'whole' | 'words' | 'pattern';
      readonly drawn?: Dimension;
      readonly hint?: string;
      /** Asked only where this other question was answered. */
      readonly after?: string;
      /** And answered so. */
      readonly is?: string;
    }
  | { readonly key: string; readonly label: string; readonly ask: 'count'; readonly drawn: Dimension }
  | {
      readonly key: string;
      readonly label: string;
      readonly ask: 'choice';
      readonly after?: string;
      readonly is?: string;
      readonly options: readonly (readonly [value: string, label: string])[];
    };

const filing: Question = {
  key: 'filing',
  label: 'Filed for',
  ask: 'choice',
  options: [
    ['rip', 'rip'],
    ['crosscut', 'crosscut'],
  ],
};
const count: Question = { key: 'count', label: 'Teeth', ask: 'count', drawn: 'pitch' };
const toothLine: Question = { key: 'toothLine', label: 'Tooth line', ask: 'length', drawn: 'line' };
const thickness: Question = { key: 'thickness', label: 'Plate thickness', ask: 'plate', drawn: 'thickness' };
const depths: readonly Question[] = [
  { key: 'depthHeel', label: 'Depth at heel', ask: 'length', drawn: 'depthHeel' },
  { key: 'depthToe', label: 'Depth at toe', ask: 'length', drawn: 'depthToe' },
];
/** Starter teeth: how many, and only then how far apart and how filed. */
const toe: readonly Question[] = [
  { key: 'toeTeeth', label: 'Starter teeth at the toe', ask: 'whole', drawn: 'depthToe', hint: 'counted; empty: none' },
  { key: 'toeCount', label: 'Starter teeth are', ask: 'plate', after: 'toeTeeth', hint: 'counted as the others' },
  {
    key: 'toeCountEnd',
    label: 'At the last tooth',
    ask: 'plate',
    after: 'toeTeeth',
    hint: 'where they grow finer; empty: alike',
  },
  { key: 'toeRelax', label: 'More relaxed by', ask: 'plate', after: 'toeTeeth', hint: 'degrees of rake; empty: none' },
];
const called: Question = { key: 'sawName', label: 'Called', ask: 'words' };
const stamped: Question = { key: 'marksOnIt', label: 'Stamped or written on it', ask: 'words' };
const blade: readonly Question[] = [
  { key: 'diameter', label: 'Diameter', ask: 'length', drawn: 'diameter' },
  { key: 'bore', label: 'Bore', ask: 'length', drawn: 'bore' },
];
const speed: Question = {
  key: 'speed',
  label: 'Marked limit',
  ask: 'whole',
  hint: 'turns a minute, as marked',
};
const tipped: Question = {
  key: 'tipped',
  label: 'Teeth of',
  ask: 'choice',
  options: [
    ['steel', 'plain steel'],
    ['carbide', 'carbide tips'],
  ],
};

/** What is asked of each family, in the order a person looks at the saw; nothing that can be worked out is. */
export const QUESTIONS: Record<Family, readonly Question[]> = {
  hand: [count, filing, toothLine, thickness, ...depths, ...toe, called, stamped],
  back: [
    count,
    filing,
    {
      key: 'backFixing',
      label: 'Back',
      ask: 'choice',
      options: [
        ['folded', 'folded back'],
        ['slotted', 'slotted back'],
      ],
    },
    toothLine,
    thickness,
    ...depths,
    ...toe,
    called,
    stamped,
  ],
  pull: [
    {
      key: 'edges',
      label: 'Teeth on',
      ask: 'choice',
      options: [
        ['1', 'one edge'],
        ['2', 'both edges'],
      ],
    },
    {
      key: 'backFixing',
      label: 'Back',
      ask: 'choice',
      options: [
        ['none', 'no back'],
        ['folded', 'stiff back'],
      ],
    },
    count,
    filing,
    {
      key: 'ripCount',
      label: 'Teeth of its rip edge',
      ask: 'plate',
      drawn: 'pitch',
      after: 'edges',
      is: '2',
      hint: 'counted as the crosscut edge; empty: alike',
    },
    {
      key: 'hardEdge',
      label: 'Hardened',
      ask: 'choice',
      after: 'edges',
      is: '2',
      options: [
        ['none', 'both edges soft'],
        ['rip', 'rip edge hardened'],
        ['crosscut', 'crosscut edge hardened'],
      ],
    },
    toothLine,
    thickness,
    ...depths,
    called,
    stamped,
  ],
  crosscut: [
    {
      key: 'kind',
      label: 'Which',
      ask: 'choice',
      options: [
        ['one-man', 'one-man'],
        ['two-man', 'two-man'],
        ['buck', 'buck'],
        ['frame', 'frame'],
      ],
    },
    {
      key: 'toothPattern',
      label: 'Cutters and rakers',
      ask: 'pattern',
      hint: 'C cutter, R raker, once round: CCR',
    },
    count,
    filing,
    toothLine,
    thickness,
    ...depths,
    called,
    stamped,
  ],
  band: [
    { key: 'loop', label: 'Length all round', ask: 'length', drawn: 'line' },
    { key: 'width', label: 'Width', ask: 'length', drawn: 'width' },
    count,
    {
      key: 'set',
      label: 'Teeth bent',
      ask: 'choice',
      options: [
        ['alternate', 'left, right'],
        ['left-right-straight', 'left, right, straight'],
      ],
    },
    thickness,
    called,
    stamped,
  ],
  circular: [
    tipped,
    ...blade,
    { key: 'teeth', label: 'Teeth, counted', ask: 'whole', drawn: 'pitch' },
    {
      key: 'filing',
      label: 'Ground for',
      ask: 'choice',
      options: [
        ['rip', 'rip'],
        ['crosscut', 'crosscut'],
        ['combination', 'both: scorers and rakers'],
      ],
    },
    {
      key: 'toothPattern',
      label: 'Scorers and rakers',
      ask: 'words',
      hint: 'of a combination blade, once round: CCCCR',
    },
    thickness,
    speed,
    called,
    stamped,
  ],
  dado: [tipped, ...blade, speed, called, stamped],
};

/** The ways a saw's teeth are counted; the first is offered first. */
export const COUNTED_BY = ['points', 'teeth', 'pitch', 'counted'] as const;
export type CountedBy = (typeof COUNTED_BY)[number];
export const COUNTED_WORDS: Record<CountedBy, string> = {
  points: 'points to the inch',
  teeth: 'teeth to the inch',
  pitch: 'from tip to tip',
  counted: 'counted in all',
};

/** The question that a measure of the saw is told by; a band and a blade are asked for theirs in their own words. */
const FIELD_OF: Record<string, string> = {
  pitchMm: 'count',
  toothLineMm: 'toothLine',
  plateThicknessMm: 'thickness',
  plateDepthHeelMm: 'depthHeel',
  plateDepthToeMm: 'depthToe',
  diameterMm: 'diameter',
  boreMm: 'bore',
  pattern: 'toothPattern',
  patternOffset: 'toothPattern',
  markedLimitRpm: 'speed',
  name: 'sawName',
  ripPitchMm: 'ripCount',
  toeZones: 'toeTeeth',
  'toeZones/0/teeth': 'toeTeeth',
  'toeZones/0/pitchFromMm': 'toeCount',
  'toeZones/0/pitchToMm': 'toeCountEnd',
  'toeZones/0/relaxFromDeg': 'toeRelax',
  'toeZones/0/relaxToDeg': 'toeRelax',
};
const OWN_FIELDS: Partial<Record<Family, Record<string, string>>> = {
  band: { toothLineMm: 'loop', plateDepthHeelMm: 'width' },
  circular: { pitchMm: 'teeth' },
};
/** The question a fault of the contract belongs to. */
export function fieldOf(path: string, family: Family): string {
  const measure = path.replace('/saw/', '');
  return OWN_FIELDS[family]?.[measure] ?? FIELD_OF[measure] ?? measure;
}
