import type { Tool, ToolDeed } from './tool';

/** A deed as it was kept. `strokes`: of a corner that was given up, how many it had made. */
export type KeptDeed = ToolDeed & { readonly personId: number; readonly atMs: number; readonly strokes: number | null };

/** A file somebody works with. */
export interface InHand {
  readonly personId: number;
  /** Counted from 1. */
  readonly corner: number;
  readonly sinceMs: number;
}

/** What lies in the Store of one kind, what is in somebody's hands, and how long its corners lasted. */
export interface Stock {
  /** Pieces never used. */
  readonly lying: number;
  readonly inHand: readonly InHand[];
  /** Strokes that corners made until they were given up, the latest last. */
  readonly lives: readonly number[];
  readonly away: boolean;
}
export const EMPTY_STOCK: Stock = { lying: 0, inHand: [], lives: [], away: false };

/** So many of the latest corners tell how long one lasts: files are bought elsewhere, steels change. */
const LATEST_LIVES = 30;

export const cornersOf = (of: Tool): number => (of.kind === 'file' ? of.corners : 1);

/** Why this deed cannot be; null where it can. */
export function deedRefusal(of: Tool, stock: Stock, deed: ToolDeed, personId: number): string | null {
  const own = stock.inHand.find((one) => one.personId === personId);
  const is = (what: ToolDeed['what']): boolean => deed.what === what;
  if (stock.away && !is('fetched')) return `“${of.name}” is put away: fetch it back first.`;
  if (is('fetched') && !stock.away) return `“${of.name}” is in the Store.`;
  if ((is('begun') || is('turned') || is('spent')) && of.kind !== 'file') return 'Corners are counted of files alone.';
  if (is('begun') && stock.lying === 0) return `No “${of.name}” lies by: say what was bought, or count the shelf.`;
  if ((is('turned') || is('spent')) && !own) return `You have no “${of.name}” in hand: begin one.`;
  if (is('turned') && own && own.corner >= cornersOf(of))
    return `Every corner of this “${of.name}” was used: begin another.`;
  return null;
}

/** The stock after a deed that can be. */
export function afterDeed(stock: Stock, deed: KeptDeed): Stock {
  const { personId, atMs: sinceMs, strokes } = deed;
  const own = stock.inHand.find((one) => one.personId === personId);
  const others = stock.inHand.filter((one) => one !== own);
  const lives = strokes !== null && strokes > 0 ? [...stock.lives, strokes].slice(-LATEST_LIVES) : stock.lives;
  switch (deed.what) {
    case 'bought':
      return { ...stock, lying: stock.lying + deed.pieces };
    case 'counted':
      return { ...stock, lying: deed.pieces };
    case 'begun':
      return { ...stock, lying: stock.lying - 1, lives, inHand: [...others, { personId, corner: 1, sinceMs }] };
    case 'turned':
      return { ...stock, lives, inHand: [...others, { personId, corner: (own?.corner ?? 0) + 1, sinceMs }] };
    case 'spent':
      return { ...stock, lives, inHand: others };
    case 'put-away':
      return { ...stock, away: true };
    case 'fetched':
      return { ...stock, away: false };
  }
}

export const stockOf = (deeds: readonly KeptDeed[]): Stock => deeds.reduce(afterDeed, EMPTY_STOCK);
