/** A picture in grey: one byte a pixel, rows from the top, 0 black to 255 white. Pixel (i, j) covers [i, i+1] x [j, j+1]. */
export interface GreyPicture {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly grey: Uint8Array | Uint8ClampedArray;
}

/**
 * The same bytes seen turned by quarter turns: nothing is copied. A view's pixel
 * (x, y) is the picture's byte `origin + x acrossStep + y downStep`.
 */
export interface PictureView {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly grey: Uint8Array | Uint8ClampedArray;
  readonly origin: number;
  readonly acrossStep: number;
  readonly downStep: number;
  /** Quarter turns, clockwise, that bring the picture to this view. */
  readonly quarterTurns: 0 | 1 | 2 | 3;
}

/** The picture turned clockwise by so many quarter turns. */
export function turnedView(picture: GreyPicture, quarterTurns: 0 | 1 | 2 | 3): PictureView {
  const { widthPx: w, heightPx: h, grey } = picture;
  const of = (
    widthPx: number,
    heightPx: number,
    origin: number,
    acrossStep: number,
    downStep: number,
  ): PictureView => ({ widthPx, heightPx, grey, origin, acrossStep, downStep, quarterTurns });
  if (quarterTurns === 0) return of(w, h, 0, 1, w);
  // Clockwise: the left column, read from below, becomes the top row.
  if (quarterTurns === 1) return of(h, w, (h - 1) * w, -w, 1);
  if (quarterTurns === 2) return of(w, h, w * h - 1, -1, -w);
  return of(h, w, w - 1, w, -1);
}

/** A place of a view, in pixels of the picture it is a view of. */
export function toPicture(view: PictureView, x: number, y: number): { readonly x: number; readonly y: number } {
  const { widthPx: w, heightPx: h } = view;
  if (view.quarterTurns === 0) return { x, y };
  if (view.quarterTurns === 1) return { x: y, y: w - x };
  if (view.quarterTurns === 2) return { x: w - x, y: h - y };
  return { x: h - y, y: x };
}

/** A place of the picture, in pixels of the view: `toPicture` undone. */
export function toView(view: PictureView, x: number, y: number): { readonly x: number; readonly y: number } {
  const { widthPx: w, heightPx: h } = view;
  if (view.quarterTurns === 0) return { x, y };
  if (view.quarterTurns === 1) return { x: w - y, y: x };
  if (view.quarterTurns === 2) return { x: w - x, y: h - y };
  return { x: y, y: h - x };
}

/**
 * Grey at a place between pixel centres, bilinear; beyond the edge the nearest
 * pixel's. Grey levels.
 */
export function greyAt(view: PictureView, x: number, y: number): number {
  const u = Math.min(Math.max(x - 0.5, 0), view.widthPx - 1);
  const v = Math.min(Math.max(y - 0.5, 0), view.heightPx - 1);
  const i = Math.min(Math.floor(u), view.widthPx - 2);
  const j = Math.min(Math.floor(v), view.heightPx - 2);
  // No pair taken apart here: this runs a million times a picture.
  const fx = u - i;
  const fy = v - j;
  const at = view.origin + i * view.acrossStep + j * view.downStep;
  const { grey, acrossStep: a, downStep: d } = view;
  return (
    (1 - fy) * ((1 - fx) * (grey[at] as number) + fx * (grey[at + a] as number)) +
    fy * ((1 - fx) * (grey[at + d] as number) + fx * (grey[at + a + d] as number))
  );
}
