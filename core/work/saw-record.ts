import type { DadoPart } from '../circular/dado-stack';
import type { DialReading } from '../circular/dial-harmonics';
import type { BandSet } from '../saw/saw';
import type { StrokeRate } from '../line/strokes';
import type { RakerTip } from '../raker/raker-plan';
import type { RakerSaw } from '../raker/raker-target';
import type { Filing, Wood } from '../saw/families';
import type { ToeZone } from '../saw/zones';
import type { ToothReading } from '../evidence/tooth-reading';
import type { PlateMarkKind } from '../saw/plate-marks';
import type { AnglePair } from '../file/angle-pair';
import type { ShopHabits } from './habits';
import type { LineChoice } from './tooth-line/inputs';

/** What every saw record may carry. Lengths mm, angles degrees. docs/formats.md describes the file. */
interface AnyRecord {
  readonly name?: string;
  readonly strokeRate?: StrokeRate;
  readonly habits?: Partial<ShopHabits>;
}

export interface StraightRecord extends AnyRecord {
  readonly family: 'hand' | 'back';
  readonly filing: Filing;
  readonly wood: Wood;
  readonly pitchMm: number;
  readonly plateThicknessMm: number;
  readonly plateDepthMm: number;
  readonly angles?: AnglePair;
  readonly line?: LineChoice;
  readonly marks?: readonly PlateMarkKind[];
  readonly toeZones?: readonly ToeZone[] | undefined;
  readonly readings: readonly ToothReading[];
}

export interface PullRecord extends AnyRecord {
  readonly family: 'pull';
  readonly pitchMm: number;
  readonly faceDeg: number;
  readonly backDeg: number;
  readonly topDeg: number;
  readonly toothHeightMm: number;
  readonly plateDepthMm: number;
  readonly topOnlySince: number;
  /** Left out: across the grain, dry softwood, half a millimetre, 25 degrees. */
  readonly filing?: Filing;
  readonly wood?: Wood;
  readonly plateThicknessMm?: number;
  readonly fleamDeg?: number;
  readonly readings: readonly ToothReading[];
}

export interface ZoneRecord {
  readonly teeth: number;
  readonly pitchFromMm: number;
  readonly pitchToMm: number;
  readonly rakeFromDeg: number;
  readonly rakeToDeg: number;
}

export interface CrosscutRecord extends AnyRecord {
  readonly family: 'crosscut';
  readonly saw: RakerSaw;
  readonly wood: Wood;
  readonly pattern: string;
  readonly patternOffset?: number;
  readonly zones: readonly ZoneRecord[];
  readonly fleamDeg: number;
  readonly plateThicknessMm: number;
  /** Plate over the gullets at its narrowest, mm; left out it is a long saw's. */
  readonly plateDepthMm?: number;
  /** The breast wanted, mm; left out it is as the teeth lie. */
  readonly sagittaMm?: number;
  readonly rakerTip?: RakerTip;
  readonly readings: readonly ToothReading[];
}

export interface BandRecord extends AnyRecord {
  readonly family: 'band';
  readonly lengthMm: number;
  readonly pitchMm: number;
  readonly countedTeeth?: number;
  readonly set: BandSet;
  readonly renewSet: boolean;
  readonly jawMm: number;
  /** Left out: dry softwood, a narrow band. */
  readonly wood?: Wood;
  readonly widthMm?: number;
  readonly plateThicknessMm?: number;
}

export interface CircularRecord extends AnyRecord {
  readonly family: 'circular';
  readonly diameterMm: number;
  readonly teeth: number;
  readonly markedLimitRpm: number | null;
  readonly turnsPerMinute?: number;
  /** Left out: across the grain where no tooth is a raker, dry softwood, an ordinary plate. */
  readonly filing?: Filing;
  readonly wood?: Wood;
  readonly plateThicknessMm?: number;
  readonly dial: readonly DialReading[];
  /** Read again with the blade turned on the arbor. */
  readonly again?: { readonly turnedDeg: number; readonly dial: readonly DialReading[] };
}

export interface DadoRecord extends AnyRecord {
  readonly family: 'dado';
  readonly diameterMm?: number;
  readonly parts: readonly DadoPart[];
  readonly wantedMm?: number;
  readonly chippers?: readonly DialReading[];
}

export type SawRecord = StraightRecord | PullRecord | CrosscutRecord | BandRecord | CircularRecord | DadoRecord;
