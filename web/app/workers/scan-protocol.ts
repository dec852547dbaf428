import type { Glimpse } from '@odontis/core/photograph/glimpse';
import { PHOTOGRAPH_FAULTS } from '@odontis/core/photograph/read-photograph';
import type { PhotographFault, PhotographWish, ReadPhotograph } from '@odontis/core/photograph/read-photograph';
import type { PictureFault } from '@odontis/core/trace/picture-faults';
import type { PictureHeader } from '@odontis/core/trace/picture-header';
import type { TraceWish } from '@odontis/core/trace/trace-teeth';
import type { TraceResult } from '@odontis/core/trace/traced-line';

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
  | { readonly id: number; readonly do: 'open'; readonly file: Blob; readonly wish: PhotographWish }
  | { readonly id: number; readonly do: 'glimpse'; readonly frame: ImageBitmap; readonly pitchMm: number }
  | { readonly id: number; readonly do: 'trace'; readonly wish: Omit<TraceWish, 'report'> }
  | { readonly id: number; readonly do: 'tile'; readonly tile: TileWanted };

/** What a photograph on its strips gave beside its picture, which was laid on a true grid. */
export type LaidPhotograph = Omit<Extract<ReadPhotograph, { ok: true }>, 'ok' | 'picture'>;

/** The header is the picture's that is shown and traced: of a photograph the grid's. */
export type Opened =
  | { readonly ok: true; readonly header: PictureHeader; readonly photograph: LaidPhotograph | null }
  | { readonly ok: false; readonly code: PictureFault; readonly header: PictureHeader | null }
  | { readonly ok: false; readonly code: PhotographFault; readonly header: PictureHeader };

type Fault = Extract<Opened, { ok: false }>;
export const isPhotographFault = (fault: Fault): fault is Extract<Fault, { code: PhotographFault }> =>
  PHOTOGRAPH_FAULTS.some((code) => code === fault.code);

/** Answers carry the id of what was asked; `progress` comes any number of times before the answer. */
export type ScanAnswer =
  | { readonly id: number; readonly is: 'progress'; readonly share: number }
  | { readonly id: number; readonly is: 'opened'; readonly opened: Opened }
  | { readonly id: number; readonly is: 'glimpsed'; readonly glimpse: Glimpse }
  | { readonly id: number; readonly is: 'traced'; readonly result: TraceResult }
  | { readonly id: number; readonly is: 'tile'; readonly bitmap: ImageBitmap | null };
