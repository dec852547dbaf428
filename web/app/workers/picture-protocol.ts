import type { Glimpse } from '@odontis/core/photograph/glimpse';
import type { EdgeWish, ReadEdge } from '@odontis/core/photograph/read-edge';
import type { BenchLie, LaidGrid } from '@odontis/core/photograph/read-photograph';
import type { RoundWish } from '@odontis/core/photograph/read-rim';
import type { PhotographFault, PhotographWish } from '@odontis/core/photograph/see-marks';
import { PHOTOGRAPH_FAULTS } from '@odontis/core/photograph/see-marks';
import type { PictureFault } from '@odontis/core/trace/picture-faults';
import type { PictureHeader } from '@odontis/core/trace/picture-header';
import type { TraceWish } from '@odontis/core/trace/trace-teeth';
import { TRACE_REFUSALS } from '@odontis/core/trace/traced-line';
import type { TraceRefusal, TraceResult } from '@odontis/core/trace/traced-line';

/** What a picture is of: a line from the side, a round blade, or a plate on edge; and what is known beside it. */
export interface PictureWish extends PhotographWish {
  readonly round?: RoundWish;
  readonly edge?: EdgeWish;
}

/** A part of the picture at a level of detail: every level halves both sides. */
export interface TileWanted {
  readonly level: number;
  readonly column: number;
  readonly row: number;
}

/** Side of a tile in its own pixels. */
export const TILE_PX = 512;

/** What the page asks of the scan worker. A picture is opened once and stays in the worker until that ends. */
export type ScanWanted =
  | { readonly id: number; readonly do: 'open'; readonly file: Blob; readonly wish: PictureWish }
  | { readonly id: number; readonly do: 'glimpse'; readonly frame: ImageBitmap; readonly pitchMm: number }
  | { readonly id: number; readonly do: 'trace'; readonly wish: Omit<TraceWish, 'report'> }
  | { readonly id: number; readonly do: 'tile'; readonly tile: TileWanted }
  | { readonly id: number; readonly do: 'keep'; readonly longestPx: number };

/** What a photograph on its strips gave beside its picture, which was laid on a true grid; a blade's has no bench to be joined by. */
export type LaidPhotograph = Omit<LaidGrid, 'picture'> & { readonly bench?: BenchLie };
/** What a photograph along the points gave. */
export type LaidEdge = Omit<Extract<ReadEdge, { ok: true }>, 'ok' | 'picture'>;

/** The header is the picture's that is shown and traced: of a photograph the grid's. */
export type Opened =
  | {
      readonly ok: true;
      readonly header: PictureHeader;
      readonly photograph: LaidPhotograph | null;
      readonly edge?: LaidEdge;
    }
  | { readonly ok: false; readonly code: PictureFault; readonly header: PictureHeader | null }
  | { readonly ok: false; readonly code: PhotographFault; readonly header: PictureHeader }
  | { readonly ok: false; readonly code: TraceRefusal; readonly header: PictureHeader };

type Fault = Extract<Opened, { ok: false }>;
export const isPhotographFault = (fault: Fault): fault is Extract<Fault, { code: PhotographFault }> =>
  PHOTOGRAPH_FAULTS.some((code) => code === fault.code);
export const isTraceRefusal = (fault: Fault): fault is Extract<Fault, { code: TraceRefusal }> =>
  TRACE_REFUSALS.some((code) => code === fault.code);

/** Answers carry the id of what was asked; `progress` comes any number of times before the answer. */
export type ScanAnswer =
  | { readonly id: number; readonly is: 'progress'; readonly share: number }
  | { readonly id: number; readonly is: 'opened'; readonly opened: Opened }
  | { readonly id: number; readonly is: 'glimpsed'; readonly glimpse: Glimpse }
  | { readonly id: number; readonly is: 'traced'; readonly result: TraceResult }
  | { readonly id: number; readonly is: 'tile'; readonly bitmap: ImageBitmap | null }
  | { readonly id: number; readonly is: 'kept'; readonly jpeg: Blob | null };
