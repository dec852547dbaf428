import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/connect';

/** Strokes of the file, and millimetres they took off. */
const DROPS = [
  [2, 0.05],
  [4, 0.09],
  [6, 0.155],
  [8, 0.19],
  [10, 0.26],
  [12, 0.29],
] as const;
/** Where the small set tool was turned to, and the set in mm that came of it. */
const SET_TOOL = [
  [4, 0.23],
  [6, 0.18],
  [8, 0.145],
  [10, 0.1],
] as const;

/** The large one in another hand. */
const OTHERS = [
  [3, 0.31],
  [5, 0.26],
  [7, 0.205],
  [9, 0.17],
] as const;

/** What the first two of the staff measured of their own file and set tools. */
export async function loadCalibrations(
  db: Database,
  person: number,
  second: number,
  transaction: Transaction,
): Promise<void> {
  const own = { personId: person, createdBy: person };
  await db.models.Calibration.bulkCreate(
    [
      ...DROPS.map(([amount, didMm]) => ({ what: 'strokes' as const, tool: '6 in slim taper', amount, didMm, ...own })),
      ...SET_TOOL.map(([amount, didMm]) => ({
        what: 'set-tool' as const,
        tool: 'the small one',
        amount,
        didMm,
        ...own,
      })),
      ...OTHERS.map(([amount, didMm]) => {
        const theirs = { personId: second, createdBy: second };
        return { what: 'set-tool' as const, tool: 'the large one', amount, didMm, ...theirs };
      }),
    ].map((reading) => ({ key: randomUUID(), ...reading })),
    { transaction },
  );
}
