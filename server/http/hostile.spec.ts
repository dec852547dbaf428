import { pino } from 'pino';
import { createApp } from '../app';
import { seeded } from '../demo/worn-line';
import { hostileAt } from '../testing/hostile-shop';
import { openTestShop } from '../testing/test-shop';
import { NEEDS } from './needs';

/** Some of them in the tests; `npm run hostile` sends tens of thousands, and says how they were answered. */
const { HOSTILE: asked, HOSTILE_SEED: seed = '1' } = process.env;
const REQUESTS = Number(asked ?? 1000);

describe('hostile requests over every route', () => {
  it(
    'get an answer that says what is wrong, and leave nothing half saved',
    async () => {
      const shop = await openTestShop();
      try {
        const app = createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
        const told = asked === undefined ? () => undefined : (sent: number) => console.log(`${sent} sent`);
        const report = await hostileAt(shop, app, REQUESTS, seeded(Number(seed)), told);
        if (asked !== undefined)
          console.log(
            `Seed ${seed}: ${Object.entries(report.answered)
              .map(([status, times]) => `${times} x ${status}`)
              .join(', ')}; the slowest ${report.slowestMs.toFixed(0)} ms.`,
          );
        expect(report.faults).toEqual([]);
        // Most of it was refused, in every way there is, and by every route that takes something.
        expect(report.answered[400]).toBeGreaterThan(REQUESTS / 4);
        const taking = Object.keys(NEEDS).filter((route) => /^(POST|PUT|PATCH) /.test(route));
        const ever = /\/(lock|carry|roll|first)$/;
        expect(taking.filter((route) => !report.routes.has(route) && !ever.test(route))).toEqual([]);
      } finally {
        await shop.close();
      }
    },
    REQUESTS * 200,
  );
});
