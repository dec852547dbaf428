import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';
import type { Saw, SawOf } from '@odontis/core/saw/saw';
import { bladeMeasures } from '@odontis/core/saw/saw';
import { walkOf } from '@odontis/core/work/step';
import { dialledBlade, WORN_BLADE } from '../../demo/demo-blade';
import { dialledSet, WORN_DADO } from '../../demo/demo-dado';
import { sampledBand, WORN_BAND } from '../../demo/demo-band';
import { seeded } from '../../demo/worn-line';
import type { TestShop } from '../../testing/test-shop';
import { newTicketBody, openTestShop } from '../../testing/test-shop';

const band = { ...(ordinarySaw('band-narrow') as SawOf<'band'>), toothLineMm: 600, pitchMm: 6.1 };
const blade: SawOf<'circular'> = {
  ...(ordinarySaw('blade-crosscut') as SawOf<'circular'>),
  ...bladeMeasures(250, 30, 12),
  markedLimitRpm: 6000,
};
const set = { ...(ordinarySaw('dado') as SawOf<'dado'>), markedLimitRpm: 7000 };
const BAND_WISH = { family: 'band', set: null, joint: null, strokes: null };
const BLADE_WISH = { family: 'circular', depthMm: null, set: null, burnt: null, asked: '' };
const DADO_WISH = { family: 'dado', wantedMm: null };

