import { TestBed } from '@angular/core/testing';
import type { BenchState } from '@odontis/contract/bench';
import { refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { emptyDrawer } from '../../../testing/empty-drawer';
import { BenchQueue } from './bench-queue';

const URL = '/api/tickets/9/bench';
const soon = (ms = 60): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const press = (stop: number) => ({
  id: crypto.randomUUID(),
  stop,
  action: 'done' as const,
  at: '2031-05-04T09:00:00Z',
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
  const answer = (done: number[]): BenchState => ({ planId: 11, done, stage: 'bench' });

  beforeEach(async () => {
    await emptyDrawer();
    bench = withStore();
    await open();
  });
  afterEach(() => queue.close());

  it('shows at once and are sent in order', async () => {
    void queue.press(11, press(0));
    void queue.press(11, press(1));
    expect(queue.unsent().map((e) => e.stop)).toEqual([0, 1]);
    await soon();
    const first = bench.http.expectOne(URL);
    expect(first.request.body.events[0].stop).toBe(0);
    first.flush(answer([0]));
    await soon();
    const rest = bench.http.match(URL);
    rest.forEach((call) => call.flush(answer([0, 1])));
    await soon();
    expect(queue.unsent()).toEqual([]);
    expect(states.at(-1)?.done.at(0)).toBe(0);
  });

  it('are kept while the server is away and sent again with the same ids', async () => {
    const event = press(3);
    void queue.press(11, event);
    await soon();
    bench.http.expectOne(URL).error(new ProgressEvent('error'));
    await soon();
    expect(queue.away()).toBeTrue();
    expect(queue.unsent().length).toBe(1);
    await soon(2700);
    const again = bench.http.expectOne(URL);
    expect(again.request.body.events[0].id).toBe(event.id);
    again.flush(answer([3]));
    await soon();
    expect(queue.away()).toBeFalse();
    expect(queue.unsent()).toEqual([]);
  });

  it('survive a reload on the browser’s own disk', async () => {
    const event = press(4);
    void queue.press(11, event);
    await soon();
    bench.http.expectOne(URL).error(new ProgressEvent('error'));
    await soon();
    queue.close();
    await open();
    expect(queue.unsent().map((e) => e.id)).toEqual([event.id]);
    bench.http.expectOne(URL).flush(answer([4]));
    await soon();
    expect(queue.unsent()).toEqual([]);
  });

  it('of an older plan are let go when a newer one is opened', async () => {
    void queue.press(11, press(5));
    await soon();
    bench.http.expectOne(URL).error(new ProgressEvent('error'));
    await soon();
    queue.close();
    await open(12);
    expect(queue.unsent()).toEqual([]);
    bench.http.expectNone(URL);
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
    for (let i = 0; i < 6; i++) {
      await soon(30);
      answerAll();
    }
    expect(sent).toEqual(pressed.map((event) => event.id));
    expect(queue.unsent()).toEqual([]);
  });

  it('stop with a sentence when the server refuses them for good', async () => {
    void queue.press(11, press(6));
    await soon();
    const refusal = refusalBody('edited-elsewhere', 'A newer plan was accepted.');
    bench.http.expectOne(URL).flush(refusal, { status: 409, statusText: 'Conflict' });
    await soon();
    expect(queue.refusal()?.detail).toBe('A newer plan was accepted.');
    expect(queue.away()).toBeFalse();
  });
});
