import type { Angle } from '@odontis/core/angles/angles-of';
import type { AngleDoubt } from '@odontis/core/angles/doubt-angle';
import type { Speech } from '../speech/speech';

export const angleWords: Readonly<Record<Angle, string>> = {
  rakeDeg: 'The face',
  backDeg: 'The back',
  fleamDeg: 'The fleam',
  slopeDeg: 'The slope',
};

const NAMES: Readonly<Record<AngleDoubt['angle'], string>> = {
  rake: 'A face',
  back: 'A back',
  fleam: 'A fleam',
  slope: 'A dip',
  roll: 'A roll',
};

const deg = (value: number): string => `${Number(value.toFixed(1))}°`.replace('-', '−');
const said = (angle: AngleDoubt['angle'], value: number, speech: Pick<Speech, 'rake'>): string =>
  angle === 'rake' ? speech.rake(value) : deg(value);

/** A doubtful angle as a sentence. */
export function angleDoubtSays(doubt: AngleDoubt, speech: Pick<Speech, 'rake'>): string {
  const { angle, valueDeg, leastDeg, mostDeg, usualDeg } = doubt;
  const value = `${NAMES[angle]} of ${said(angle, valueDeg, speech)}`;
  if (doubt.code === 'no-tooth') return `${value} leaves no tooth: its two flanks never meet below level.`;
  return doubt.code === 'wild'
    ? `${value} is far from the other teeth, which have about ${said(angle, usualDeg ?? 0, speech)}.`
    : `${value} is beyond what a saw has: ${deg(leastDeg)} to ${deg(mostDeg)}.`;
}

/** What it may have been meant to be. */
export const angleMeantSays = (meant: NonNullable<AngleDoubt['meant']>, speech: Pick<Speech, 'rake'>): string =>
  meant.slip === 'to-plate'
    ? `It was said to the plate: ${deg(meant.deg)} off square`
    : `It is ${speech.rake(meant.deg)}`;
