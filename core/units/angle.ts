/**
 * Angles as a shop says them. Stored always as signed rake and as fleam off
 * square (geometry section 1); a shop may speak both differently.
 */
declare const brand: unique symbol;
/** Rake in degrees: positive leans into the cut, 0 upright, negative leans back. */
export type RakeDeg = number & { readonly [brand]: 'rake' };
/** Fleam in degrees off square across the plate. */
export type FleamDeg = number & { readonly [brand]: 'fleam' };

/** `signed`: -15 leans back. `lean-back`: the shop says "15 degrees" and means -15. */
export type RakeSpeech = 'signed' | 'lean-back';
/** `off-square`: 25. `to-plate`: the same file direction called 65. */
export type FleamSpeech = 'off-square' | 'to-plate';

export type AngleFault = 'empty' | 'not-an-angle' | 'out-of-range';
export type ParsedAngle<A> = { ok: true; deg: A } | { ok: false; code: AngleFault; text: string };

/** Beyond these no triangular file leaves a tooth; degrees. */
export const RAKE_RANGE_DEG = { min: -59, max: 30 } as const;
export const FLEAM_RANGE_DEG = { min: 0, max: 60 } as const;

const ANGLE = /^([+-]?\d+(?:[.,]\d+)?)\s*(?:°|deg|degrees|degree)?\s*(to (?:the )?plate|off square)?$/i;

function readAngle(text: string): { value: number; said: string | undefined } | AngleFault {
  const trimmed = text.trim().replace('−', '-');
  if (trimmed === '') return 'empty';
  const match = ANGLE.exec(trimmed);
  if (!match?.[1]) return 'not-an-angle';
  return { value: Number(match[1].replace(',', '.')), said: match[2]?.toLowerCase() };
}

/**
 * Fleam from "25", "25°", "65 to the plate" or, where the shop speaks so, "65".
 * Both ways may be typed anywhere: words after the number win over the habit.
 * Example: "65 to the plate" -> 25 degrees (geometry section 1).
 */
export function parseFleam(text: string, speech: FleamSpeech): ParsedAngle<FleamDeg> {
  const read = readFleam(text, speech);
  if (read.ok && (read.deg < FLEAM_RANGE_DEG.min || read.deg > FLEAM_RANGE_DEG.max))
    return { ok: false, code: 'out-of-range', text };
  return read;
}

/** The same without a judgement of how much a fleam can be: what was read off a saw is asked about, not refused. */
export function readFleam(text: string, speech: FleamSpeech): ParsedAngle<FleamDeg> {
  const read = readAngle(text);
  if (typeof read === 'string') return { ok: false, code: read, text };
  const toPlate = read.said === undefined ? speech === 'to-plate' : read.said.startsWith('to');
  const deg = toPlate ? 90 - read.value : read.value;
  return Math.abs(deg) < 90 ? { ok: true, deg: deg as FleamDeg } : { ok: false, code: 'out-of-range', text };
}

/** Any other angle in plain degrees, less than a right angle either way. */
export function readDegrees(text: string): ParsedAngle<number> {
  const read = readAngle(text);
  if (typeof read === 'string' || read.said !== undefined)
    return { ok: false, code: typeof read === 'string' ? read : 'not-an-angle', text };
  return Math.abs(read.value) < 90 ? { ok: true, deg: read.value } : { ok: false, code: 'out-of-range', text };
}

/** Rake from "-15", or from "15" where the shop says the lean back as a plain number. */
export function parseRake(text: string, speech: RakeSpeech): ParsedAngle<RakeDeg> {
  const read = readAngle(text);
  if (typeof read === 'string' || read.said !== undefined) {
    return { ok: false, code: typeof read === 'string' ? read : 'not-an-angle', text };
  }
  const deg = speech === 'lean-back' ? 0 - read.value : read.value;
  if (deg < RAKE_RANGE_DEG.min || deg > RAKE_RANGE_DEG.max) return { ok: false, code: 'out-of-range', text };
  return { ok: true, deg: deg as RakeDeg };
}

const degreesText = (deg: number, digits: number): string => `${Number(deg.toFixed(digits))}°`;

/** "25° off square" or "65° to the plate". */
export function formatFleam(deg: number, speech: FleamSpeech, digits = 1): string {
  return speech === 'to-plate' ? `${degreesText(90 - deg, digits)} to the plate` : `${degreesText(deg, digits)} fleam`;
}

/** "-15°" signed, or "15° leaning back" / "5° into the cut" / "upright". */
export function formatRake(deg: number, speech: RakeSpeech, digits = 1): string {
  if (speech === 'signed') return degreesText(deg, digits).replace('-', '−');
  if (Number(deg.toFixed(digits)) === 0) return 'upright';
  return deg < 0 ? `${degreesText(-deg, digits)} leaning back` : `${degreesText(deg, digits)} into the cut`;
}
