import type { Transaction } from 'sequelize';
import type { Shop, ShopBook, ShopChange } from '@odontis/contract/shop';
import { DEFAULT_HABITS } from '@odontis/core/work/habits';
import type { Database } from '../../database/connect';
import { Problem } from '../../http/problem';

/** A new shop's book: the trade's default schools. */
export const FIRST_BOOK: ShopBook = {
  name: 'Saw shop',
  lengthUnit: 'thou',
  pointConvention: 'points',
  rakeSpeech: 'lean-back',
  fleamSpeech: 'off-square',
  habits: { ...DEFAULT_HABITS, angles: { ...DEFAULT_HABITS.angles } },
  rates: { wagePerHour: 48, leastCharge: 14, currency: '€' },
};

export async function readShop(db: Database, transaction?: Transaction): Promise<Shop> {
  const row = await db.models.Shop.findByPk(1, { transaction });
  if (!row) return { version: 0, book: FIRST_BOOK, changedBy: null };
  const by = row.changedBy === null ? null : await db.models.Person.findByPk(row.changedBy, { transaction });
  return { version: row.version, book: row.book, changedBy: by?.name ?? null };
}

/** The whole book at once; refused with theirs when somebody changed it since. */
export async function changeShop(db: Database, change: ShopChange, by: number): Promise<Shop> {
  await db.sequelize.transaction(async (transaction) => {
    await db.sequelize.query('SELECT pg_advisory_xact_lock(7001)', { transaction });
    const row = await db.models.Shop.findByPk(1, { transaction, lock: transaction.LOCK.UPDATE });
    if ((row?.version ?? 0) !== change.version) {
      throw new Problem(
        'edited-elsewhere',
        'The shop book was changed by somebody else meanwhile.',
        [],
        await readShop(db, transaction),
      );
    }
    const next = { version: change.version + 1, book: change.book, changedBy: by, changedAt: new Date() };
    if (row) await row.update(next, { transaction });
    else await db.models.Shop.create({ id: 1, ...next }, { transaction });
  });
  return readShop(db);
}
