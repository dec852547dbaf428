import { randomUUID } from 'node:crypto';
import type { DateTime } from 'luxon';
import type { Transaction } from 'sequelize';
import type { ToolDeed, ToolKind } from '@odontis/core/store/tool';
import type { Database } from '../database/connect';

/** Kind, name, note, corners, strokes a corner is told to last, and pieces lying by. All invented. */
const TOOLS: readonly (readonly [ToolKind, string, string, number | null, number | null, number])[] = [
  ['file', '160 mm triangular needle file', '', 3, 500, 4],
  ['file', '4 in double extra slim taper', 'the grey box', 3, 900, 5],
  ['file', '5 in double extra slim taper', 'the grey box', 3, 900, 6],
  ['file', '6 in extra slim taper', '', 3, 900, 7],
  ['file', '6 in slim taper', '', 3, 900, 8],
  ['file', '7 in slim taper', '', 3, 1000, 5],
  ['file', '8 in slim taper', '', 3, 1000, 5],
  ['file', '8 in regular taper', '', 3, 1100, 1],
  ['file', '8 in mill file', 'for blades', 2, 2500, 2],
  ['file', '8 in mill file, one edge safe', 'for cutters and rakers', 2, 2500, 3],
  ['file', '75 mm feather file', '', 2, 700, 2],
  ['file', '100 mm feather file', '', 2, 700, 1],
  ['stone', 'fine slip', 'used with oil', null, null, 1],
  ['set-tool', 'the small one', 'up to 12 points', null, null, 1],
  ['set-tool', 'the large one', '', null, null, 1],
  ['hammer', 'cross peen, 12 oz', 'with the anvil', null, null, 1],
  ['jointer', 'the long one', 'shoes 250 mm apart', null, null, 1],
  ['gauge', 'raker gauge', '', null, null, 1],
  ['gauge', 'dial indicator on its stand', '', null, null, 1],
];
/** Who has which file in hand: person, corner, days since it was turned to it. */
const IN_HAND: readonly (readonly [string, number, number, number])[] = [
  ['4 in double extra slim taper', 0, 1, 80],
  ['5 in double extra slim taper', 0, 2, 2],
  ['5 in double extra slim taper', 2, 1, 30],
  ['6 in extra slim taper', 0, 3, 30],
  ['6 in slim taper', 0, 2, 20],
  ['8 in mill file', 1, 1, 30],
  ['8 in mill file, one edge safe', 0, 1, 60],
];
/** Strokes that corners of one file made until they were worn. */
const WORN: readonly (readonly [string, readonly number[]])[] = [
  ['6 in slim taper', [820, 990, 760, 905, 870]],
  ['6 in extra slim taper', [700, 655]],
];

/** The shop's tools, some in use and some worn out. */
export async function loadStoreRoom(
  db: Database,
  staff: readonly number[],
  today: DateTime,
  transaction: Transaction,
): Promise<void> {
  const by = staff[0] as number;
  const rows = await db.models.Tool.bulkCreate(
    TOOLS.map(([kind, name, note, corners, cornerStrokes]) => ({
      ...{ key: randomUUID(), kind, name, note, corners, cornerStrokes, createdBy: by },
    })),
    { transaction, returning: true },
  );
  const idOf = new Map(rows.map((row) => [row.name, row.id]));
  const deeds: {
    name: string;
    what: ToolDeed['what'];
    pieces?: number;
    strokes?: number;
    person: number;
    days: number;
  }[] = [];
  for (const [, name, , , , lying] of TOOLS) {
    const hands = IN_HAND.filter(([file]) => file === name);
    const worn = WORN.find(([file]) => file === name)?.[1] ?? [];
    // What is in hand was taken from what lay by; a worn corner is followed by the next, a worn file by another.
    const begun = hands.length + Math.ceil(worn.length / 3);
    deeds.push({ name, what: 'bought', pieces: lying + begun, person: by, days: 400 });
    worn.forEach((strokes, k) => {
      if (k % 3 === 0) deeds.push({ name, what: 'begun', person: by, days: 390 - 12 * k });
      const last = k % 3 === 2 || k === worn.length - 1;
      deeds.push({ name, what: last ? 'spent' : 'turned', strokes, person: by, days: 384 - 12 * k });
    });
    for (const [, person, corner, days] of hands) {
      const own = staff[person % staff.length] as number;
      deeds.push({ name, what: 'begun', person: own, days: days + 40 * (corner - 1) });
      for (let k = 2; k <= corner; k++)
        deeds.push({ name, what: 'turned', person: own, days: days + 40 * (corner - k) });
    }
  }
  await db.models.ToolDeed.bulkCreate(
    deeds.map(({ name, what, pieces, strokes, person, days }) => ({
      ...{ key: randomUUID(), toolId: idOf.get(name) as number, what, personId: person },
      ...{ pieces: pieces ?? null, strokes: strokes ?? null, at: today.minus({ days }).plus({ hours: 8 }).toJSDate() },
    })),
    { transaction },
  );
}
