/** A spread, and a middle: seconds lie about it by their logarithm, levels by their dB. */
export interface Spread {
  readonly middle: number;
  readonly spread: number;
}

/** What is known of how somebody's file sounds in this saw: learned from gullets whose strokes are known. */
export interface FilerEar {
  /** Power of a push in every band over the room, shares of their mean. */
  readonly profile: readonly number[];
  /** How loud a push is: its mean power over the bands, dB of full scale. */
  readonly levelDb: Spread;
  /** How loud the loudest that is no push is beside it, dB of full scale; null where nothing was heard. */
  readonly backDb: number | null;
  readonly pushS: Spread;
  /** From a push's end to the next one's beginning, in the same gullet; and to the next gullet's first. */
  readonly restS: Spread;
  readonly moveS: Spread;
}

/** Told apart surely, a rest and a move lie so many of their own spreads asunder. */
const APART = 2;

/** How far rests and moves lie asunder, in their own spreads. */
export const asunder = ({ restS, moveS }: Pick<FilerEar, 'restS' | 'moveS'>): number =>
  (Math.log(moveS.middle) - Math.log(restS.middle)) / (restS.spread + moveS.spread);

/** A filer who moves on as quickly as between two strokes leaves nothing to hear. */
export const movesAreHeard = (ear: Pick<FilerEar, 'restS' | 'moveS'>): boolean => asunder(ear) >= APART;

/** After a pause of so long the file has moved on: as many spreads over a rest as under a move. s */
export const movedAfterS = ({ restS, moveS }: Pick<FilerEar, 'restS' | 'moveS'>): number =>
  restS.middle * Math.exp(asunder({ restS, moveS }) * restS.spread);

/** A sure push, and the pause before it with what that was, moves what is known of a hand by so much. */
const FOLLOWS = 0.12;

const moved = (of: Spread, by: number, log: boolean): Spread => {
  const off = log ? Math.log(by / of.middle) : by - of.middle;
  // A slip teaches no more than what is a little unusual.
  const step = FOLLOWS * Math.max(-2 * of.spread, Math.min(2 * of.spread, off));
  return { ...of, middle: log ? of.middle * Math.exp(step) : of.middle + step };
};

/** A hand tires, and a file walks away from the microphone: what is known follows what is surely heard. */
export function followHand(
  ear: FilerEar,
  stroke: { readonly levelDb: number; readonly lengthS: number },
  pause: { readonly of: 'restS' | 'moveS'; readonly lengthS: number } | null,
): FilerEar {
  const levelDb = moved(ear.levelDb, stroke.levelDb, false);
  return {
    ...ear,
    levelDb,
    backDb: ear.backDb === null ? null : ear.backDb + levelDb.middle - ear.levelDb.middle,
    pushS: moved(ear.pushS, stroke.lengthS, true),
    ...(pause && { [pause.of]: moved(ear[pause.of], pause.lengthS, true) }),
  };
}
