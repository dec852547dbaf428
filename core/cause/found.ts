import type { Shavings } from '../raker/shavings';
import type { Again, Floor, Wall } from '../testcut/cut-looks';

/** What a test cut showed, as far as anybody looked. mm. */
export interface CutShown {
  readonly runs: 'true' | 'left' | 'right' | null;
  readonly binds: boolean | null;
  readonly chatters: boolean | null;
  /** What it throws; null where nobody looked. */
  readonly shavings: Shavings | null;
  /** Width of the kerf by feeler. */
  readonly kerfMm: number | null;
  /** How far it left its line, to the left positive, over a length. */
  readonly offLine: { readonly mm: number; readonly overMm: number } | null;
  readonly wall: Wall | null;
  readonly floor: Floor | null;
  /** A band's beat found at the weld or away from it; null where nobody looked. */
  readonly beats: 'at-weld' | 'elsewhere' | null;
  /** The cut before this one, with nothing done between: it ran the same way, or not. */
  readonly before: Again | null;
}

/** What is known of the saw that made it, in its own numbers. mm. */
export interface SawKnown {
  readonly plateMm: number;
  /** Set a side the table asks. */
  readonly wantedSetMm: number;
  /** Both sides as measured after the work: difference, its error (null from single readings), lesser and sum. */
  readonly set: {
    readonly differenceMm: number;
    readonly errorMm: number | null;
    readonly lesserMm: number;
    readonly sumMm: number;
  } | null;
  /** How far it rises and falls on its teeth as measured after the work. */
  readonly hopMm: number | null;
  /** Load of the left teeth less the right, over both. */
  readonly loadDifference: number | null;
  /** The plate was looked along: it is bent or it is not. */
  readonly bent: boolean | null;
  /** Rakers measured again: whether any stands too high, or too low. */
  readonly rakers: { readonly high: boolean; readonly low: boolean } | null;
  /** Single teeth that stand out beyond their side. */
  readonly teethOut: { readonly left: boolean; readonly right: boolean } | null;
}
