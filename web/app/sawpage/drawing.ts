import type { Lean } from '@odontis/core/evidence/tooth-reading';
import type { JointLine } from '@odontis/core/line/joint-line';
import type { Ends } from '@odontis/core/saw/ends';
import type { ToothRole } from '@odontis/core/saw/tooth-pattern';
import type { Held } from '../shared/plate/handle-shape';

/** A saw as the page draws it. Arrays run heel to toe, one entry a standing tooth; mm. */
export interface SawDrawing {
  readonly title: string;
  readonly backed: boolean;
  /** How it is held; welded to itself, or round an arbor. */
  readonly held: Held | 'loop' | 'rim';
  readonly ends: Ends;
  readonly lengthMm: number;
  readonly plateDepthHeelMm: number;
  readonly plateDepthToeMm: number;
  readonly pitchMm: number;
  readonly toothHeightMm: number;
  readonly tanFace: number;
  readonly tanBack: number;
  readonly teeth: Int32Array;
  readonly xMm: Float64Array;
  readonly yMm: Float64Array;
  /** Null of a tooth that stands straight. */
  readonly leans: readonly (Lean | null)[];
  /** What each tooth is there for; null where all are cutters. */
  readonly roles: readonly ToothRole[] | null;
  /** A raker from tip to tip, as measured or as usual at its pitch. */
  readonly rakerWidthMm: number;
  /** Height at which the line's ends are drawn, and how far its middle stands over them. */
  readonly levelMm: number;
  readonly crownMm: number;
  readonly broken: ReadonlySet<number>;
  /** The joint line over the teeth, where there is one. */
  readonly joint: JointLine | null;
  readonly flats: { readonly fromMm: Float64Array; readonly toMm: Float64Array; readonly on: Uint8Array } | null;
  readonly targetXMm: Float64Array | null;
  /** Gullets or teeth of the present step, done and still to do; null when nothing is being worked. */
  readonly work: { readonly done: ReadonlySet<number>; readonly todo: ReadonlySet<number> } | null;
  /** The place being worked on now. */
  readonly current: { readonly at: number; readonly unit: 'gullet' | 'tooth' } | null;
  readonly lanes: readonly Lane[];
}

/** A lane under the saw, tooth by tooth on the same axis. */
export interface Lane {
  readonly id: string;
  readonly name: string;
  /** One value a tooth, NaN where there is none. */
  readonly values: Float64Array;
  /** The same before the work, drawn behind. */
  readonly before: Float64Array | null;
  /** `bars` from zero up and down; `sides`: by lean, left above, right below. */
  readonly kind: 'bars' | 'sides';
  /** Values beyond this stand out; NaN for none. */
  readonly limit: number;
  readonly say: (value: number) => string;
}
