import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { sayLong, sayPitch, sayPlate } from '@odontis/core/units/shop-speech';
import type { SawCorrection } from './corrections';

type Say = (mm: number, speech: ShopSpeech) => string;
/** Data of a saw by their plain names, and how a length of each is said. */
const DATA: Readonly<Record<string, readonly [name: string, say?: Say]>> = {
  name: ['name'],
  marksOnIt: ['stamped or written on it'],
  filing: ['filed for'],
  pitchMm: ['teeth', sayPitch],
  ripPitchMm: ['teeth of its rip edge', sayPitch],
  toothLineMm: ['tooth line', sayLong],
  plateThicknessMm: ['plate', sayPlate],
  plateDepthHeelMm: ['depth at the heel', sayLong],
  plateDepthToeMm: ['depth at the toe', sayLong],
  backFixing: ['back'],
  pattern: ['cutters and rakers'],
  patternOffset: ['where its pattern begins'],
  kind: ['kind'],
  set: ['teeth bent'],
  edges: ['edges with teeth'],
  hardEdge: ['hardened'],
  diameterMm: ['diameter', sayLong],
  boreMm: ['bore', sayPlate],
  tipped: ['teeth of'],
  markedLimitRpm: ['marked limit'],
  toeZones: ['starter teeth'],
  parts: ['parts'],
};
/** Follows from others or is a manner of speaking: no row of its own. */
const UNSAID: ReadonlySet<string> = new Set(['convention']);

/** What of a saw was put right, a line a datum: what it was said to be and what it is. */
export function correctionSays(
  { before, after }: Pick<SawCorrection, 'before' | 'after'>,
  speech: ShopSpeech,
): string[] {
  return Object.keys(after)
    .filter((key) => !UNSAID.has(key))
    .map((key) => {
      const [name, say] = DATA[key] ?? [key];
      const said = (value: unknown): string =>
        typeof value === 'number' ? (say?.(value, speech) ?? String(value)) : wordOf(value);
      const [was, is] = [said(before[key]), said(after[key])];
      // Too little for the words of the shop, or a list: that it changed is said, not how.
      return was === is ? `${name} put right` : `${name}: ${was} before, ${is} now`;
    });
}

function wordOf(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  return typeof value === 'string' ? `“${value}”` : Array.isArray(value) ? `${value.length}` : JSON.stringify(value);
}
