import type { TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { BenchState } from '@odontis/contract/bench';
import { SITTING_HEADER } from '@odontis/contract/door';
import { testDoor } from '../../../testing/test-dossier';
import { remember } from '../../../shared/api/remembered';
import { comeIn, refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { emptyDrawer } from '../../../testing/empty-drawer';
import { BenchQueue } from './bench-queue';
import { notedOf, noteDown } from './press-notes';

const URL = '/api/tickets/9/bench';
const soon = (ms = 60): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
/** Waits for what must come, however busy the machine is; fails after four seconds. */
const until = async (true_: () => boolean): Promise<void> => {
  for (let i = 0; i < 200 && !true_(); i++) await soon(20);
  expect(true_()).toBeTrue();
};
const press = (stop: number) => ({
  id: crypto.randomUUID(),
  stop,
  action: 'done' as const,
  at: '2031-05-04T09:00:00Z',
  how: 'gullet' as const,
});

describe('presses at the vise', () => {
  let bench: Bench;
  let queue: BenchQueue;
  let states: BenchState[];

  const open = async (planId = 11): Promise<void> => {
    queue = TestBed.runInInjectionContext(() => new BenchQueue());
    states = [];
    await queue.open(9, planId, (state) => states.push(state));
    await soon();
  };
  /** The next request for the bench, waited for. */
  const call = async (): Promise<TestRequest> => {
    let found: TestRequest[] = [];
    await until(() => {
      if (found.length === 0) found = bench.http.match(URL);
      return found.length > 0;
    });
    return found[0] as TestRequest;
  };
  const answer = (done: number[]): BenchState => ({ planId: 11, done, skipped: [], stage: 'bench', version: 4 });

  beforeEach(async () => {
    await emptyDrawer();
    remember('presses', null);
    bench = withStore();
    await open();
  });
  afterEach(() => queue.close());

  it('shows at once and are sent in order', async () => {
    void queue.press(11, press(0));
    void queue.press(11, press(1));
    expect(queue.unsent().map((e) => e.stop)).toEqual([0, 1]);
    const first = await call();
    expect(first.request.body.events[0].stop).toBe(0);
    const both = first.request.body.events.length === 2;
    first.flush(answer(both ? [0, 1] : [0]));
    if (!both) (await call()).flush(answer([0, 1]));
    await until(() => queue.unsent().length === 0);
    expect(states.at(-1)?.done.at(0)).toBe(0);
  });

  it('are kept while the server is away and sent again with the same ids', async () => {
    const event = press(3);
    void queue.press(11, event);
    (await call()).error(new ProgressEvent('error'));
    await until(() => queue.away());
    expect(queue.unsent().length).toBe(1);
    const again = await call();
    expect(again.request.body.events[0].id).toBe(event.id);
    again.flush(answer([3]));
    await until(() => !queue.away() && queue.unsent().length === 0);
  });

  it('are of who sat there when they were pressed, whoever sits there when they are sent', async () => {
    void queue.press(11, press(0));
    (await call()).error(new ProgressEvent('error'));
    await until(() => queue.away());
    const here = testDoor().here;
    const other = '00000000-0000-4000-8000-000000000002';
    comeIn(bench, testDoor({ here: here && { ...here, key: other, personId: 2 } }));
    void queue.press(11, press(1));
    await until(() => queue.unsent().length === 2);
    const sittings: (string | null)[] = [];
    for (const done of [[0], [0, 1]]) {
      const sent = await call();
      expect(sent.request.body.events.length).toBe(1);
      sittings.push(sent.request.headers.get(SITTING_HEADER));
      sent.flush(answer(done));
    }
    expect(sittings).toEqual([here?.key ?? '', other]);
    await until(() => queue.unsent().length === 0);
  });

  it('wait while the screen is locked, and go when somebody is in', async () => {
    void queue.press(11, press(0));
    (await call()).flush(refusalBody('locked', 'Locked.'), { status: 403, statusText: 'Forbidden' });
    await until(() => queue.away());
    expect([queue.refusal(), queue.unsent().length]).toEqual([null, 1]);
    (await call()).flush(answer([0]));
    await until(() => queue.unsent().length === 0);
  });

  it('survive a reload on the browser’s own disk', async () => {
    const event = press(4);
    void queue.press(11, event);
    (await call()).error(new ProgressEvent('error'));
    await until(() => queue.away());
    queue.close();
    await open();
    expect(queue.unsent().map((e) => e.id)).toEqual([event.id]);
    (await call()).flush(answer([4]));
    await until(() => queue.unsent().length === 0);
  });

  it('outlive a page that goes before they are on the disk', async () => {
    const event = press(4);
    queue.close();
    // Pressed and gone: nothing was waited for.
    queue = TestBed.runInInjectionContext(() => new BenchQueue());
    void queue.open(9, 11, () => undefined);
    void queue.press(11, event);
    expect(notedOf(9).map((one) => one.event.id)).toEqual([event.id]);
    queue.close();
    await emptyDrawer();
    const lost = { ticketId: 9, planId: 11, event, sitting: null };
    noteDown(lost);
    noteDown({ ...lost, ticketId: 10, event: press(7) });
    noteDown({ ...lost, planId: 10, event: press(8) });
    await open();
    expect(queue.unsent().map((e) => e.stop)).toEqual([4]);
    expect([notedOf(9), notedOf(10).length]).toEqual([[], 1]);
    (await call()).flush(answer([4]));
    await until(() => queue.unsent().length === 0);
  });

  it('of an older plan are deeds all the same: they go to the order they were of when a newer one is opened', async () => {
    void queue.press(11, press(5));
    (await call()).error(new ProgressEvent('error'));
    await until(() => queue.away());
    queue.close();
    await open(12);
    expect(queue.unsent()).toEqual([]);
    const late = await call();
    expect([late.request.body.planId, late.request.body.events.length]).toEqual([11, 1]);
    late.flush(answer([5]));
  });

  it('opened again on the same plan while a hand is pressing fast, none is lost and none sent twice', async () => {
    const pressed = Array.from({ length: 20 }, (_, i) => press(i));
    const sent: string[] = [];
    const answerAll = (): void =>
      bench.http.match(URL).forEach((call) => {
        sent.push(...(call.request.body.events as { id: string }[]).map((event) => event.id));
        call.flush(answer([]));
      });
    for (const event of pressed) {
      void queue.press(11, event);
      void queue.open(9, 11, (state) => states.push(state));
      await soon(2);
      answerAll();
    }
    await until(() => {
      answerAll();
      return queue.unsent().length === 0;
    });
    expect(sent).toEqual(pressed.map((event) => event.id));
  });

  it('stop with a sentence when the server refuses them for good', async () => {
    void queue.press(11, press(6));
    const refusal = refusalBody('edited-elsewhere', 'A newer plan was accepted.');
    (await call()).flush(refusal, { status: 409, statusText: 'Conflict' });
    await until(() => queue.refusal() !== null);
    expect(queue.refusal()?.detail).toBe('A newer plan was accepted.');
    expect(queue.away()).toBeFalse();
  });
});
