import type { BandSet } from '../band/band-teeth';
import type { AnyFiling, BackFixing, Filing, StraightFamily } from './families';
import type { Family } from './all-families';
import { teethFor } from './all-families';
import type { PointConvention } from './points';

/** What every saw has, whatever its family. Lengths mm. */
export interface SawHead {
  readonly pitchMm: number;
  readonly convention: PointConvention;
  /** Length along the tooth line: of a band its loop, of a blade its rim. */
  readonly toothLineMm: number;
  readonly plateThicknessMm: number;
  /** Plate over the gullets at heel and toe; a band's width; a blade's from its bore to its rim. */
  readonly plateDepthHeelMm: number;
  readonly plateDepthToeMm: number;
}

export interface StraightSaw extends SawHead {
  readonly family: StraightFamily;
  readonly filing: Filing;
  readonly backFixing: BackFixing;
}

export interface PullSaw extends SawHead {
  readonly family: 'pull';
  readonly filing: Filing;
  readonly backFixing: BackFixing;
  /** Teeth on one edge or on both. */
  readonly edges: number;
}

/** The saws of cutters and rakers, and the frame saws that go with them at the counter. */
export const CROSSCUT_KINDS = ['one-man', 'two-man', 'buck', 'frame'] as const;
export type CrosscutKind = (typeof CROSSCUT_KINDS)[number];

export interface CrosscutSaw extends SawHead {
  readonly family: 'crosscut';
  readonly filing: Filing;
  readonly backFixing: 'none';
  readonly kind: CrosscutKind;
  /** One repeat of the teeth in C and R; plain teeth are C. */
  readonly pattern: string;
}

export interface BandSaw extends SawHead {
  readonly family: 'band';
  readonly filing: 'rip';
  readonly backFixing: 'none';
  readonly set: BandSet;
}

export const TIPS = ['steel', 'carbide'] as const;
export type Tips = (typeof TIPS)[number];

export interface CircularSaw extends SawHead {
  readonly family: 'circular';
  readonly filing: AnyFiling;
  readonly backFixing: 'none';
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly tipped: Tips;
  /** Turns a minute the maker marked; null where none can be read. None is ever guessed. */
  readonly markedLimitRpm: number | null;
}

/** A part of a dado set as it is taken in: every one with its own teeth. */
export interface SetPart {
  readonly id: string;
  readonly kind: 'outer' | 'chipper' | 'shim';
  readonly teeth: number;
  readonly plateMm: number;
  readonly cutMm: number;
}

export interface DadoSaw extends SawHead {
  readonly family: 'dado';
  readonly filing: 'combination';
  readonly backFixing: 'none';
  readonly diameterMm: number;
  readonly boreMm: number;
  readonly tipped: Tips;
  readonly markedLimitRpm: number | null;
  readonly parts: readonly SetPart[];
}

export type AnySaw = StraightSaw | PullSaw | CrosscutSaw | BandSaw | CircularSaw | DadoSaw;

/** Teeth to be worked: on both edges of a two-edged pull saw, on every part of a set. */
export function teethOf(saw: AnySaw): number {
  if (saw.family === 'dado') return saw.parts.reduce((sum, part) => sum + part.teeth, 0);
  return teethFor(saw.family, saw.toothLineMm, saw.pitchMm) * (saw.family === 'pull' ? saw.edges : 1);
}

/** Rakers among them by the pattern; none on a plain line. */
export function rakersOf(saw: AnySaw): number {
  if (saw.family !== 'crosscut') return 0;
  const rakers = [...saw.pattern].filter((letter) => letter === 'R').length;
  return Math.round((teethOf(saw) * rakers) / saw.pattern.length);
}

/** Carbide tips are ground, not filed: such a blade is only handled here. */
export const isCarbide = (saw: AnySaw): boolean => 'tipped' in saw && saw.tipped === 'carbide';

export const isStraightFamily = (family: Family): family is StraightFamily => family === 'hand' || family === 'back';
export const isStraight = <T extends { readonly family: Family }>(saw: T): saw is T & { family: StraightFamily } =>
  isStraightFamily(saw.family);
