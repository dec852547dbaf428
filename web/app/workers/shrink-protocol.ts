/** A picture to be shrunk until its longer side has at most so many pixels. */
export interface ShrinkWanted {
  readonly id: number;
  readonly picture: Blob;
  readonly longestPx: number;
}

export type ShrinkFault = 'not-a-picture' | 'too-many-pixels' | 'cannot-be-read';

/** The answer to the picture of the same id: a JPEG with nothing in it but the picture, or why not. */
export type Shrunk =
  | {
      readonly id: number;
      readonly ok: true;
      readonly jpeg: Blob;
      readonly widthPx: number;
      readonly heightPx: number;
      readonly fromPixels: number;
    }
  | { readonly id: number; readonly ok: false; readonly code: ShrinkFault; readonly pixels: number };
