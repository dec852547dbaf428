/** One made recording heard to its end as the bench does it, with what was right and wrong; for tests and the long run. */
import { benchEar } from '../hear/bench-ear';
import { asunder } from '../hear/filer-ear';
import { LEARNS_FROM } from '../hear/learn-ear';
import type { Doubt } from '../hear/follow-place';
import type { Trouble } from '../hear/stroke-trouble';
import type { FilingRecording, FilingWish } from './made-filing';
import { madeFiling } from './made-filing';

/** A telephone hands over so many samples at a time. */
const BLOCK = 480;
/** The filer answers a question when the gullet in hand is done, and so much later. s */
const ANSWERS_AFTER_S = 0.15;

export interface HeardRun {
  readonly learned: boolean;
  readonly code: string | null;
  /** Spreads between a rest and a move. */
  readonly asunder: number;
  /** Strokes made while it listened; of them counted, and counted where none was. */
  readonly strokes: number;
  readonly counted: number;
  readonly invented: number;
  readonly gullets: number;
  readonly byEar: number;
  /** The page stood further than the file; it stood behind, and nobody was asked. */
  readonly skipped: number;
  readonly lagged: number;
  readonly doubts: readonly Doubt[];
  readonly troubles: readonly Trouble[];
  readonly restless: boolean;
  /** From a stroke's end to its tick, s. */
  readonly latenciesS: readonly number[];
  /** Ticks shown as a stroke fell off, after which none was counted. */
  readonly untrue: number;
  readonly seconds: number;
}

export function heardRun(wish: FilingWish): HeardRun {
  return hearRecording(madeFiling(wish), wish.strokes);
}

export function hearRecording(recording: FilingRecording, wanted: readonly number[]): HeardRun {
  const { rate, samples, strokes, doneS } = recording;
  const ear = benchEar(rate);
  const cutS = (doneS[LEARNS_FROM - 1] as number) + 0.3;
  const cut = Math.round(cutS * rate);
  let at = 0;
  const hand = (to: number, want: number) => {
    const events = ear.take(samples.subarray(at, Math.min(to, samples.length)), want);
    at = to;
    return events;
  };
  while (at < cut) hand(Math.min(cut, at + BLOCK), 0);
  const learned = ear.learn(wanted.slice(0, LEARNS_FROM));
  const none = {
    ...{ strokes: 0, counted: 0, invented: 0, gullets: wanted.length - LEARNS_FROM, byEar: 0, skipped: 0, lagged: 0 },
    ...{ doubts: [], troubles: [], restless: false, latenciesS: [], untrue: 0, seconds: samples.length / rate },
  };
  if (!learned.ok) return { ...none, learned: false, code: learned.code, asunder: NaN };

  let place = LEARNS_FROM;
  let [counted, invented, byEar, skipped, lagged] = [0, 0, 0, 0, 0];
  let answersAt: number | null = null;
  let [tickS, strokeS, untrue] = [-Infinity, -Infinity, 0];
  let restless = false;
  const doubts: Doubt[] = [];
  const troubles: Trouble[] = [];
  const latenciesS: number[] = [];
  const matched = new Set<number>();
  const deaf: { fromS: number; toS: number }[] = [];
  const doneBy = (nowS: number): number => doneS.filter((end) => end <= nowS).length;
  while (at < samples.length && !restless) {
    for (const event of hand(at + BLOCK, wanted[place] ?? 0)) {
      if (event.is === 'tick') {
        if (tickS > strokeS) untrue++;
        tickS = event.atS;
      } else if (event.is === 'stroke') strokeS = event.atS;
      if (event.is === 'stroke') {
        const k = strokes.findIndex(
          (one, i) =>
            !matched.has(i) &&
            Math.min(one.toS, event.toS) - Math.max(one.fromS, event.fromS) > 0.4 * (one.toS - one.fromS),
        );
        if (k < 0) invented++;
        else {
          matched.add(k);
          counted++;
          const { fromS, toS } = strokes[k] as { fromS: number; toS: number };
          // Shown when it falls off, or else when it is counted.
          latenciesS.push((tickS > fromS && tickS < event.atS ? tickS : event.atS) - toS);
        }
      } else if (event.is === 'done') {
        place++;
        byEar++;
        const done = doneBy(event.atS);
        if (place > done) skipped++;
        else if (place < done) lagged++;
        place = done;
      } else if (event.is === 'trouble') troubles.push(event.trouble);
      else if (event.is === 'doubt') {
        doubts.push(event.doubt);
        restless = event.restless;
        // Asked between two gullets it is answered there; in one, when that is done.
        const last = doneS.findLast((end) => end <= event.atS) ?? 0;
        const inGullet = strokes.some((one) => one.fromS > last && one.fromS <= event.atS);
        const end = doneS.find((one) => one > event.atS);
        answersAt = inGullet ? (end ?? Infinity) + ANSWERS_AFTER_S : event.atS;
        deaf.push({ fromS: event.atS - 1, toS: restless ? Infinity : answersAt });
      }
    }
    const nowS = at / rate;
    if (answersAt !== null && nowS >= answersAt) {
      ear.anew(false);
      place = doneBy(nowS);
      answersAt = null;
    }
  }
  const listened = strokes.filter(
    (one, i) =>
      one.fromS > cutS && (matched.has(i) || !deaf.some((part) => one.toS > part.fromS && one.fromS < part.toS)),
  );
  return {
    ...none,
    ...{ learned: true, code: null, asunder: asunder(learned.ear), strokes: listened.length, counted, invented },
    ...{ byEar, skipped, lagged, doubts, troubles, restless, latenciesS, untrue },
  };
}
