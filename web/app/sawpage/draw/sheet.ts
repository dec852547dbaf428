import type { Layout } from './layout';
import type { Palette } from './palette';

/** The canvas with everything a drawing function needs to know of it. */
export interface Sheet {
  readonly context: CanvasRenderingContext2D;
  readonly palette: Palette;
  readonly layout: Layout;
  /** px from mm along the tooth line, zoom and position in it. */
  readonly x: (mm: number) => number;
  /** Index of the first and last tooth on the sheet. */
  readonly first: number;
  readonly last: number;
  /** px a tooth: below 2 only the outline of many teeth is drawn. */
  readonly pxPerTooth: number;
}

/** Below this many px a tooth single teeth are no longer drawn. */
export const FINEST_PX = 2;
