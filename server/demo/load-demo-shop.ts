import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/connect';
import { toSawRow } from '../features/customers/service';
import { keepReadings } from '../features/evidence/keep-readings';
import { keptOrder } from '../features/plans/kept-order';
import { DEMO_GRINDERS, loadOutwork } from './load-outwork';
import { FIRST_BOOK } from '../features/shop/service';
import { keepUses } from '../features/store/service';
import { loadCalibrations } from './calibrations';
import type { DemoStory, ToldVisit } from './demo-story';
import { tellDemo } from './demo-story';
import { CUSTOMERS, SHOP_NAME, STAFF } from './invented';
import { loadNotes } from './notes';
import type { ToldPrice } from './price-story';
import { priceStory } from './price-story';
import { PICTURE_CAPTIONS, pictureBytes } from './pictured';
import { loadStoreRoom } from './store-room';

/**
 * The whole demo in one transaction, only into a database without people. True when it was loaded. The story may
 * have been told before.
 */
export function loadDemoShop(db: Database, told?: DemoStory): Promise<boolean> {
  return db.sequelize.transaction(async (t) => {
    if ((await db.models.Person.count({ transaction: t })) > 0) return false;
    await new DemoLoader(db, t, told ?? tellDemo()).load();
    return true;
  });
}

/** What is asked back of what was written. */
const IDS: 'id'[] = ['id'];
const idsOf = (rows: readonly { readonly id: number }[]): number[] => rows.map((row) => row.id);
/** A row that was asked for by its place, which is one of the story's own. */
const at = <T>(list: readonly T[], place: number): T => list[place] as T;

/** Writes the story into an empty database, a table at a time. */
class DemoLoader {
  private staff: number[] = [];

  constructor(
    private readonly db: Database,
    private readonly transaction: Transaction,
    private readonly story: DemoStory,
  ) {}

  async load(): Promise<void> {
    const { db, transaction, story } = this;
    const { models } = db;
    const kept = { transaction, returning: IDS };
    this.staff = idsOf(await models.Person.bulkCreate([...STAFF], kept));
    const [by, second] = [at(this.staff, 0), at(this.staff, 1)];
    await models.Shop.create(
      {
        id: 1,
        version: 1,
        book: { ...FIRST_BOOK, name: SHOP_NAME, grinders: DEMO_GRINDERS },
        changedBy: by,
        changedAt: new Date(),
        demo: true,
      },
      { transaction },
    );
    await loadCalibrations(db, by, second, transaction);
    const customers = idsOf(
      await models.Customer.bulkCreate(
        CUSTOMERS.map(([name, phone]) => ({ name, phone, email: '', createdBy: by })),
        kept,
      ),
    );
    const saws = idsOf(
      await models.Saw.bulkCreate(
        story.saws.map(({ owner, facts }) => ({ ...toSawRow(facts), customerId: at(customers, owner), createdBy: by })),
        kept,
      ),
    );
    const arrivals = idsOf(
      await models.Arrival.bulkCreate(
        story.visits.map((visit) => ({
          customerId: at(customers, at(story.saws, visit.saw).owner),
          openedBy: this.personOf(visit),
          openedAt: visit.opened,
        })),
        kept,
      ),
    );
    const prices = story.visits.map(priceStory);
    const tickets = idsOf(
      await models.Ticket.bulkCreate(
        story.visits.map((visit, i) => ({
          ...visit.ticket,
          ...waitingForPrice(at(prices, i)),
          sawId: at(saws, visit.saw),
          arrivalId: at(arrivals, i),
          openedBy: this.personOf(visit),
          closedBy: visit.ticket.closedAt ? this.personOf(visit) : null,
        })),
        kept,
      ),
    );
    const visits = story.visits.map((visit, i) => ({ visit, ticketId: at(tickets, i) }));
    await this.measurings(visits);
    await this.pictures(visits);
    const plans = await this.works(visits);
    await this.prices(visits, prices, plans);
    await loadOutwork(db, story.today, by, transaction);
    await models.CheckRound.bulkCreate(
      visits.flatMap(({ visit, ticketId }) =>
        visit.checks.map((check) => ({ ...check, ticketId, personId: this.personOf(visit) })),
      ),
      { transaction },
    );
    await loadStoreRoom(db, this.staff, story.today, transaction);
    await loadNotes(db, story.today, transaction);
  }

  private personOf({ by }: { readonly by: number }): number {
    return at(this.staff, by);
  }

