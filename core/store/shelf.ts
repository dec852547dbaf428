import type { Reason } from '../reason/reason';
import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { CornerLife } from './corner-life';
import { cornerLife } from './corner-life';
import type { InHand, Stock } from './stock';
import { cornersOf } from './stock';
import type { Tool } from './tool';
import { USUAL_CORNERS } from './tool';

/** Days that a look ahead goes. */
export const FORTNIGHT_DAYS = 14;

/** A file in hand with what its corner has made until now. */
export interface Worn extends InHand {
  readonly strokes: number;
}
export interface KeptTool {
  readonly id: number;
  readonly tool: Tool;
  readonly stock: Omit<Stock, 'inHand'> & { readonly inHand: readonly Worn[] };
}
/** Strokes that a saw at the bench still wants of a file, and when it is promised, ISO day. */
export interface PlannedStrokes {
  readonly ticketId: number;
  /** As the tag says it. */
  readonly ticketNumber: number;
  readonly promisedOn: string;
  readonly name: string;
  readonly strokes: number;
}
/** Saws of a family that come to the bench within the fortnight and are not planned, and what the shop's last ones of it took each. */
export interface Unplanned {
  readonly family: string;
  readonly saws: number;
  /** Saws this was learned from; 0 and no files where none of the family was planned here. */
  readonly learnedFrom: number;
  readonly files: readonly { readonly name: string; readonly strokesEach: number }[];
}
export interface StoreRoom {
  /** The last day that is looked ahead to, ISO. */
  readonly until: string;
  readonly tools: readonly KeptTool[];
  readonly planned: readonly PlannedStrokes[];
  readonly unplanned: readonly Unplanned[];
}

/** A file by what it has, what is promised of it, and what the fortnight wants. In corners. */
export interface FileShelf {
  readonly name: string;
  /** Null where orders ask for it and the Store does not know it. */
  readonly kept: KeptTool | null;
  readonly life: CornerLife;
  readonly left: number;
  /** By the orders at the bench, one entry a saw. */
  readonly reserved: readonly { readonly ticketId: number; readonly ticketNumber: number; readonly corners: number }[];
  readonly free: number;
  readonly need: {
    /** Of saws at the bench promised within the fortnight, and of those still to be planned. */
    readonly planned: number;
    readonly unplanned: number;
    /** Whole files to buy so that nothing stands still; 0 where there is enough. */
    readonly toBuy: number;
    readonly reason: Reason;
  };
}

const tenth = (value: number): number => Math.round(10 * value) / 10;
/** Corners left of a file: those never used, and of each in hand what its strokes have not taken. */
export const cornersLeft = ({ tool, stock }: KeptTool, life: CornerLife): number =>
  stock.lying * cornersOf(tool) +
  stock.inHand.reduce(
    (sum, { corner, strokes }) => sum + cornersOf(tool) - corner + Math.max(0, 1 - strokes / life.strokes),
    0,
  );

/**
 * Every file the Store has or an order asks for, with what is left, promised and wanted. Strokes become corners by
 * the file's own life; what is late counts into the fortnight. O(tools x orders).
 */
export function fileShelves(room: StoreRoom, usualStrokes: number): FileShelf[] {
  const files = room.tools.filter(({ tool, stock }) => tool.kind === 'file' && !stock.away);
  const asked = [...room.planned, ...room.unplanned.flatMap((one) => one.files)].map(({ name }) => name);
  const names = [...new Set([...files.map(({ tool }) => tool.name), ...asked])];
  const shelves = names.map((name): FileShelf => {
    const kept = files.find(({ tool }) => tool.name === name) ?? null;
    const told = kept?.tool.kind === 'file' ? kept.tool.cornerStrokes : usualStrokes;
    const life = cornerLife(told, kept?.stock.lives ?? []);
    const left = kept ? cornersLeft(kept, life) : 0;
    const corners = (strokes: number): number => strokes / life.strokes;
    const orders = room.planned.filter((one) => one.name === name);
    const reserved = orders.map(({ ticketId, ticketNumber, strokes }) => ({
      ...{ ticketId, ticketNumber },
      corners: corners(strokes),
    }));
    const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0);
    const planned = sum(orders.filter((one) => one.promisedOn <= room.until).map(({ strokes }) => corners(strokes)));
    const unplanned = sum(
      room.unplanned.flatMap(({ saws, files: own }) =>
        own.filter((file) => file.name === name).map(({ strokesEach }) => saws * corners(strokesEach)),
      ),
    );
    const each = kept ? cornersOf(kept.tool) : USUAL_CORNERS;
    const toBuy = Math.max(0, Math.ceil((planned + unplanned - left) / each - 1e-9));
    return {
      ...{ name, kept, life, left, reserved },
      free: left - sum(reserved.map((one) => one.corners)),
      need: {
        ...{ planned, unplanned, toBuy },
        reason: because(
          `Corners of ${name}`,
          'strokes wanted / strokes a corner gives, less the corners left',
          [
            input('corners for saws at the bench', tenth(planned), 'count'),
            input('corners for saws to be planned', tenth(unplanned), 'count'),
            input('corners left', tenth(left), 'count'),
            input('strokes a corner gives', Math.round(life.strokes), 'count'),
            input('give or take', Math.round(life.error), 'count'),
          ],
          COMMON_PRACTICE,
          'A corner past its strokes coarsens the gullets’ bottoms and takes less at every stroke.',
        ),
      },
    };
  });
  // What is short first, then what is in somebody's hand, then what will be wanted.
  const first = ({ need, kept }: FileShelf): number =>
    need.toBuy > 0 ? 0 : kept && kept.stock.inHand.length > 0 ? 1 : need.planned + need.unplanned > 0 ? 2 : 3;
  return shelves.sort((a, b) => first(a) - first(b) || a.name.localeCompare(b.name, undefined, { numeric: true }));
}

/** Less of a corner than this is none to begin a saw with. No source. */
const LEAST_FREE = 0.25;

/**
 * The files a saw can be planned with: what the Store has free when what other saws were promised is taken off.
 * Undefined where it knows no file at all: then nothing is said of it.
 */
export function filesAtHand(room: StoreRoom, ticketId: number, usualStrokes: number): string[] | undefined {
  const shelves = fileShelves(room, usualStrokes).filter(({ kept }) => kept !== null);
  if (shelves.length === 0) return undefined;
  const others = (of: FileShelf): number =>
    of.reserved.filter((one) => one.ticketId !== ticketId).reduce((sum, one) => sum + one.corners, 0);
  return shelves.filter((of) => of.left - others(of) > LEAST_FREE).map(({ name }) => name);
}
