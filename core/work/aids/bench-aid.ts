/** A place on a sheet or a piece of brass, mm; x to the right, y down. */
export type AidPoint = readonly [xMm: number, yMm: number];

/** Something made of card, wood or brass after a drawing at true scale. Lengths mm. */
export interface BenchAid {
  readonly id: 'fleam-card' | 'file-block' | 'spacing-strip' | 'jointer-bend' | 'raker-shims';
  readonly title: string;
  /** What it is for and how it is used, in a sentence or two. */
  readonly says: string;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Along these it is cut out; closed. */
  readonly cuts: readonly (readonly AidPoint[])[];
  /** Lines to be seen, or scribed; open. */
  readonly lines: readonly (readonly AidPoint[])[];
  readonly holes: readonly { readonly at: AidPoint; readonly diameterMm: number }[];
  readonly words: readonly { readonly at: AidPoint; readonly says: string; readonly sizeMm: number }[];
}

export const rectangle = (x: number, y: number, width: number, height: number): AidPoint[] => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
];
