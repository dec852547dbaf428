import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import type { RackRow } from '@odontis/contract/ticket';
import type { KeptStoreRoom } from '@odontis/contract/store';
import { contradictions } from '../../testing/contradictions';
import type { TestShop } from '../../testing/test-shop';
import { hollowReadings, lineBody, newTicketBody, openTestShop } from '../../testing/test-shop';
import { readShop } from '../shop/service';

/** A row of numbers from 0 to 1 that a seed names (a linear congruence of Numerical Recipes; from memory). */
function chances(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 4294967296;
}

const LIVES = 7;
const TURNS = 30;
const OWN_TURN: Partial<Record<Dossier['ticket']['stage'], string>> = { check: 'cut', handover: 'home' };

describe('any life a ticket can have', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());
  const read = async (id: number): Promise<Dossier> => (await shop.send('get', `/api/tickets/${id}`)).body as Dossier;

  /** Turns that somebody may try at any time; the server says which of them there are just now. */
  const turns: Readonly<Record<string, (d: Dossier, chance: () => number) => Promise<number>>> = {
    measured: async (d) => {
      await shop.send('post', `/api/tickets/${d.ticket.id}/evidence`, lineBody('before', hollowReadings()));
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/measured`, { version: d.ticket.version })).status;
    },
    planned: async (d, chance) => {
      const choice = {
        ...{ version: d.ticket.version, depthMm: chance() < 0.5 ? 0 : 0.1, line: 'free', rakeDeg: 0, fleamDeg: 0 },
        ...{ convert: false, sample: false, ...(chance() < 0.2 && { retoothMm: 2.54 }) },
      };
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/plan`, choice)).status;
    },
    pressed: async (d, chance) => {
      const stops = d.plan?.order.steps.reduce((sum, step) => sum + step.stops.length, 0) ?? 0;
      const [from, many] = [Math.floor(chance() * stops), 1 + Math.floor(chance() * stops)];
      const action = chance() < 0.7 ? 'done' : chance() < 0.5 ? 'skipped' : 'back';
      const events = Array.from({ length: Math.min(many, stops - from) }, (_, i) => ({
        ...{ id: randomUUID(), stop: from + i, action, at: new Date().toISOString() },
        ...(action === 'skipped' && { reason: 'left as it is' }),
      }));
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/bench`, { planId: d.plan?.id, events })).status;
    },
    finished: async (d) => {
      const stops = d.plan?.order.steps.reduce((sum, step) => sum + step.stops.length, 0) ?? 0;
      const events = Array.from({ length: stops }, (_, stop) => ({
        ...{ id: randomUUID(), stop, action: 'done', at: new Date().toISOString() },
      }));
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/bench`, { planId: d.plan?.id, events })).status;
    },
    cut: async (d, chance) => {
      const seen = <T>(one: T): T | null => (chance() < 0.85 ? one : null);
      const cut = {
        ...{ version: d.ticket.version, runs: seen(chance() < 0.8 ? 'true' : 'left'), note: '' },
        ...{ binds: seen(chance() < 0.1), chatters: seen(chance() < 0.1) },
      };
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/checks`, cut)).status;
    },
    said: async (d, chance) => {
      const kind = ['asked', 'agreed', 'refused', 'waived'][Math.floor(chance() * 4)];
      const word = {
        ...{ key: randomUUID(), version: d.ticket.version, kind, upTo: Math.round(chance() * 120), note: '' },
        ...((kind === 'agreed' || kind === 'refused') && { wordBy: 'telephone', said: '' }),
      };
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/price`, word)).status;
    },
    home: async (d, chance) => {
      const agreed = d.prices.findLast((w) => w.kind === 'agreed' || w.kind === 'estimate')?.high ?? 0;
      const live = d.prices.findLast((w) => w.kind === 'plan' || w.kind === 'outwork')?.high ?? 10;
      const charged = chance() < 0.7 ? Math.min(live, agreed) : Math.round(chance() * 60);
      const closing = { key: randomUUID(), version: d.ticket.version, charged, why: 'As it was agreed.', note: '' };
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/handover`, closing)).status;
    },
    corrected: async (d, chance) => {
      const { id: _id, ...saw } = d.saw;
      const change = {
        ...{ key: randomUUID(), version: d.ticket.version, why: 'Measured again.' },
        saw: { ...saw, plateThicknessMm: Math.round(600 + 300 * chance()) / 1000 },
      };
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/saw`, change)).status;
    },
    sent: async (d, chance) => {
      const told = { key: randomUUID(), version: d.ticket.version, grinder: 'Ostrander & Pell', work: 'ground' };
      const amount = chance() < 0.5 ? null : Math.round(chance() * 30);
      return (await shop.send('post', `/api/tickets/${d.ticket.id}/outwork`, { ...told, dueOn: '2031-05-06', amount }))
        .status;
    },
    back: async (d, chance) =>
      (
        await shop.send('post', `/api/tickets/${d.ticket.id}/outwork/back`, {
          ...{ key: randomUUID(), version: d.ticket.version, result: 'came-out', amount: Math.round(chance() * 30) },
        })
      ).status,
    ended: async (d, chance) => {
      const ending = ['refused', 'cancelled', 'returned', 'given-up', 'lost', 'swapped'][Math.floor(chance() * 6)];
      const change = {
        ...{ key: randomUUID(), version: d.ticket.version, ending, by: 'shop', reason: 'So it went.', tried: 'Much.' },
        fee: chance() < 0.3 ? 5 : null,
      };
      return chance() < 0.25 ? (await shop.send('post', `/api/tickets/${d.ticket.id}/end`, change)).status : 0;
    },
    reopened: async (d) =>
      (
        await shop.send('post', `/api/tickets/${d.ticket.id}/reopen`, {
          version: d.ticket.version,
          reason: 'A mistake.',
        })
      ).status,
  };

  it('keeps its word at every turn: sums, stages, stock, rack and papers', async () => {
    const { book } = await readShop(shop.db);
    const went = new Map<string, number>();
    const names = Object.keys(turns);
    const stages = new Set<string>();
    for (let life = 0; life < LIVES; life++) {
      const chance = chances(977 + 31 * life);
      // A Thursday in a year to come: a day the bench works on.
      const opened = (await shop.send('post', '/api/tickets', newTicketBody({ promisedOn: '2031-05-08' })))
        .body as Dossier;
      const { id } = opened.ticket;
      let chain = opened.prices.length;
      for (let turn = 0; turn < TURNS; turn++) {
        const before = await read(id);
        // In order at first, so that lives get somewhere; then whatever comes.
        const name =
          turn < 5
            ? (['measured', 'planned', 'said', 'pressed', 'finished'][turn] as string)
            : // A stage's own turn more often than any other, so that lives get to their ends.
              ((chance() < 0.4 ? OWN_TURN[before.ticket.stage] : undefined) ??
              (names[Math.floor(chance() * names.length)] as string));
        const status = await turns[name]?.(before, chance);
        const after = await read(id);
        const where = `life ${life}, turn ${turn}: ${name} ${status}`;
        if (status === 200 || status === 201) went.set(name, (went.get(name) ?? 0) + 1);
        else if (status !== 0) expect(after.ticket).withContext(where).toEqual(before.ticket);
        stages.add(after.ticket.stage);
        // Words are added and never changed.
        expect(after.prices.slice(0, chain)).withContext(where).toEqual(before.prices.slice(0, chain));
        expect(after.prices.length).withContext(where).toBeGreaterThanOrEqual(chain);
        chain = after.prices.length;
        // Away or here, and nothing is measured or planned of what is away.
        const away = before.outwork.some((one) => one.back === null);
        if (away && ['measured', 'planned', 'cut', 'home'].includes(name))
          expect(status).withContext(where).toBeGreaterThanOrEqual(400);
        expect(after.corrections.length).withContext(where).toBeGreaterThanOrEqual(before.corrections.length);
        expect(after.earlier.length).withContext(where).toBeGreaterThanOrEqual(before.earlier.length);
        expect(contradictions(after, book, new Date(Date.now() + 1000).toISOString()))
          .withContext(where)
          .toEqual([]);
        const rack = (await shop.send('get', '/api/rack')).body as RackRow[];
        expect(rack.some((row) => row.id === id))
          .withContext(where)
          .toBe(after.ticket.closedAt === null);
        const store = (await shop.send('get', '/api/store')).body as KeptStoreRoom;
        if (after.ticket.stage !== 'bench')
          expect(store.planned.some((row) => row.ticketId === id))
            .withContext(where)
            .toBeFalse();
      }
    }
    // They got everywhere: a spec whose lives are all refused would pass, and tell nothing.
    expect([...stages].sort()).toEqual(['bench', 'check', 'closed', 'declined', 'handover', 'plan']);
    for (const name of names)
      expect(went.get(name) ?? 0)
        .withContext(name)
        .toBeGreaterThan(0);
  }, 180_000);
});
