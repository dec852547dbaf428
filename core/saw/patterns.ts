import type { CrosscutKind, SetPart } from './any-saw';
import type { Family } from './all-families';
import { SAW_PATTERNS } from './families';

/** An ordinary saw offered by picture at the counter; every number can be changed there. Lengths mm. */
export type AnyPattern = StraightPattern | PullPattern | CrosscutPattern | BandPattern | BladePattern | SetPattern;

interface PatternHead {
  readonly id: string;
  readonly name: string;
  readonly plateThicknessMm: number;
}
interface StraightPattern extends PatternHead {
  readonly family: 'hand' | 'back';
  readonly filing: 'rip' | 'crosscut';
  readonly points: number;
  readonly toothLineMm: number;
  readonly plateDepthHeelMm: number;
  readonly plateDepthToeMm: number;
}
interface PullPattern extends Omit<StraightPattern, 'family'> {
  readonly family: 'pull';
  readonly edges: 1 | 2;
  readonly backed: boolean;
}
interface CrosscutPattern extends PatternHead {
  readonly family: 'crosscut';
  readonly kind: CrosscutKind;
  readonly pattern: string;
  readonly pitchMm: number;
  readonly toothLineMm: number;
  readonly plateDepthHeelMm: number;
  readonly plateDepthToeMm: number;
}
interface BandPattern extends PatternHead {
  readonly family: 'band';
  readonly loopMm: number;
  readonly pitchMm: number;
  readonly widthMm: number;
}
interface BladePattern extends PatternHead {
  readonly family: 'circular';
  readonly filing: 'rip' | 'crosscut' | 'combination';
  readonly tipped: 'steel' | 'carbide';
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly teeth: number;
}
interface SetPattern extends PatternHead {
  readonly family: 'dado';
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly parts: readonly SetPart[];
}

const outer = (id: string): SetPart => ({ id, kind: 'outer', teeth: 40, plateMm: 2.2, cutMm: 3.2 });
const chipper = (id: string): SetPart => ({ id, kind: 'chipper', teeth: 4, plateMm: 2.2, cutMm: 3.2 });

/** Sizes usual for each kind. Source: common practice, no source. */
export const ANY_PATTERNS: readonly AnyPattern[] = [
  ...SAW_PATTERNS,
  {
    id: 'pull-two-edged',
    name: 'Two-edged pull saw',
    family: 'pull',
    filing: 'crosscut',
    points: 16,
    toothLineMm: 240,
    plateThicknessMm: 0.5,
    plateDepthHeelMm: 75,
    plateDepthToeMm: 95,
    edges: 2,
    backed: false,
  },
  {
    id: 'pull-one-edged',
    name: 'Pull saw',
    family: 'pull',
    filing: 'crosscut',
    points: 14,
    toothLineMm: 270,
    plateThicknessMm: 0.6,
    plateDepthHeelMm: 55,
    plateDepthToeMm: 70,
    edges: 1,
    backed: false,
  },
  {
    id: 'pull-backed',
    name: 'Backed pull saw',
    family: 'pull',
    filing: 'crosscut',
    points: 25,
    toothLineMm: 240,
    plateThicknessMm: 0.3,
    plateDepthHeelMm: 45,
    plateDepthToeMm: 48,
    edges: 1,
    backed: true,
  },
  {
    id: 'one-man',
    name: 'One-man crosscut',
    family: 'crosscut',
    kind: 'one-man',
    pattern: 'CCR',
    pitchMm: 11,
    toothLineMm: 1065,
    plateThicknessMm: 1.8,
    plateDepthHeelMm: 190,
    plateDepthToeMm: 95,
  },
  {
    id: 'two-man',
    name: 'Two-man crosscut',
    family: 'crosscut',
    kind: 'two-man',
    pattern: 'CCCCR',
    pitchMm: 12,
    toothLineMm: 1675,
    plateThicknessMm: 1.8,
    plateDepthHeelMm: 120,
    plateDepthToeMm: 120,
  },
  {
    id: 'buck',
    name: 'Buck saw',
    family: 'crosscut',
    kind: 'buck',
    pattern: 'CCCCR',
    pitchMm: 6.5,
    toothLineMm: 760,
    plateThicknessMm: 0.9,
    plateDepthHeelMm: 30,
    plateDepthToeMm: 30,
  },
  {
    id: 'frame',
    name: 'Frame saw',
    family: 'crosscut',
    kind: 'frame',
    pattern: 'C',
    pitchMm: 5,
    toothLineMm: 700,
    plateThicknessMm: 0.7,
    plateDepthHeelMm: 40,
    plateDepthToeMm: 40,
  },
  {
    id: 'band-narrow',
    name: 'Narrow band',
    family: 'band',
    loopMm: 2560,
    pitchMm: 6.35,
    widthMm: 13,
    plateThicknessMm: 0.6,
  },
  { id: 'band-wide', name: 'Wide band', family: 'band', loopMm: 5100, pitchMm: 19, widthMm: 50, plateThicknessMm: 0.9 },
  blade('blade-rip', 'Rip blade', 'rip', 'steel', 24),
  blade('blade-crosscut', 'Crosscut blade', 'crosscut', 'steel', 80),
  blade('blade-combination', 'Combination blade', 'combination', 'steel', 50),
  blade('blade-carbide', 'Carbide blade', 'combination', 'carbide', 40),
  {
    id: 'dado',
    name: 'Dado set',
    family: 'dado',
    diameterMm: 200,
    boreMm: 30,
    plateThicknessMm: 2.2,
    parts: [
      outer('left outer'),
      chipper('chipper 1'),
      chipper('chipper 2'),
      chipper('chipper 3'),
      outer('right outer'),
    ],
  },
];

function blade(
  id: string,
  name: string,
  filing: BladePattern['filing'],
  tipped: BladePattern['tipped'],
  teeth: number,
): BladePattern {
  return { id, name, family: 'circular', filing, tipped, diameterMm: 250, boreMm: 30, teeth, plateThicknessMm: 2.2 };
}

/** The families as the counter's pictures are grouped. */
export const FAMILY_NAMES: Record<Family, string> = {
  hand: 'Hand saws',
  back: 'Back saws',
  pull: 'Pull saws',
  crosscut: 'Crosscut, buck and frame saws',
  band: 'Bands',
  circular: 'Circular blades',
  dado: 'Dado sets',
};
