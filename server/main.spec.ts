import type { Dossier } from '@odontis/contract/dossier';
import { connect } from './database/connect';
import { runServer } from './main';
import { emptyDatabase, newTicketBody, screenHeaders } from './testing/test-shop';
import { freePort } from './testing/free-port';

describe('a shop that closes', () => {
  it('answers who is in, lets nobody new in, and is gone', async () => {
    const database = await emptyDatabase();
    const port = await freePort();
    const settings = { databaseUrl: database.url, host: '127.0.0.1', port, webFolder: '.', demo: false };
    const server = await runServer(settings);
    const db = connect(database.url);
    const person = await db.models.Person.create({ name: 'First Hand', initials: 'FH', role: 'counter' });
    const screen = await screenHeaders(db, person.id);
    const opened = await fetch(`${server.address}/api/tickets`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...screen },
      body: JSON.stringify(newTicketBody()),
    });
    const { ticket } = (await opened.json()) as Dossier;
    // Its connection waits for another request when the shop closes.
    expect((await fetch(`${server.address}/api/health`)).status).toBe(200);
    // A row that is held keeps this request in flight until we let go.
    const hold = await db.sequelize.transaction();
    await db.sequelize.query('LOCK TABLE ticket IN ACCESS EXCLUSIVE MODE', { transaction: hold });
    const asked = fetch(`${server.address}/api/tickets/${ticket.id}`, { headers: screen });
    const waits = async (): Promise<boolean> => {
      const [rows] = await db.sequelize.query(
        `SELECT 1 FROM pg_stat_activity WHERE wait_event_type = 'Lock' AND datname = current_database()`,
      );
      return rows.length > 0;
    };
    while (!(await waits())) await new Promise((resolve) => setTimeout(resolve, 10));
    const closed = server.close();
    await expectAsync(fetch(`${server.address}/api/health`)).toBeRejected();
    await hold.commit();
    expect((await asked).status).toBe(200);
    await closed;
    await db.sequelize.close();
    await database.drop();
  });
});
