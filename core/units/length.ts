/**
 * Lengths as a shop says them, read into millimetres and printed back.
 *
 * 1 inch = 25.4 mm exactly (International yard and pound agreement, 1959);
 * 1 thou = 0.001 inch = 0.0254 mm.
 */
export const MM_PER_INCH = 25.4;
export const MM_PER_THOU = 0.0254;

/** What a field or a shop speaks when a number comes without its unit. */
export type LengthUnit = 'mm' | 'thou' | 'inch';

export type LengthFault = 'empty' | 'not-a-length' | 'zero-denominator' | 'too-large';

export type ParsedLength =
  { ok: true; mm: number; readAs: LengthUnit } | { ok: false; code: LengthFault; text: string };

/** Longer than any saw in the shop by a factor of a thousand, in mm: a slip, not a length. */
const LARGEST_LENGTH_MM = 1e6;

const MM_PER: Record<LengthUnit, number> = { mm: 1, thou: MM_PER_THOU, inch: MM_PER_INCH };

const UNIT_WORDS: Record<string, LengthUnit> = {
  mm: 'mm',
  thou: 'thou',
  thous: 'thou',
  th: 'thou',
  in: 'inch',
  inch: 'inch',
  inches: 'inch',
  '"': 'inch',
  '″': 'inch',
};

const NUMBER = /^([+-]?)(?:(\d+)[ -]+)?(\d+)\/(\d+)$|^([+-]?(?:\d+[.,]?\d*|[.,]\d+)(?:e[+-]?\d+)?)$/i;

/**
 * Read a length: "0.1 mm", "4 thou", "0.004", "1/64", "1 1/2 in", "2,5".
 *
 * A fraction without a unit is inches. Where the field speaks thou, a bare
 * decimal below a half ("0.004") is inches, because that is how thousandths
 * are written on a gauge; every other bare number is in `spoken`. `readAs`
 * says which was taken so that a screen can show it.
 *
 * Shape: text, unit in force -> mm. Domain: finite, at most 1e6 mm.
 * Source: common practice, no source. Example: "1/64" -> 0.396875 mm.
 */
export function parseLength(text: string, spoken: LengthUnit): ParsedLength {
  const trimmed = text.trim().toLowerCase().replace('−', '-');
  if (trimmed === '') return { ok: false, code: 'empty', text };
  const split = /^(.*?)\s*(mm|thous?|th|inches|inch|in|"|″)?$/.exec(trimmed);
  const figure = split?.[1] ?? '';
  const word = split?.[2];
  const match = NUMBER.exec(figure);
  if (!match) return { ok: false, code: 'not-a-length', text };
  let value: number;
  let bareUnit: LengthUnit = spoken;
  if (match[3] !== undefined && match[4] !== undefined) {
    const denominator = Number(match[4]);
    if (denominator === 0) return { ok: false, code: 'zero-denominator', text };
    const magnitude = Number(match[2] ?? 0) + Number(match[3]) / denominator;
    value = match[1] === '-' ? -magnitude : magnitude;
    bareUnit = 'inch';
  } else {
    const digits = (match[5] ?? '').replace(',', '.');
    value = Number(digits);
    if (spoken === 'thou' && digits.includes('.') && value !== 0 && Math.abs(value) < 0.5) bareUnit = 'inch';
  }
  const readAs = word === undefined ? bareUnit : (UNIT_WORDS[word] ?? spoken);
  const mm = value * MM_PER[readAs];
  if (!Number.isFinite(mm) || Math.abs(mm) > LARGEST_LENGTH_MM) return { ok: false, code: 'too-large', text };
  return { ok: true, mm, readAs };
}

/** Millimetres as a plain number in another unit. */
export const lengthIn = (mm: number, unit: LengthUnit): number => mm / MM_PER[unit];

/** A plain number in a unit as millimetres. */
export const lengthFrom = (value: number, unit: LengthUnit): number => value * MM_PER[unit];

const DIGITS: Record<LengthUnit, number> = { mm: 3, thou: 1, inch: 4 };
const SUFFIX: Record<LengthUnit, string> = { mm: 'mm', thou: 'thou', inch: 'in' };

/** "0.102 mm", "4.0 thou", "0.0040 in"; read back it is the same to the last digit shown. */
export function formatLength(mm: number, unit: LengthUnit, digits = DIGITS[unit]): string {
  return `${formatNumber(lengthIn(mm, unit), digits)} ${SUFFIX[unit]}`;
}

/** The word printed after a number in this unit. */
export const unitWord = (unit: LengthUnit): string => SUFFIX[unit];

/** Fixed digits without a negative zero. */
export function formatNumber(value: number, digits: number): string {
  const text = value.toFixed(digits);
  return Number(text) === 0 ? text.replace('-', '') : text;
}
