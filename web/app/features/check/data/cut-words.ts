import type { CheckRound } from '@odontis/contract/check';
import type { Saw } from '@odontis/core/saw/saw';
import type { Speech } from '../../../shared/speech/speech';
import { FLOOR_WORDS, WALL_WORDS } from '../../../shared/words/cause-words';

/** What a cut shows, in the words of the saw that made it. */
export interface CutWords {
  readonly left: string;
  readonly true: string;
  readonly right: string;
  readonly binds: string;
  /** Looked at, and it does not. */
  readonly free: string;
  readonly chatters: string;
  readonly even: string;
}

const BAND: CutWords = {
  ...{ left: 'wanders left', true: 'runs true', right: 'wanders right' },
  ...{ binds: 'burns in curves', free: 'does not burn', chatters: 'beats once a turn', even: 'does not beat' },
};
const ROUND: CutWords = {
  ...{ left: 'runs left', true: 'runs true', right: 'runs right' },
  ...{ binds: 'burns', free: 'does not burn', chatters: 'leaves steps', even: 'leaves no steps' },
};
const BY_HAND: CutWords = {
  ...ROUND,
  ...{ binds: 'binds', free: 'does not bind', chatters: 'jumps', even: 'does not jump' },
};

export const cutWordsOf = (family: Saw['family']): CutWords =>
  family === 'band' ? BAND : family === 'circular' || family === 'dado' ? ROUND : BY_HAND;

/** This saw's rakers as measured for a cut, in figures; null where it has none. */
export function rakersSay({ rakers }: CheckRound, { fine }: Speech): string | null {
  if (!rakers) return null;
  const off = rakers.high + rakers.low;
  if (off === 0) return `${rakers.read} of ${rakers.of} rakers measured, all as wanted.`;
  const worst = `the worst ${fine(Math.abs(rakers.worstMm))} too ${rakers.worstMm > 0 ? 'high' : 'low'}`;
  const work = rakers.strokes > 0 ? `; about ${rakers.strokes} strokes to bring the high ones down` : '';
  return `${rakers.read} of ${rakers.of} rakers measured: ${rakers.high} too high, ${rakers.low} too low, ${worst}${work}.`;
}

function offLineSays(offLineMm: number, overMm: number, { fine, long }: Speech): string {
  const side = offLineMm === 0 ? '' : ` to the ${offLineMm > 0 ? 'left' : 'right'}`;
  return `${fine(Math.abs(offLineMm))} off its line${side} over ${long(overMm)}`;
}

/** What a kept cut was looked at for, in words. */
export function looksSay(round: CheckRound, speech: Speech): string {
  const { kerfMm, offLineMm, overMm, wall, floor, plate, again } = round;
  return [
    kerfMm !== null && `kerf ${speech.plate(kerfMm)}`,
    offLineMm !== null && overMm !== null && offLineSays(offLineMm, overMm, speech),
    wall !== null && `walls ${WALL_WORDS[wall]}`,
    floor !== null && `floor ${FLOOR_WORDS[floor]}`,
    plate !== null && `plate ${plate}`,
    again !== null && (again === 'same' ? 'cut again, the same way' : 'cut again, another way'),
  ]
    .filter((said) => said !== false)
    .join(', ');
}
