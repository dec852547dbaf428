import type { Shrunk } from '../../workers/shrink-protocol';
import { MOST_PIXELS } from '../../workers/shrink-photograph';

const mega = (pixels: number): string => (pixels / 1e6).toFixed(pixels < 1e7 ? 1 : 0);

/** What became of a photograph, in a sentence; empty where there is nothing to say. */
export function shrinkWords(name: string, answer: Shrunk): string {
  if (answer.ok) {
    const kept = answer.widthPx * answer.heightPx;
    return answer.fromPixels > 1.5 * kept
      ? `${name} was made smaller before it is kept: from ${mega(answer.fromPixels)} to ${mega(kept)} million pixels.`
      : '';
  }
  switch (answer.code) {
    case 'not-a-picture':
      return `${name} is no picture, whatever its name says: a JPEG, PNG or WebP photograph is wanted. Nothing was added.`;
    case 'too-many-pixels':
      return `${name} has ${mega(answer.pixels)} million pixels, and ${mega(MOST_PIXELS)} are the most that can be opened: take it again at a smaller setting. Nothing was added.`;
    case 'cannot-be-read':
      return `${name} cannot be read: it may have been cut off on its way. Nothing was added.`;
  }
}
