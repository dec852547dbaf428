import { QueryTypes } from 'sequelize';
import { connect } from '../database/connect';
import { loadDemoShop } from '../demo/load-demo-shop';
import { emptyDatabase } from '../testing/test-shop';
import { bringUp, MIGRATIONS, migrator } from './migrate';

describe('the database’s shape', () => {
  it('goes up, down and up, leaving nothing behind on the way down; then takes the demo shop once', async () => {
    const database = await emptyDatabase();
    const db = connect(database.url);
    const tables = async (): Promise<string[]> =>
      (
        await db.sequelize.query<{ name: string }>(
          `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`,
          {
            type: QueryTypes.SELECT,
          },
        )
      ).map((t) => t.name);
    const run = migrator(db.sequelize);
    await run.up();
    const full = await tables();
    expect(full.length).toBe(37);
    await run.down({ to: 0 });
    expect(await tables()).toEqual(['migration']);
    await run.up();
    expect(await tables()).toEqual(full);
    expect((await run.executed()).length).toBe(MIGRATIONS.length);

    expect(await loadDemoShop(db)).toBeTrue();
    expect(await loadDemoShop(db)).toBeFalse();
    const count = (model: keyof typeof db.models) =>
      (db.models[model] as unknown as { count(): Promise<number> }).count();
    expect(await count('Customer')).toBe(40);
    expect(await count('Saw')).toBe(90);
    const stages = await db.sequelize.query<{ stage: string }>('SELECT DISTINCT stage FROM ticket ORDER BY 1', {
      type: QueryTypes.SELECT,
    });
    expect(stages.map((s) => s.stage)).toEqual(['bench', 'check', 'closed', 'declined', 'handover', 'measure', 'plan']);
    await db.sequelize.close();
    await database.drop();
  }, 60_000);

  it('data of a newer program are left untouched, and said in a sentence', async () => {
    const database = await emptyDatabase();
    const db = connect(database.url);
    try {
      await bringUp(db.sequelize);
      await db.sequelize.query(`INSERT INTO migration (name) VALUES ('2099-01-01-from-later')`);
      await migrator(db.sequelize).down({ migrations: ['2026-11-29-made-once'] });
      await expectAsync(bringUp(db.sequelize)).toBeRejectedWithError(/newer Odontis \(2099-01-01-from-later\)/);
      const [found] = await db.sequelize.query(`SELECT to_regclass('made') AS made`);
      expect(found).toEqual([{ made: null }]);
    } finally {
      await db.sequelize.close();
      await database.drop();
    }
  });
});
