import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import type { Shop, ShopBook, ShopChange } from '@odontis/contract/shop';
import { DEFAULT_HABITS } from '@odontis/core/work/habits';
import type { Database } from '../../database/connect';
import { keepChange } from '../../database/keep-change';
import { Problem } from '../../http/problem';
import type { Who } from '../../http/who';

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
export async function changeShop(db: Database, change: ShopChange, who: Who): Promise<Shop> {
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
    const was = row?.book ?? FIRST_BOOK;
    const next = { version: change.version + 1, book: change.book, changedBy: who.personId, changedAt: new Date() };
    if (row) await row.update(next, { transaction });
    else await db.models.Shop.create({ id: 1, ...next }, { transaction });
    const told = { kind: 'book-changed', about: 'shop book', ...changedParts(was, change.book) } as const;
    await keepChange(db, who, told, transaction);
  });
  return readShop(db);
}

/** The parts of the book that are not as they were: as they were, and as they are. */
function changedParts(was: ShopBook, is: ShopBook): { before: object; after: object } {
  const keys = [...new Set([...Object.keys(was), ...Object.keys(is)])] as (keyof ShopBook)[];
  const changed = keys.filter((key) => !isDeepStrictEqual(was[key], is[key]));
  const part = (of: ShopBook) => Object.fromEntries(changed.map((key) => [key, of[key] ?? null]));
  return { before: part(was), after: part(is) };
}
