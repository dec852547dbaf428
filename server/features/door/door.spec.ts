import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import https from 'node:https';
import os from 'node:os';
import path from 'node:path';
import { pino } from 'pino';
import supertest from 'supertest';
import type { DoorState } from '@odontis/contract/door';
import { CSRF_HEADER, doorState, SITTING_HEADER } from '@odontis/contract/door';
import type { Dossier } from '@odontis/contract/dossier';
import { problem } from '@odontis/contract/problem';
import { ownCertificates } from '../../../tools/certificates';
import { createApp } from '../../app';
import { FIRST_BOOK } from '../shop/service';
import { hollowReadings, lineBody, newTicketBody, openTestShop } from '../../testing/test-shop';
import type { ScreenHeaders, TestShop } from '../../testing/test-shop';
import { csrfOf } from './secrets';

const PASSWORD = 'a rusty kettle sings';
const OWNER = { name: 'Wren Ashby', initials: 'WA', password: PASSWORD, device: 'Office screen' };
type Answer = supertest.Response;
const codeOf = (answer: Answer): string => problem.parse(answer.body).code;

/** What a browser keeps of an answer, and sends from then on. */
function heldOf(answer: Answer): ScreenHeaders {
  const cookies = ([] as string[]).concat(answer.headers['set-cookie'] ?? []);
  const token = /^odontis=([^;]+)/.exec(cookies.find((c) => c.startsWith('odontis=')) ?? '')?.[1] ?? '';
  return { cookie: `odontis=${token}`, [CSRF_HEADER]: csrfOf(token) };
}

