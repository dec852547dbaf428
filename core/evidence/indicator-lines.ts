import { lengthFrom } from '../units/length';

/**
 * The lines of a digital indicator, our own plain protocol (docs/formats.md): a
 * signed number, its unit, and `*` when its button is pressed, one reading a line:
 * `+0.1270 mm`, `-0.0050 in *`. Anything else is garbage and is counted, not guessed at.
 */
export interface IndicatorReading {
  readonly valueMm: number;
  readonly pressed: boolean;
}

const LINE = /^([+-]\d{1,3}\.\d{2,5}) (mm|in)( \*)?$/;
/** A line without an end is thrown away past this many characters. */
const LONGEST = 64;

export function indicatorReading(line: string): IndicatorReading | null {
  const found = LINE.exec(line);
  if (!found) return null;
  return {
    valueMm: lengthFrom(Number(found[1]), found[2] === 'mm' ? 'mm' : 'inch'),
    pressed: found[3] !== undefined,
  };
}

/** Pieces of text as they come off the wire into whole lines; what is left waits for its end. */
export function lineSplitter(): (piece: string) => string[] {
  let rest = '';
  return (piece) => {
    const lines = (rest + piece).split(/\r\n|\n|\r/);
    rest = lines.pop() ?? '';
    if (rest.length > LONGEST) rest = '';
    return lines.filter((line) => line !== '');
  };
}

/** How the link is doing: told from what came lately. */
export interface LinkHealth {
  readonly good: number;
  readonly garbage: number;
  /** Nothing for longer than an indicator is ever silent. */
  readonly silent: boolean;
}

/** An indicator speaks several times a second: this long without a word is a drop-out, ms. */
export const SILENT_MS = 1500;
