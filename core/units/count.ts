import type { PointConvention } from './points';
import { pitchMmFromCount } from './points';

/** A count of teeth as it was said, and whether the words said points or teeth. */
export type ParsedCount =
  | { readonly ok: true; readonly count: number; readonly saidAs: PointConvention | null }
  | { readonly ok: false; readonly code: 'empty' | 'not-a-count' | 'zero-denominator'; readonly text: string };

const FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
const COUNT =
  /^(?:(?:(\d+)(?: +| *- *))?(\d+) *\/ *(\d+)|(\d+(?:[.,]\d+)?|[.,]\d+)) *(points?|pts?|p\.?p\.?i\.?|teeth|tooth|t\.?p\.?i\.?)?(?: (?:to|an|per) (?:the )?inch)?$/;

/**
 * A count of teeth as people say it: "5 1/2 points", "9/2", "5,5", "5½", "12 teeth to the inch".
 * A word after the number says which of the two ways of counting was meant. A count of one,
 * without unit. Source: common practice, no source. Example: "5½ points" -> 5.5, points.
 */
export function parseCount(text: string): ParsedCount {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (sign) => ` ${FRACTIONS[sign] ?? ''} `)
    .replace(/⁄/g, '/')
    .replace(/\s+/g, ' ')
    .trim();
  if (plain === '') return { ok: false, code: 'empty', text };
  const found = COUNT.exec(plain);
  if (!found) return { ok: false, code: 'not-a-count', text };
  const [, whole, above, below, decimal, word] = found;
  const saidAs = word === undefined ? null : word.startsWith('p') ? 'points' : 'teeth';
  if (decimal !== undefined) return { ok: true, count: Number(decimal.replace(',', '.')), saidAs };
  if (Number(below) === 0) return { ok: false, code: 'zero-denominator', text };
  return { ok: true, count: Number(whole ?? 0) + Number(above) / Number(below), saidAs };
}

/** Pitch in mm of a count as it was said; NaN where it says none, or fewer than a line can have. */
export function pitchMmSaid(text: string, spoken: PointConvention): number {
  const read = parseCount(text);
  if (!read.ok) return NaN;
  const by = read.saidAs ?? spoken;
  return read.count > (by === 'points' ? 1 : 0) ? pitchMmFromCount(read.count, by) : NaN;
}
