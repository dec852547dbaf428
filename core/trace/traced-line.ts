import type { Estimate } from '../evidence/estimate';
import type { ToothKind } from '../evidence/tooth-reading';

/** Why a tooth of a trace wants a look, worst first. */
export const TOOTH_DOUBTS = [
  'missing',
  'broken',
  'one-flank',
  'dust-at-tip',
  'off-spacing',
  'off-pattern',
  'rough-flank',
  'moved',
  'added',
] as const;
export type ToothDoubt = (typeof TOOTH_DOUBTS)[number];

/** What the trace says of the whole picture: not wrong, but worth knowing. */
export const TRACE_NOTES = [
  'turned-over',
  'turned-quarter',
  'plate-side-guessed',
  'heel-guessed',
  'faces-look-back',
  'runs-out-at-heel',
  'runs-out-at-toe',
  'coarse-scan',
] as const;
export type TraceNote = (typeof TRACE_NOTES)[number];

/** A raker of a trace: its two tips, or the one it has. mm. */
export interface TracedRaker {
  /** Tip to tip; 0 for one that has a single tip. */
  readonly widthMm: number;
  /** Depth of its notch under its tips; null where there is none. */
  readonly notchMm: number | null;
  readonly tipsMm: readonly (readonly [xMm: number, yMm: number])[];
  /** How far it stands under the line through the nearest cutters, and one standard error; null without a cutter. */
  readonly depthMm: number | null;
  readonly depthErrorMm: number | null;
}

/** Pixels of the picture, from its top left corner. */
export interface PicturePlace {
  readonly x: number;
  readonly y: number;
}

/** A bevel seen beside a flank: its width along the line and one standard error, 0 where none is; mm. */
export interface TracedBevel {
  readonly widthMm: number;
  readonly errorMm: number;
}

export interface TracedErrors {
  readonly xMm: number;
  readonly yMm: number;
  readonly flatMm: number;
  readonly rakeDeg: number | null;
  readonly backDeg: number | null;
  readonly gulletMm: number | null;
}

/**
 * One tooth as traced. `xMm` from the first tooth at the heel, `yMm` over the
 * straight line through all tips; a flat's place is its middle. Angles stand off
 * the perpendicular to the tooth line at that tooth. `gulletMm` is the depth of the
 * gullet on its toe side under the chord of the tips beside it.
 */
export interface TracedTooth {
  readonly tooth: number;
  /** Which of the joined scans it was traced in, from 0. */
  readonly scan: number;
  readonly kind: ToothKind;
  readonly xMm: number;
  readonly yMm: number;
  readonly flatMm: number;
  readonly rakeDeg: number | null;
  readonly backDeg: number | null;
  readonly gulletMm: number | null;
  /** One standard error of each. */
  readonly errors: TracedErrors;
  readonly doubts: readonly ToothDoubt[];
  /** Somebody looked at it and kept it, moved it, put it in or called it: a new trace of the picture does not forget. */
  readonly looked?: 'kept' | 'moved' | 'added' | 'called';
  /** Of a raker: `xMm`, `yMm` are the middle of its tips; left out for any other tooth. */
  readonly raker?: TracedRaker;
  /** Bevels of its face and its back as the light shows them; null where it does not, left out where nobody looked. */
  readonly bevels?: { readonly face: TracedBevel | null; readonly back: TracedBevel | null };
  readonly tipPx: PicturePlace;
  /** The gullet on the toe side; null after the last tooth. */
  readonly gulletPx: PicturePlace | null;
}

/** A tooth of which nothing but its place in a picture is known. */
export const bareTooth = (
  kind: ToothKind,
  tipPx: PicturePlace,
  doubts: readonly ToothDoubt[],
  scan = 0,
): TracedTooth => ({
  tooth: 0,
  scan,
  kind,
  xMm: 0,
  yMm: 0,
  flatMm: 0,
  rakeDeg: null,
  backDeg: null,
  gulletMm: null,
  errors: { xMm: 0, yMm: 0, flatMm: 0, rakeDeg: null, backDeg: null, gulletMm: null },
  doubts,
  tipPx,
  gulletPx: null,
});

/** Of the whole line. Where there are rakers, pitch, angles, breast and heights are its cutters'. */
export interface TracedSummary {
  readonly teeth: number;
  readonly missing: number;
  readonly broken: number;
  readonly lengthMm: number;
  readonly pitchMm: Estimate;
  readonly teethPerInch: Estimate;
  readonly pointsPerInch: Estimate;
  readonly rakeDeg: Estimate | null;
  readonly backDeg: Estimate | null;
  readonly gulletMm: Estimate | null;
  /** Sagitta over the whole line: breasted positive, hollow negative. */
  readonly breastMm: Estimate;
  /** Rakers among the teeth, and how deep they stand under their cutters in the middle of all; null without one. */
  readonly rakers: number;
  readonly rakerDepthMm: Estimate | null;
  /** Deviation of the tips' heights about the breasted line. */
  readonly unequalMm: number;
}

/** Pixels of a scan into mm of the line: x = x0 px + x1 py + x2, y likewise. */
export interface ScanFrame {
  readonly x: readonly [number, number, number];
  readonly y: readonly [number, number, number];
}

export interface TracedLine {
  /** One for each scan that was joined. */
  readonly frames: readonly ScanFrame[];
  readonly mmPerPx: number;
  /** The standard error of the scale, as a share: 0 where the file's own resolution is believed. */
  readonly scaleError: number;
  readonly teeth: readonly TracedTooth[];
  readonly summary: TracedSummary;
  readonly notes: readonly TraceNote[];
  /** Where somebody said that no tooth is. */
  readonly removed?: readonly { readonly scan: number; readonly at: PicturePlace }[];
  /** The side of the plate that the picture shows, seen from the handle. */
  readonly sideSeen?: 'left' | 'right';
  /** Of a round blade: the mean radius over its tips, and what its middle was found by. mm. */
  readonly rim?: { readonly meanRadiusMm: number; readonly about: 'bore' | 'rim'; readonly centreErrorMm: number };
  /** Lie of the tooth line on the glass, degrees, clockwise. */
  readonly skewDeg: number;
}

export const TRACE_REFUSALS = ['too-small', 'one-grey', 'no-tooth-line', 'cut-off', 'teeth-too-fine'] as const;
export type TraceRefusal = (typeof TRACE_REFUSALS)[number];
export type TraceResult =
  | ({ readonly ok: true } & TracedLine)
  | { readonly ok: false; readonly code: TraceRefusal; readonly facts?: Readonly<Record<string, number>> };
