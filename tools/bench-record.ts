import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier } from '@odontis/contract/dossier';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { Reading } from '@odontis/core/evidence/reading';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { ShopBench } from './bench-shop';
import { CALLS, inShop, keepLine, percentile, timed, timesOf } from './bench-shop';
import { demoScreen } from './demo-screen';

const LONG_LINE = 5000;
const OPENINGS = 40;

/** A measuring of 5,000 teeth opened as a page opens it, and one changed reading sent and kept. */
export const measureRecord = (bench: ShopBench): Promise<void> =>
  inShop(bench, async (client, address) => {
    const row = await client.query<{ id: number; saw_id: number }>(
      `SELECT id, saw_id FROM ticket WHERE stage = 'measure' AND saw_id IN (SELECT id FROM saw WHERE family = 'hand' OR family = 'back') LIMIT 1`,
    );
    const ticket = row.rows[0]?.id ?? 1;
    await client.query('UPDATE saw SET pitch_mm = 0.55, tooth_line_mm = 2749.45 WHERE id = $1', [row.rows[0]?.saw_id]);
    const teeth = Array.from({ length: LONG_LINE }, (_, i): ToothReading => ({
      tooth: i + 1,
      xMm: i * 0.55 + 0.01 * Math.sin(i),
      yMm: -0.05 * Math.abs(Math.sin(i * 0.7)),
      lean: i % 2 ? 'right' : 'left',
      setMm: 0.08,
      kind: 'tooth',
    }));
    const headers = await demoScreen(address);
    const opened = async (): Promise<Dossier> =>
      dossier.parse(await (await fetch(`${address}/api/tickets/${ticket}`, { headers })).json());
    const kept = await keepLine(address, ticket, (await opened()).seen, teeth);
    const { readings, send } = kept;
    let { seen } = kept;
    // As the database does by itself within a minute.
    await client.query('ANALYZE');
    const heights = readings.filter((r) => r.quantity === 'height');
    const open = async (): Promise<void> => {
      const { saw, sessions } = await opened();
      const line = lineOf(sessions, saw, 'before');
      if (line?.teeth.length !== LONG_LINE) throw new Error('The line was not kept whole.');
    };
    await timed(3, open);
    const openings = await timesOf(OPENINGS, open);
    const [usual, opening] = [percentile(openings, 0.5), percentile(openings, 0.95)];
    let tooth = 0;
    const change = async (): Promise<void> => {
      const before = heights[tooth++];
      if (!before) throw new Error('There is no such tooth.');
      ({ seen } = await send(seen, [{ ...before, key: randomUUID(), value: 0.01, corrects: before.key } as Reading]));
    };
    await timed(5, change);
    const changing = await timed(CALLS / 2, change);
    console.log(
      `\nThe record: ${readings.length} readings of ${LONG_LINE} teeth, 95th percentile and median\n` +
        `opened, read by the contract and made a line ${opening.toFixed(0).padStart(6)} ms, ${usual.toFixed(0)} ms (aim under 200)\n` +
        `one changed reading sent and kept             ${changing.toFixed(0).padStart(6)} ms (aim under 50)`,
    );
  });