describe('the door', () => {
  let shop: TestShop;
  /** The shop's own computer, and one elsewhere. */
  let own: ReturnType<typeof createApp>;
  let away: ReturnType<typeof createApp>;
  beforeEach(async () => {
    shop = await openTestShop();
    const logger = pino({ level: 'silent' });
    own = createApp({ db: shop.db, logger });
    away = createApp({ db: shop.db, logger, isOwn: () => false });
  });
  afterEach(() => shop.close());
  const post = (path: string, body: object, headers: ScreenHeaders = {}, app = own) =>
    supertest(app).post(`/api${path}`).set(headers).send(body);
  const look = async (headers: ScreenHeaders = {}, app = own): Promise<DoorState> =>
    doorState.parse((await supertest(app).get('/api/door').set(headers)).body);
  const firstOwner = async (): Promise<ScreenHeaders> => heldOf(await post('/door/first', OWNER));
  const signIn = (told: object = {}, app = away) =>
    post('/door/sign-in', { name: OWNER.name, password: PASSWORD, device: 'Tablet', ...told }, {}, app);
  const idOf = async (name: string): Promise<number> =>
    (await shop.db.models.Person.findOne({ where: { name }, rejectOnEmpty: true })).id;
  const setCode = (headers: ScreenHeaders, id: number, code: string | null, ownPassword: string) =>
    supertest(own).put(`/api/people/${id}/code`).set(headers).send({ code, own: ownPassword });

  it('the first owner is made on the shop’s own computer, once, and learns nothing elsewhere', async () => {
    expect((await look({}, away)).state).toBe('stranger');
    expect((await look({}, away)).people).toEqual([]);
    const door = await look();
    // A shop that is older than its door: its people are there to be chosen from.
    expect([door.state, door.people.map((p) => p.name)]).toEqual(['first', ['First Hand', 'Second Hand']]);
    expect(codeOf(await post('/door/first', OWNER, {}, away))).toBe('not-let-in');
    const both = await Promise.all([post('/door/first', OWNER), post('/door/first', { ...OWNER, name: 'Other' })]);
    expect(both.map((a) => a.status).sort()).toEqual([200, 403]);
    const won = both.find((a) => a.status === 200) as Answer;
    const state = doorState.parse(won.body);
    expect([state.state, state.here?.role, state.here?.device.name]).toEqual(['open', 'owner', 'Office screen']);
    expect((await supertest(own).get('/api/rack').set(heldOf(won))).status).toBe(200);
    expect((await look()).state).toBe('stranger');
    expect((await look()).people).toEqual([]);
  });

  it('an owner of an older shop is one of its people, by name, and no second one of it', async () => {
    const answer = await post('/door/first', { ...OWNER, name: 'first hand' });
    expect(doorState.parse(answer.body).here?.personId).toBe(shop.person);
    expect(await shop.db.models.Person.count()).toBe(2);
  });

  it('passwords that are short or tried first, and codes that run, are not taken', async () => {
    for (const password of ['short', 'password1234', '111111111111', 'x'.repeat(129)])
      expect((await post('/door/first', { ...OWNER, password })).status)
        .withContext(password)
        .toBe(400);
    const screen = await firstOwner();
    const id = await idOf(OWNER.name);
    for (const code of ['123', '1234', '9876', '0000', '123456789', 'abcd'])
      expect((await setCode(screen, id, code, PASSWORD)).status)
        .withContext(code)
        .toBe(400);
    expect((await setCode(screen, id, '2749', PASSWORD)).status).toBe(200);
  });

  it('a password is taken as it is typed: 128 signs of any script, to the last of them', async () => {
    const long = 'Ž木 ¯\\_(ツ)_/¯ 🪚'.repeat(20).slice(0, 127);
    expect((await post('/door/first', { ...OWNER, password: `${long}a` })).status).toBe(200);
    expect((await signIn({ password: `${long}b` })).status).toBe(403);
    expect((await signIn({ password: `${long}a ` })).status).toBe(403);
    expect((await signIn({ password: `${long}a` })).status).toBe(200);
  });

  it('over TLS the cookie is one that no other host or path can set', async () => {
    const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-door-'));
    const made = await ownCertificates(folder, ['127.0.0.1']);
    const served = https.createServer({ key: made.key, cert: made.cert }, own).listen(0, '127.0.0.1');
    await new Promise((resolve) => served.once('listening', resolve));
    const answer = await supertest(served).post('/api/door/first').ca(made.authority).send(OWNER);
    const [token, csrf] = ([] as string[]).concat(answer.headers['set-cookie'] ?? []);
    expect(token).toMatch(/^__Host-odontis=[\w-]{43}; .*Path=\/; .*HttpOnly; Secure; SameSite=Strict$/);
    expect(csrf).toMatch(/; Secure; SameSite=Strict$/);
    await new Promise((resolve) => served.close(resolve));
    rmSync(folder, { recursive: true, force: true });
  });

  it('nothing that lets somebody in is kept as it is, and no answer holds it', async () => {
    const screen = await firstOwner();
    await setCode(screen, await idOf(OWNER.name), '2749', PASSWORD);
    const [rows] = await shop.db.sequelize.query('SELECT * FROM secret, device');
    const text = JSON.stringify(rows);
    expect(text).toContain('$argon2id$v=19$m=19456,t=2,p=1$');
    for (const secret of [PASSWORD, '2749', /odontis=(.+)/.exec(screen['cookie'] ?? '')?.[1] ?? '?'])
      expect(text.includes(`"${secret}"`)).toBeFalse();
    for (const path of ['/api/people', '/api/devices', '/api/changes', '/api/door'])
      expect((await supertest(own).get(path).set(screen)).text).not.toMatch(/argon2|hash|token/i);
  });

  it('the cookie is out of reach of scripts and of other sites', async () => {
    const answer = await post('/door/first', OWNER);
    const [token, csrf] = ([] as string[]).concat(answer.headers['set-cookie'] ?? []);
    expect(token).toMatch(/^odontis=[\w-]{43}; Max-Age=\d+; Path=\/; Expires=[^;]+; HttpOnly; SameSite=Strict$/);
    expect(csrf).toMatch(/^odontis-csrf=[^;]+; Max-Age=\d+; Path=\/; Expires=[^;]+; SameSite=Strict$/);
  });

  it('at a new screen a name and its password let in; what of them was wrong is not said', async () => {
    await firstOwner();
    const wrong = [await signIn({ password: 'not it at all' }), await signIn({ name: 'Nobody' })];
    expect(new Set(wrong.map((a) => a.text)).size).toBe(1);
    expect(wrong.map((a) => a.status)).toEqual([403, 403]);
    // Somebody of the shop who has no password is let in by none.
    expect((await signIn({ name: 'First Hand', password: '' })).status).toBe(400);
    expect((await signIn({ name: 'First Hand', password: 'undefined' })).status).toBe(403);
    const answer = await signIn({ name: 'WREN ashby' });
    expect(doorState.parse(answer.body).here?.device.name).toBe('Tablet');
    expect((await supertest(away).get('/api/rack').set(heldOf(answer))).status).toBe(200);
  });

  it('wrong tries wait, many at once too, and keep no known screen waiting', async () => {
    const screen = await firstOwner();
    const tries = await Promise.all(Array.from({ length: 12 }, (_, i) => signIn({ password: `wrong number ${i}` })));
    const codes = tries.map(codeOf);
    expect(codes.filter((code) => code === 'not-let-in').length).toBe(5);
    expect(codes.filter((code) => code === 'too-often').length).toBe(7);
    const waits = await signIn();
    expect([waits.status, problem.parse(waits.body).detail]).toEqual([
      429,
      jasmine.stringMatching(/^That was wrong too often\. Try again in \d+ seconds\.$/) as never,
    ]);
    const personId = await idOf(OWNER.name);
    expect((await post('/door/change-over', { personId, secret: PASSWORD }, screen)).status).toBe(200);
  });

  it('a known screen changes over by code; what is done belongs to who sits there, what waited to who sat there', async () => {
    let screen = await firstOwner();
    const [owner, other] = [await idOf(OWNER.name), shop.other];
    const sat = (await look(screen)).here?.key ?? '';
    expect((await setCode(screen, owner, '2749', PASSWORD)).status).toBe(200);
    const chosen = await supertest(own)
      .put(`/api/people/${other}/password`)
      .set(screen)
      .send({ password: 'wet stones and oil', own: PASSWORD });
    expect(chosen.status).toBe(200);
    const door = await look(screen);
    expect(door.people.map((p) => [p.name, p.opensBy])).toEqual([
      ['Second Hand', 'password'],
      ['Wren Ashby', 'code'],
    ]);
    expect(codeOf(await post('/door/change-over', { personId: other, secret: '2749' }, screen))).toBe('not-let-in');
    const over = await post('/door/change-over', { personId: other, secret: 'wet stones and oil' }, screen);
    screen = heldOf(over);
    expect(doorState.parse(over.body).here?.name).toBe('Second Hand');
    const made = async (headers: ScreenHeaders): Promise<number> => {
      const answer = await post('/tickets', newTicketBody(), headers);
      expect(answer.status).toBe(201);
      const { ticket } = answer.body as Dossier;
      return (await shop.db.models.Ticket.findByPk(ticket.id, { rejectOnEmpty: true })).openedBy;
    };
    expect(await made(screen)).toBe(other);
    // What no header may say: only sittings of this very screen count.
    expect(await made({ ...screen, 'x-odontis-person': String(owner) })).toBe(other);
    expect(await made({ ...screen, [SITTING_HEADER]: sat })).toBe(other);
    const { body } = await post('/tickets', newTicketBody(), screen);
    const at = `/tickets/${(body as Dossier).ticket.id}/evidence`;
    const waited = (headers: ScreenHeaders) => post(at, lineBody('before', hollowReadings()), headers);
    expect((await waited({ ...screen, [SITTING_HEADER]: sat })).status).toBe(201);
    expect((await shop.db.models.Evidence.findAll()).every((row) => row.takenBy === owner)).toBeTrue();
    const elsewhere = heldOf(await signIn());
    expect(codeOf(await waited({ ...elsewhere, [SITTING_HEADER]: sat }))).toBe('not-allowed');
    expect(codeOf(await waited({ ...screen, [SITTING_HEADER]: randomUUID() }))).toBe('not-allowed');
    // A sitting that an owner left behind opens nothing that is an owner's.
    await shop.db.models.Person.update({ role: 'counter' }, { where: { id: other } });
    for (const path of ['/api/changes', '/api/machine', '/api/copies'])
      expect(codeOf(await supertest(own).get(path).set(screen).set(SITTING_HEADER, sat)))
        .withContext(path)
        .toBe('not-allowed');
    const back = await post('/door/change-over', { personId: owner, secret: '2749' }, screen);
    expect(doorState.parse(back.body).here?.personId).toBe(owner);
  });

  it('a locked screen shows and does nothing until somebody says who they are; its page stays', async () => {
    const screen = await firstOwner();
    expect((await post('/door/lock', {}, screen)).status).toBe(200);
    const door = await look(screen);
    expect([door.state, door.here, door.people.length]).toEqual(['locked', null, 1]);
    const refused = await supertest(own).get('/api/rack').set(screen);
    expect([refused.status, codeOf(refused)]).toEqual([403, 'locked']);
    const open = await post('/door/change-over', { personId: await idOf(OWNER.name), secret: PASSWORD }, screen);
    expect((await supertest(own).get('/api/rack').set(heldOf(open))).status).toBe(200);
  });

  it('a turned token takes the place of the former, which counts a moment more for what was on its way', async () => {
    const screen = await firstOwner();
    const personId = await idOf(OWNER.name);
    const next = heldOf(await post('/door/change-over', { personId, secret: PASSWORD }, screen));
    expect(next['cookie']).not.toBe(screen['cookie']);
    expect((await supertest(own).get('/api/rack').set(screen)).status).toBe(200);
    await shop.db.sequelize.query(`UPDATE device SET turned_at = now() - interval '2 minutes'`);
    expect((await supertest(own).get('/api/rack').set(screen)).status).toBe(401);
    expect((await supertest(own).get('/api/rack').set(next)).status).toBe(200);
    // In use for a day it is turned by itself; unused for a season it is a stranger's.
    await shop.db.sequelize.query(`UPDATE device SET turned_at = now() - interval '25 hours'`);
    const turned = heldOf(await supertest(own).get('/api/door').set(next));
    expect(turned['cookie']).not.toBe(next['cookie']);
    expect((await supertest(own).get('/api/rack').set(turned)).status).toBe(200);
    await shop.db.sequelize.query(`UPDATE device SET seen_at = now() - interval '91 days'`);
    expect((await supertest(own).get('/api/rack').set(turned)).status).toBe(401);
  });

  it('screens are listed and ended by who let them in; a new password ends the others of its person', async () => {
    const screen = await firstOwner();
    const tablet = heldOf(await signIn());
    const phone = heldOf(await signIn({ device: 'Telephone' }));
    const list = (await supertest(own).get('/api/devices').set(screen)).body as { id: number; name: string }[];
    expect(list.map((d) => d.name).sort()).toEqual(['Office screen', 'Tablet', 'Telephone']);
    const id = list.find((d) => d.name === 'Tablet')?.id ?? 0;
    expect((await supertest(own).delete(`/api/devices/${id}`).set(screen)).status).toBe(200);
    expect((await supertest(own).get('/api/rack').set(tablet)).status).toBe(401);
    const personId = await idOf(OWNER.name);
    const told = { password: 'three brass back saws', own: 'wrong' };
    const put = () => supertest(own).put(`/api/people/${personId}/password`).set(screen);
    expect(codeOf(await put().send(told))).toBe('not-let-in');
    expect((await put().send({ ...told, own: PASSWORD })).status).toBe(200);
    expect((await supertest(own).get('/api/rack').set(phone)).status).toBe(401);
    expect((await supertest(own).get('/api/rack').set(screen)).status).toBe(200);
    expect((await signIn()).status).toBe(403);
    expect((await signIn({ password: 'three brass back saws' })).status).toBe(200);
    expect((await supertest(own).delete('/api/door').set(screen)).status).toBe(200);
    expect((await supertest(own).get('/api/rack').set(screen)).status).toBe(401);
  });

  it('somebody who left is let in nowhere, at once; an owner cannot take the shop from themselves', async () => {
    const screen = await firstOwner();
    const owner = await idOf(OWNER.name);
    const change = (id: number, told: object) =>
      supertest(own)
        .put(`/api/people/${id}`)
        .set(screen)
        .send({ name: 'Second Hand', initials: 'SH', role: 'filer', here: true, ...told });
    const theirs = await shop.as(shop.other);
    expect((await supertest(own).get('/api/rack').set(theirs)).status).toBe(200);
    expect((await change(shop.other, { here: false })).status).toBe(200);
    expect(codeOf(await supertest(own).get('/api/rack').set(theirs))).toBe('locked');
    expect((await change(owner, { role: 'filer' })).status).toBe(400);
    expect((await change(owner, { role: 'owner', here: false })).status).toBe(400);
    expect((await change(owner, { name: OWNER.name, initials: 'WA', role: 'owner' })).status).toBe(200);
  });

  it('the demo lets in by a press whoever has no password there, and no other shop does', async () => {
    expect((await post('/door/demo', { personId: shop.person })).status).toBe(403);
    const changedAt = new Date();
    await shop.db.models.Shop.create({ id: 1, version: 1, book: FIRST_BOOK, changedBy: null, changedAt, demo: true });
    expect([(await look({}, away)).demo, (await look({}, away)).people.length]).toEqual([true, 2]);
    const answer = await post('/door/demo', { personId: shop.other }, {}, away);
    const screen = heldOf(answer);
    expect(doorState.parse(answer.body).here?.personId).toBe(shop.other);
    // At the same screen another one sits down; it stays one screen.
    const over = await post('/door/demo', { personId: shop.person }, screen);
    expect(doorState.parse(over.body).here?.personId).toBe(shop.person);
    expect(await shop.db.models.Device.count()).toBe(1);
    const told = { password: PASSWORD, own: '' };
    const chosen = await supertest(own).put(`/api/people/${shop.person}/password`).set(heldOf(over)).send(told);
    expect(chosen.status).toBe(200);
    expect((await post('/door/demo', { personId: shop.person }, {}, away)).status).toBe(403);
    expect((await post('/door/first', OWNER)).status).toBe(403);
  });

  it('who changed what is written down, read by owners, and taken back by nobody', async () => {
    const screen = await firstOwner();
    const { shop: book } = { shop: (await supertest(own).get('/api/shop').set(screen)).body as { version: number } };
    const rates = { ...FIRST_BOOK.rates, leastCharge: 19 };
    const put = supertest(own).put('/api/shop').set(screen);
    expect((await put.send({ version: book.version, book: { ...FIRST_BOOK, rates } })).status).toBe(200);
    const { body } = await supertest(own).get('/api/changes').set(screen);
    const { changes } = body as { changes: { kind: string; by: string; before: object; after: object }[] };
    expect(changes.map((c) => c.kind)).toEqual(['book-changed', 'device-trusted', 'person-added']);
    expect(changes[0]).toEqual(
      jasmine.objectContaining({ by: OWNER.name, before: { rates: FIRST_BOOK.rates }, after: { rates } }),
    );
    for (const sql of [`UPDATE change_log SET about = ''`, 'DELETE FROM change_log', 'TRUNCATE change_log'])
      await expectAsync(shop.db.sequelize.query(sql)).toBeRejectedWithError(/only added to/);
  });
});
