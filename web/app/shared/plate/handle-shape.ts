import type { Saw } from '@odontis/core/saw/saw';

/** Handles at a saw's heel, by their outline. */
export type HandleKind = 'closed' | 'open' | 'straight' | 'pull';
/** How a saw is held: a handle at the heel, a grip upright at either end or at the toe beside it, or a frame. */
export type Held = HandleKind | 'one-man' | 'two-man' | 'framed';

/** Backed saws up to these lengths of line have a turned handle, and an open one. mm. Common practice, no source. */
const MOST_STRAIGHT_MM = 200;
const MOST_OPEN_MM = 330;

/** By its kind; nobody is asked for the handle, and backed saws are given the one that is usual at their length. */
export function heldBy({
  family,
  kind,
  toothLineMm,
}: Pick<Saw, 'family' | 'toothLineMm'> & { readonly kind?: string }): Held {
  if (family === 'pull') return 'pull';
  if (family === 'crosscut') return kind === 'one-man' ? 'one-man' : kind === 'two-man' ? 'two-man' : 'framed';
  if (family !== 'back') return 'closed';
  return toothLineMm <= MOST_STRAIGHT_MM ? 'straight' : toothLineMm <= MOST_OPEN_MM ? 'open' : 'closed';
}

/** Outlines in a box of 1 by 1, the plate at its right, teeth down; what lies within an outline again is a hole. */
const OUTLINES: Readonly<Record<HandleKind | 'grip', string>> = {
  closed:
    'M 1 .1 C .86 .02 .72 0 .56 .05 C .44 .09 .36 .02 .24 .02 C .1 .02 .08 .16 .16 .26 C .24 .36 .22 .52 .14 .66 ' +
    'C .06 .8 .04 .96 .16 .98 C .28 1 .34 .92 .46 .94 C .6 .98 .78 1 1 .92 Z ' +
    'M .42 .28 C .5 .22 .58 .26 .6 .38 C .62 .5 .62 .62 .56 .74 C .5 .84 .38 .84 .36 .74 C .35 .66 .4 .6 .4 .5 C .4 .42 .36 .34 .42 .28 Z',
  open:
    'M 1 .1 C .86 .02 .72 0 .56 .05 C .44 .09 .36 .02 .24 .02 C .1 .02 .08 .16 .16 .26 C .24 .36 .22 .5 .14 .64 ' +
    'C .06 .78 .06 .94 .18 .97 C .3 1 .36 .88 .38 .74 C .4 .6 .46 .46 .56 .42 C .66 .4 .7 .52 .72 .66 C .74 .82 .84 .9 1 .9 Z',
  straight:
    'M 1 .14 L .92 .14 C .88 .06 .84 .06 .8 .14 C .6 .2 .5 .06 .3 .04 C .1 .02 0 .14 0 .3 C 0 .46 .1 .58 .3 .56 ' +
    'C .5 .54 .6 .4 .8 .46 C .84 .54 .88 .54 .92 .46 L 1 .46 Z',
  // Wound with cane.
  pull:
    'M 1 .36 C .8 .3 .3 .28 .04 .26 C 0 .3 0 .7 .04 .74 C .3 .72 .8 .7 1 .64 Z ' +
    [0.14, 0.24, 0.34, 0.44, 0.54, 0.64]
      .map((x) => `M ${x} .34 L ${x + 0.02} .34 L ${x + 0.05} .66 L ${x + 0.03} .66 Z`)
      .join(' '),
  grip: 'M .28 .06 C .34 0 .66 0 .72 .06 C .82 .2 .62 .36 .66 .5 C .7 .6 .84 .6 .84 .68 L .84 1 L .16 1 L .16 .68 C .16 .6 .3 .6 .34 .5 C .38 .36 .18 .2 .28 .06 Z',
};

/** Where a handle is put; `teethUp`: as in the vise, else as it lies on the counter. */
export interface HandleBox {
  readonly x: number;
  readonly y: number;
  readonly wide: number;
  readonly tall: number;
  readonly teethUp?: boolean;
}

/** The outline of a handle in its box, as the path of a picture whose y runs down; filled by the even-odd rule. */
export function handlePath(kind: HandleKind | 'grip', { x, y, wide, tall, teethUp = false }: HandleBox): string {
  let across = true;
  return OUTLINES[kind]
    .split(' ')
    .map((word) => {
      const share = Number(word);
      if (Number.isNaN(share)) return word;
      const at = across ? x + wide * share : y + tall * (teethUp ? 1 - share : share);
      across = !across;
      return at.toFixed(1);
    })
    .join(' ');
}
