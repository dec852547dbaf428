import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Express } from 'express';
import type { Shop } from '@odontis/contract/shop';
import type { Chance } from './hostile-bodies';
import type { HostileReport } from './hostile';
import { sendHostile } from './hostile';
import { newTicketBody } from './new-ticket';
import type { TestShop } from './test-shop';
import { hollowReadings, lineBody, screenHeaders, ticketAt } from './test-shop';

/** A shop with a saw at every stage, and hostile requests at it over loopback. */
export async function hostileAt(
  shop: TestShop,
  app: Express,
  requests: number,
  chance: Chance,
  told?: (sent: number) => void,
): Promise<HostileReport> {
  const stages = [await ticketAt(shop, 'measure'), await ticketAt(shop, 'plan'), await ticketAt(shop, 'bench')];
  const { book } = (await shop.send('get', '/api/shop')).body as Shop;
  const bench = stages.at(-1);
  const planId = bench?.plan?.id;
  const customer = { ...newTicketBody().customer, business: false, note: '', contacts: [], version: 1 };
  const right: Record<string, () => object> = {
    'POST /tickets': () => newTicketBody(),
    'POST /tickets/:id/evidence': () => lineBody('before', hollowReadings(12)),
    'POST /tickets/:id/bench': () => ({
      planId,
      events: [{ id: randomUUID(), stop: 0, action: 'done', at: new Date().toISOString() }],
    }),
    'POST /tickets/:id/plan': () => ({ version: 1, depthMm: 0.1, work: 'joint' }),
    'PUT /shop': () => ({ version: 0, book }),
    'PUT /customers/:id': () => customer,
    'POST /customers/:id/merge': () => ({ version: 1, from: 2, fromVersion: 1 }),
    'POST /people': () => ({ key: randomUUID(), name: 'Third Hand', initials: 'TH', role: 'filer' }),
    'POST /customers/cards': () => ({ text: 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Wren Ashby\r\nEND:VCARD\r\n' }),
  };
  const server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  const owner = await shop.db.models.Person.create({ name: 'Owner Of All', initials: 'OA', role: 'owner' });
  try {
    return await sendHostile({
      ...{ address: `http://127.0.0.1:${port}`, db: shop.db, requests, chance, right },
      ...(told && { told }),
      screen: async () => {
        // Somebody may have been let go by a request that was right by accident.
        await owner.update({ role: 'owner', leftAt: null });
        return screenHeaders(shop.db, owner.id);
      },
      records: [...stages.map((one) => one.ticket.id), 1, 2, 987_654],
    });
  } finally {
    await new Promise((resolve) => {
      server.close(resolve);
      server.closeAllConnections();
    });
  }
}
