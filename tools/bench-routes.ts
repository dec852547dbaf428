import type pg from 'pg';
import type { ShopBench } from './bench-shop';
import { CALLS, inShop, timed } from './bench-shop';
import { demoScreen } from './demo-screen';

const SAWS = 5000;

/** So many of those saws were filed at the vise in the last three months, stop by stop. */
const FILED = 400;

/** Orders and presses of some of the saws, as one of the demo's was walked. */
async function pressSaws(client: pg.Client): Promise<void> {
  const source = `(SELECT p.id, p.body, p.stops, p.minutes FROM plan p JOIN ticket k ON k.id = p.ticket_id
     JOIN saw s ON s.id = k.saw_id WHERE s.family = 'hand' AND k.stage = 'closed' ORDER BY p.id LIMIT 1)`;
  await client.query(
    `INSERT INTO plan (ticket_id, number, body, work, stops, minutes, accepted_by, accepted_at)
     SELECT k.id, 1, o.body, 'sharpen', o.stops, o.minutes, 1, now() - random() * interval '90 days'
       FROM (SELECT k.id FROM ticket k JOIN saw s ON s.id = k.saw_id WHERE s.name LIKE 'Saw %' ORDER BY k.id LIMIT $1) k, ${source} o`,
    [FILED],
  );
  const made = `plan p JOIN ticket k ON k.id = p.ticket_id JOIN saw s ON s.id = k.saw_id AND s.name LIKE 'Saw %'`;
  await client.query(
    `INSERT INTO plan_tool (plan_id, kind, name, stops, amounts, total)
     SELECT p.id, t.kind, t.name, t.stops, t.amounts, t.total FROM ${made}, ${source} o JOIN plan_tool t ON t.plan_id = o.id`,
  );
  await client.query(
    `WITH pressed AS (INSERT INTO bench_event (id, plan_id, stop, action, person_id, happened_at)
       SELECT gen_random_uuid(), p.id, n, 'done', 1 + p.id % 3, p.accepted_at + n * interval '20 seconds'
         FROM ${made} CROSS JOIN LATERAL generate_series(0, p.stops - 1) n RETURNING id, plan_id, stop)
     INSERT INTO bench_mark (plan_id, stop, event_id) SELECT plan_id, stop, id FROM pressed`,
  );
}

/** Routes with 5,000 saws beside the same rows by plain pg. */
export const measureRoutes = (bench: ShopBench): Promise<void> =>
  inShop(bench, async (client, address) => {
    await client.query(
      `INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm,
       plate_depth_heel_mm, plate_depth_toe_mm, back_fixing, created_by)
     SELECT 1 + n % 40, 'Saw ' || n, 'back', 'rip', 2, 'points', 300, 0.6, 60, 60, 'folded', 1 FROM generate_series(1, $1) n`,
      [SAWS],
    );
    await client.query(
      `INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, currency,
       opened_by, closed_by, closed_at, arrival_id)
     SELECT s.id, 'closed', 'dry-soft', 'weekly', 'no', 'take', '[]', now(), 'x', 1, 1, now(), 1 FROM saw s WHERE s.name LIKE 'Saw %'`,
    );
    await pressSaws(client);
    await client.query('ANALYZE');
    const ticket =
      (await client.query<{ id: number }>(`SELECT id FROM ticket WHERE stage = 'check' LIMIT 1`)).rows[0]?.id ?? 1;
    console.log(`\nRoutes with ${SAWS} saws more, 95th percentile of ${CALLS} calls, beside the same rows by plain pg`);
    const headers = await demoScreen(address);
    const get = (route: string) => () => fetch(`${address}/api${route}`, { headers }).then((r) => r.text());
    const compare = async (route: string, plain: () => Promise<unknown>): Promise<void> => {
      await timed(10, get(route));
      const [ours, theirs] = [await timed(CALLS, get(route)), await timed(CALLS, plain)];
      console.log(
        `${route.padEnd(28)} ${ours.toFixed(1).padStart(7)} ms   pg ${theirs.toFixed(1).padStart(7)} ms   ratio ${(ours / theirs).toFixed(1)}`,
      );
    };
    await compare('/rack', () =>
      client.query(
        `SELECT t.*, s.name, c.name FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id WHERE t.closed_at IS NULL`,
      ),
    );
    await compare('/customers?typed=an', () => client.query(`SELECT * FROM customer WHERE name ILIKE '%an%' LIMIT 10`));
    await compare('/store', async () => {
      await client.query('SELECT * FROM tool_deed d JOIN tool t ON t.id = d.tool_id');
      await client.query(`SELECT kind, name, sum(total) FROM plan_tool GROUP BY kind, name`);
    });
    await compare('/customers/1/saws', () => client.query('SELECT * FROM saw WHERE customer_id = 1'));
    await compare(`/tickets/${ticket}`, async () => {
      await client.query('SELECT * FROM ticket WHERE id = $1', [ticket]);
      await client.query('SELECT e.* FROM evidence e JOIN session s ON s.id = e.session_id WHERE s.ticket_id = $1', [
        ticket,
      ]);
      await client.query('SELECT * FROM plan WHERE ticket_id = $1', [ticket]);
      await client.query('SELECT b.* FROM bench_mark b JOIN plan p ON p.id = b.plan_id WHERE p.ticket_id = $1', [
        ticket,
      ]);
    });
  });
