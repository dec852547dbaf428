import type { BandFrame } from './band-frames';
import { FRAME_S } from './band-frames';

/** A knock: as loud as this over the hundredths before it, and gone again so soon. dB, s. Judgement, no source. */
const RISE_DB = 15;
const GONE = { afterS: 0.12, fallDb: 12 };
/** Two knocks of one hand, s apart. */
const APART_S = { least: 0.13, most: 0.5 };
/** Before the two and after them nothing else knocks: a hammer goes on. s */
const ALONE_S = { before: 2.5, after: 0.6 };
const BEFORE = 5;

export interface KnockEar {
  /** Whether two knocks, and no third, have just been heard. */
  readonly take: (frame: BandFrame) => boolean;
}

/** Hears a knuckle or a file's handle strike the vise twice. */
export function hearKnocks(): KnockEar {
  const recent: number[] = [];
  let knocks: number[] = [];
  /** A rise that must yet die away. */
  let risen: { at: number; db: number } | null = null;
  let n = 0;
  return {
    take: ({ power }) => {
      const db = 10 * Math.log10(power + 1e-12);
      const atS = n++ * FRAME_S;
      const before = Math.max(-90, ...recent);
      recent.push(db);
      if (recent.length > BEFORE) recent.shift();
      if (risen && atS - risen.at >= GONE.afterS) {
        // Anything loud breaks two knocks; only what dies away at once is one.
        if (db < risen.db - GONE.fallDb) knocks.push(risen.at);
        else knocks.push(risen.at, risen.at);
        risen = null;
      } else if (risen && db > risen.db) risen = { ...risen, db };
      else if (!risen && recent.length === BEFORE && db > before + RISE_DB) risen = { at: atS, db };
      knocks = knocks.filter((at) => atS - at < ALONE_S.before + APART_S.most + ALONE_S.after);
      const [first, second] = knocks.slice(-2);
      if (first === undefined || second === undefined || risen) return false;
      const apart = second - first;
      const due = Math.abs(atS - second - ALONE_S.after) < FRAME_S / 2;
      const alone = !knocks.slice(0, -2).some((at) => first - at < ALONE_S.before);
      return due && alone && apart > APART_S.least && apart < APART_S.most;
    },
  };
}
