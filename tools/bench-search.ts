import type { ShopBench } from './bench-shop';
import { inShop, timed } from './bench-shop';
import { demoScreen } from './demo-screen';

const CUSTOMERS = 50_000;
const MANY_SAWS = 200_000;
const OPEN_TICKETS = 500;
/** Fewer calls here: plain SQL takes most of a second for each. */
const SEARCH_CALLS = 40;

/** Finding one customer of 50,000 who brought 200,000 saws, beside plain SQL; the rack with 500 open tickets. */
export const measureSearch = (bench: ShopBench): Promise<void> =>
  inShop(bench, async (client, address) => {
    const array = (words: readonly string[]): string => `(ARRAY[${words.map((w) => `'${w}'`).join()}])`;
    const first = array(['Ada', 'Bram', 'Chidi', 'Dorota', 'Emre', 'Lucía', 'Mirela', 'Pénélope', 'Søren', 'Tamar']);
    const last = array([
      'Abara',
      'Bjørk',
      'Castañeda',
      'Delacroix',
      'Grünwald',
      'Kowalczyk',
      'Lindqvist',
      'Nwosu',
      'Petrov',
      'Szabó',
    ]);
    await client.query(
      `INSERT INTO customer (name, phone, created_by)
     SELECT ${first}[1 + n % 10] || ' ' || ${last}[1 + n / 10 % 10] || ' ' || upper(substr(md5(n::text), 1, 6)),
            '0' || (1000000 + n * 7919 % 8999999), 1 FROM generate_series(1, $1::int) n`,
      [CUSTOMERS],
    );
    await client.query(
      `INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm,
       plate_depth_heel_mm, plate_depth_toe_mm, back_fixing, marks_on_it, created_by)
     SELECT 41 + n % $2::int, 'Tenon saw', 'back', 'rip', 2, 'points', 355, 0.7, 85, 80, 'folded', 'No. ' || md5(n::text), 1
       FROM generate_series(1, $1::int) n`,
      [MANY_SAWS, CUSTOMERS - 100],
    );
    await client.query(
      `INSERT INTO ticket (saw_id, stage, wood, use_rate, hardened, verdict, reasons, promised_on, currency, opened_by, arrival_id)
     SELECT s.id, 'measure', 'dry-soft', 'weekly', 'no', 'take', '[]', now()::date + (s.id % 14)::int, 'x', 1, 1
       FROM saw s WHERE s.name = 'Tenon saw' ORDER BY s.id DESC LIMIT $1`,
      [OPEN_TICKETS],
    );
    await client.query('ANALYZE');
    console.log(
      `\nSearch with ${CUSTOMERS} customers and ${MANY_SAWS} saws, rack with ${OPEN_TICKETS} open tickets: 95th percentile of ${SEARCH_CALLS} calls`,
    );
    const headers = await demoScreen(address);
    const get = (route: string) => () => fetch(`${address}/api${route}`, { headers }).then((r) => r.text());
    const compare = async (what: string, route: string, plain: () => Promise<unknown>): Promise<void> => {
      await timed(10, get(route));
      const [ours, theirs] = [await timed(SEARCH_CALLS, get(route)), await timed(SEARCH_CALLS, plain)];
      console.log(
        `${what.padEnd(34)} ${ours.toFixed(1).padStart(7)} ms   plain SQL ${theirs.toFixed(1).padStart(7)} ms   ratio ${(ours / theirs).toFixed(2)}`,
      );
    };
    for (const [what, typed] of [
      ['a name', 'grunwald'],
      ['a slip of the finger', 'Delacriox'],
      ['a telephone', '4567'],
      ['a mark on a saw', 'md5'],
      ['two letters', 'so'],
    ] as const)
      await compare(`${what}: ${typed}`, `/customers?typed=${typed}`, () =>
        client.query(
          `SELECT c.id, c.name, (SELECT count(*) FROM saw s WHERE s.customer_id = c.id) FROM customer c
          WHERE lower(unaccent(c.name)) LIKE '%' || $1 || '%' OR regexp_replace(c.phone, '\\D', '', 'g') LIKE '%' || $1 || '%'
             OR EXISTS (SELECT 1 FROM saw s WHERE s.customer_id = c.id AND lower(s.marks_on_it) LIKE '%' || $1 || '%')
          ORDER BY c.name LIMIT 10`,
          [typed.toLowerCase()],
        ),
      );
    const stamp =
      (
        await client.query<{ m: string }>(
          `SELECT marks_on_it AS m FROM saw WHERE marks_on_it <> '' AND family = 'back' LIMIT 1`,
        )
      ).rows[0]?.m ?? 'none';
    const told = 'family=back&toothLineMm=352&pitchMm=2&plateThicknessMm=0.7&plateDepthHeelMm=84';
    await compare('the same saw come back', `/saws/alike?${told}&marksOnIt=${encodeURIComponent(stamp)}`, () =>
      client.query(
        `SELECT * FROM saw WHERE family = 'back' AND tooth_line_mm BETWEEN 331 AND 373 AND lower(marks_on_it) LIKE '%' || $1 || '%' LIMIT 10`,
        [stamp.toLowerCase()],
      ),
    );
    await compare('the rack', '/rack', () =>
      client.query(
        `SELECT t.*, s.name, c.name FROM ticket t JOIN saw s ON s.id = t.saw_id JOIN customer c ON c.id = s.customer_id
        WHERE t.closed_at IS NULL ORDER BY t.promised_on`,
      ),
    );
  });