  private async measurings(visits: readonly Kept[]): Promise<void> {
    const { db, transaction } = this;
    const told = visits.flatMap(({ visit, ticketId }) => visit.measurings.map((one) => ({ ...one, ticketId })));
    const rows = await db.models.Session.bulkCreate(
      told.map(({ kind, ticketId, at, ...one }) => ({
        ...{ key: randomUUID(), ticketId, kind },
        ...{ startedBy: this.personOf(one), startedAt: at, finishedAt: at },
      })),
      { transaction, returning: IDS },
    );
    const ids = idsOf(rows);
    const taken = told.map((one, i) => ({ ...one, by: this.personOf(one), sessionId: at(ids, i) }));
    await keepReadings(db, taken, transaction);
  }

  private async pictures(visits: readonly Kept[]): Promise<void> {
    for (const { visit, ticketId } of visits) {
      for (const kind of visit.pictures) {
        const bytes = pictureBytes(kind);
        const { width, height } = await sharp(bytes).metadata();
        const size = { widthPx: width, heightPx: height };
        const taken = { takenBy: this.personOf(visit), takenAt: visit.opened };
        await this.db.models.Photograph.create(
          { ticketId, caption: PICTURE_CAPTIONS[kind], bytes, ...size, ...taken },
          { transaction: this.transaction },
        );
      }
    }
  }

  /** Every word of every price, kind by kind: those of one ticket in the order they were said. */
  private async prices(
    visits: readonly Kept[],
    prices: readonly ToldPrice[],
    plans: ReadonlyMap<number, number>,
  ): Promise<void> {
    const { db, transaction } = this;
    const numbers = new Map(
      (await db.models.Ticket.findAll({ attributes: ['id', 'number'], transaction })).map((row) => [
        row.id,
        row.number,
      ]),
    );
    for (const kind of ['estimate', 'plan', 'asked', 'agreed', 'charged'] as const)
      await db.models.PriceWord.bulkCreate(
        visits.flatMap(({ visit, ticketId }, i) =>
          at(prices, i)
            .words.filter((word) => word.kind === kind)
            .map(({ low, high, minutes, at: said }) => ({
              ...{ key: randomUUID(), ticketId, kind, low, high, at: said, personId: this.personOf(visit) },
              ...{
                minutesLow: minutes?.[0] ?? null,
                minutesHigh: minutes?.[1] ?? null,
                minutesLikely: minutes?.[2] ?? null,
              },
              planId: kind === 'plan' ? (plans.get(ticketId) ?? null) : null,
              quote:
                kind === 'estimate'
                  ? String(numbers.get(ticketId))
                  : kind === 'asked'
                    ? `${numbers.get(ticketId)}-2`
                    : null,
              wordBy: kind === 'agreed' ? ('telephone' as const) : null,
            })),
        ),
        { transaction },
      );
  }

  /** The orders, by their tickets. */
  private async works(visits: readonly Kept[]): Promise<ReadonlyMap<number, number>> {
    const { db, transaction } = this;
    const told = visits.flatMap(({ visit, ticketId }) =>
      visit.work ? [{ ...visit.work, ticketId, by: this.personOf(visit) }] : [],
    );
    const rows = await db.models.Plan.bulkCreate(
      told.map(({ ticketId, ordered, acceptedAt, by }) => {
        return { ticketId, number: 1, ...keptOrder(ordered), acceptedBy: by, acceptedAt };
      }),
      { transaction, returning: IDS },
    );
    const ids = idsOf(rows);
    await keepUses(
      db,
      told.map(({ ordered }, i) => ({ id: at(ids, i), order: ordered.order })),
      transaction,
    );
    const presses = told.flatMap((work, i) =>
      work.presses.map((press) => ({ id: randomUUID(), plan: at(ids, i), by: work.by, ...press })),
    );
    await db.sequelize.query(
      `WITH told AS (SELECT * FROM json_to_recordset($1::json) AS r(id uuid, plan int, by int, stop int, at timestamptz)),
            kept AS (INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
                     SELECT id, plan, stop, 'done', by, at FROM told)
       INSERT INTO bench_mark (plan_id, stop, event_id) SELECT plan, stop, id FROM told`,
      { bind: [JSON.stringify(presses)], transaction },
    );
    return new Map(told.map(({ ticketId }, i) => [ticketId, at(ids, i)]));
  }
}

/** A ticket whose work waits until its owner has answered about the price. */
const waitingForPrice = ({ heldFrom, words }: ToldPrice) =>
  heldFrom === null
    ? {}
    : ({
        heldFrom,
        waitsFor: 'customer',
        waitsNote: `the price: up to ${FIRST_BOOK.rates.currency} ${(words.at(-1)?.high ?? 0).toFixed(2)}`,
      } as const);

/** A visit with its ticket. */
interface Kept {
  readonly visit: ToldVisit;
  readonly ticketId: number;
}
