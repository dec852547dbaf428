import type { Database } from '../../database/connect';
import { connect } from '../../database/connect';
import { contradictions } from '../../testing/contradictions';
import type { TestDatabase } from '../../testing/test-shop';
import { demoDatabase } from '../../testing/test-shop';
import { readShop } from '../shop/service';
import { readDossier } from './dossier';

describe('one fact has one answer', () => {
  let database: TestDatabase;
  let db: Database;
  beforeAll(async () => {
    database = await demoDatabase();
    db = connect(database.url);
  }, 120_000);
  afterAll(async () => {
    await db.sequelize.close();
    await database.drop();
  });

  it('in every ticket of the demo, on its page’s record, report, quote and card', async () => {
    const { book } = await readShop(db);
    const now = new Date(Date.now() + 60_000).toISOString();
    const rows = await db.models.Ticket.findAll({ attributes: ['id'], order: ['id'] });
    expect(rows.length).toBeGreaterThan(80);
    const found: string[] = [];
    for (const { id } of rows) found.push(...contradictions(await readDossier(db, id), book, now));
    expect(found).toEqual([]);
  }, 120_000);

  it('and a planted fault is found: a charge above what was agreed, a report of steps nobody made', async () => {
    const { book } = await readShop(db);
    const now = new Date(Date.now() + 60_000).toISOString();
    const [row] = await db.models.Ticket.findAll({ where: { stage: 'closed' }, limit: 1, order: [['id', 'DESC']] });
    const dossier = await readDossier(db, row?.id ?? 0);
    const dear = dossier.prices.map((word) => (word.kind === 'charged' ? { ...word, high: 9000, low: 9000 } : word));
    expect(contradictions({ ...dossier, prices: dear }, book, now).join()).toContain('charged above what was agreed');
    const unseen = dossier.checks.map((check) => ({ ...check, runs: null }));
    expect(contradictions({ ...dossier, checks: unseen }, book, now).join()).toContain('was not looked at');
    const early = { ...dossier, ticket: { ...dossier.ticket, closedAt: dossier.ticket.openedAt } };
    expect(contradictions(early, book, now).join()).toContain('after its report was dated');
  });
});