describe('saws whose teeth go round, from the counter to the handover', () => {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await openTestShop();
  });
  afterAll(() => shop.close());
  const random = seeded(77);

  const taken = async (saw: Saw, intake: object = {}): Promise<Dossier> => {
    const body = newTicketBody();
    const answer = await shop.send('post', '/api/tickets', { ...body, saw, intake: { ...body.intake, ...intake } });
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(201);
    return answer.body as Dossier;
  };
  const read = async ({ ticket, seen }: Dossier, readings: object[], kind = 'before'): Promise<void> => {
    const session = { key: randomUUID(), kind };
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/evidence`, { session, seen, readings });
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(201);
  };
  const fresh = async ({ ticket }: Dossier): Promise<Dossier> =>
    (await shop.send('get', `/api/tickets/${ticket.id}`)).body as Dossier;
  const toPlan = async ({ ticket }: Dossier): Promise<Dossier> => {
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/measured`, { version: ticket.version });
    expect(answer.status).toBe(200);
    return answer.body as Dossier;
  };
  const accept = ({ ticket }: Dossier, round: object) =>
    shop.send('post', `/api/tickets/${ticket.id}/plan`, { version: ticket.version, round });
  /** Every stop done at the vise, then to the check. */
  const walked = async ({ ticket, plan }: Dossier): Promise<Dossier> => {
    const events = walkOf(plan?.order.steps ?? []).map(({ index }) => ({
      ...{ id: randomUUID(), stop: index, action: 'done' },
      at: new Date(Date.UTC(2031, 4, 1, 9, index) + (index > 3 ? 3_600_000 : 0)).toISOString(),
    }));
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/bench`, { planId: plan?.id, events });
    expect(answer.status).toBeLessThan(300);
    return (await shop.send('get', `/api/tickets/${ticket.id}`)).body as Dossier;
  };
  const cut = { runs: 'true', binds: false, chatters: false, note: '' };
  const judge = async ({ ticket }: Dossier, more: object = {}): Promise<Dossier> => {
    const check = { ...cut, version: ticket.version, ...more };
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/checks`, check);
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(201);
    return answer.body as Dossier;
  };

  it('a band is counted, planned without a reading, walked window by window, judged by where it beats', async () => {
    let now = await toPlan(await taken(band));
    const { complaint, promisedOn, version } = now.ticket;
    const counted = { version, complaint, promisedOn, line: { teeth: 97, pitchMm: 600 / 97 } };
    now = (await shop.send('patch', `/api/tickets/${now.ticket.id}`, counted)).body as Dossier;
    await read(now, sampledBand({ ...band, pitchMm: 600 / 97 }, WORN_BAND, random));
    const answer = await accept(await fresh(now), BAND_WISH);
    expect(answer.status).toBe(201);
    const planned = answer.body as Dossier;
    const round = planned.plan?.order.round;
    if (round?.family !== 'band') throw new Error('no band’s order');
    expect([round.forecast.teeth, round.inputs.counted, round.forecast.each]).toEqual([97, true, 24]);
    expect(round.forecast.atWeld).toContain('the last tooth is left straight');
    const worked = await walked(planned);
    expect([worked.ticket.stage, worked.plan?.pause]).toEqual(['check', { afterStop: 3, minutes: 61 }]);
    const again = await judge(worked, { chatters: true, beatAt: 96 });
    expect([again.ticket.stage, again.checks[0]?.beatAt, again.checks[0]?.advice]).toEqual([
      'check',
      96,
      ['dress-weld'],
    ]);
    const passed = await judge(again);
    expect(passed.ticket.stage).toBe('handover');
    expect((await shop.send('get', `/api/tickets/${passed.ticket.id}/report.pdf`)).status).toBe(200);
  });

  it('a blade read twice is filed for its own error alone; its test cut’s steps ask for the dial', async () => {
    const ticket = await taken(blade);
    await read(ticket, dialledBlade(blade, WORN_BLADE, random));
    const planned = (await accept(await toPlan(await fresh(ticket)), BLADE_WISH)).body as Dossier;
    const round = planned.plan?.order.round;
    if (round?.family !== 'circular') throw new Error('no blade’s order');
    expect(round.forecast.arborMm).toBeCloseTo(WORN_BLADE.arborMm, 1);
    expect(round.forecast.jointMm).toBeGreaterThan(0);
    const again = await judge(await walked(planned), { chatters: true });
    expect(again.checks[0]?.advice).toContain('read-dial');
    expect((await judge(again)).ticket.stage).toBe('handover');
  });

  it('a set is planned part by part, and its test groove says whether its teeth are of one height', async () => {
    const ticket = await taken(set);
    await read(ticket, dialledSet(set, WORN_DADO, random));
    const planned = (await accept(await toPlan(await fresh(ticket)), { ...DADO_WISH, wantedMm: 10 })).body as Dossier;
    const round = planned.plan?.order.round;
    if (round?.family !== 'dado') throw new Error('no set’s order');
    expect(round.forecast.spreadAfterMm).toBeLessThan(round.forecast.spreadBeforeMm ?? 0);
    expect(round.forecast.stacks[0]?.widthMm).toBeCloseTo(9.8, 6);
    const worked = await walked(planned);
    const step = (part: string, value: number) => ({
      ...{ key: randomUUID(), quantity: 'groove-step', place: 1, value, gauge: 'caliper', part },
      ...{ setAside: false, corrects: null, simulated: false },
    });
    await read(worked, [step('chipper 1', 0), step('chipper 2', 0.3)], 'after');
    const again = await judge(await fresh(worked), { chatters: true });
    expect(again.checks[0]?.advice).toContain('equalise-again');
    expect((await judge(again)).ticket.stage).toBe('handover');
  });

  it('what is not to be worked is refused in a sentence: a burnt tooth untried, another family’s choice, a wild depth', async () => {
    const mark = { kind: 'burn', along: 0.2, down: 0.9 };
    const burnt = await toPlan(await taken(blade, { marks: [mark] }));
    const untried = await accept(burnt, BLADE_WISH);
    expect([untried.status, (untried.body as { detail: string }).detail]).toEqual([
      422,
      jasmine.stringMatching(/try it with a file/) as never,
    ]);
    expect((await accept(burnt, { ...BLADE_WISH, burnt: 'softer' })).status).toBe(422);
    expect((await accept(burnt, BAND_WISH)).status).toBe(409);
    expect((await accept(burnt, { ...BLADE_WISH, depthMm: -1 })).status).toBe(400);
    expect((await accept(burnt, { family: 'scroll' })).status).toBe(400);
    expect((await accept(burnt, { ...BLADE_WISH, burnt: 'alike' })).status).toBe(201);
  });
});
