import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { BenchEarEvent } from '@odontis/core/hear/bench-ear';
import type { BenchEvent } from '@odontis/contract/bench';
import { walkOf } from '@odontis/core/work/step';
import { emptyDrawer } from '../../../testing/empty-drawer';
import { DoorCalls } from '../../../shared/state/door.feature';
import { testDoor, testDossier } from '../../../testing/test-dossier';
import type { Bench } from '../../../testing/with-store';
import { withStore } from '../../../testing/with-store';
import type { HearAnswer, HearOrder } from '../../../workers/hear-protocol';
import type { HearFault } from '../../../workers/hear-client';
import { HearClient } from '../../../workers/hear-client';
import { doneStops, placeOf } from '../data/bench-place';
import { BenchQueue } from '../data/bench-queue';
import type { Standing } from '../data/standing';
import { PlaceKeeper } from './place-keeper';

/** An ear that hears what the test says. */
class SaidEar {
  orders: HearOrder[] = [];
  fault: HearFault | null = null;
  closed = 0;
  say: (answer: HearAnswer) => void = () => undefined;
  lose: (fault: HearFault) => void = () => undefined;
  async open(heard: (answer: HearAnswer) => void, lost: (fault: HearFault) => void) {
    if (this.fault) return this.fault;
    [this.say, this.lose] = [heard, lost];
    return { tell: (order: HearOrder) => void this.orders.push(order), close: () => void this.closed++ };
  }
  hears(...events: BenchEarEvent[]): void {
    this.say({ is: 'heard', events });
  }
}

const EAR = {
  ...{ profile: [1], levelDb: { middle: -40, spread: 2 }, backDb: null, pushS: { middle: 0.4, spread: 0.1 } },
  ...{ restS: { middle: 0.4, spread: 0.1 }, moveS: { middle: 1.2, spread: 0.1 } },
};
const done: BenchEarEvent = { is: 'done', atS: 3, strokes: 2 };
const stroke: BenchEarEvent = { is: 'stroke', atS: 2, fromS: 1.5, toS: 1.9, count: 1, confidence: 0.99 };
const doubt = (restless = false): BenchEarEvent => ({ is: 'doubt', atS: 3, doubt: 'fewer', strokes: 1, restless });

describe('the place kept at the vise', () => {
  const dossier = testDossier('bench');
  const steps = dossier.plan?.order.steps ?? [];
  const walk = walkOf(steps);
  /** The first stop of the step that sharpens every gullet. */
  const from = walk.findIndex((stop) => steps[stop.step]?.kind === 'sharpen');
  const count = walk.filter((stop) => stop.step === walk[from]?.step).length;
  let bench: Bench;
  let ear: SaidEar;
  let pressed: BenchEvent[];
  let keeper: InstanceType<typeof PlaceKeeper>;
  const place = (): number => keeper.standing()?.place ?? -1;
  const hows = (): string[] => pressed.map(({ stop, action, how }) => `${action} ${stop - from} ${how}`);

  beforeEach(async () => {
    await emptyDrawer();
    ear = new SaidEar();
    bench = withStore(dossier, undefined, [BenchQueue, PlaceKeeper, { provide: HearClient, useValue: ear }]);
    pressed = [];
    keeper = TestBed.inject(PlaceKeeper);
    const before = Array.from({ length: from }, (_, i) => i);
    const standing = signal<Standing | null>(null);
    keeper.follow(standing.asReadonly());
    // As the page works it out: true the moment a press is made.
    const stand = (): void => {
      const kept = doneStops(before, pressed);
      standing.set({ planId: 11, steps, walk, place: placeOf(walk.length, kept), done: kept });
    };
    spyOn(TestBed.inject(BenchQueue), 'press').and.callFake(async (_plan, event) => {
      pressed.push(event);
      stand();
    });
    stand();
    TestBed.tick();
  });
  afterEach(() => bench.http.match(() => true));

  const choose = (change: Parameters<typeof keeper.choose>[0]): void => {
    void keeper.choose(change);
    for (const call of bench.http.match((request) => request.url.endsWith('/place')))
      call.error(new ProgressEvent('error'));
  };

  it('one by one: a press is one stop, and back takes it back', () => {
    keeper.done();
    keeper.done();
    keeper.back();
    expect(hows()).toEqual(['done 0 gullet', 'done 1 gullet', 'back 1 gullet']);
  });

  it('by windows: one press at one moment marks them all, never beyond the step', () => {
    choose({ way: 'window', window: 12 });
    expect(keeper.next().length).toBe(12);
    keeper.done();
    expect(hows().length).toBe(12);
    expect(new Set(pressed.map((event) => event.at)).size).toBe(1);
    expect(pressed.every((event) => event.how === 'window')).toBeTrue();
    choose({ window: 100 });
    keeper.done();
    expect(place()).toBe(from + count);
    expect(pressed.length).toBe(count);
  });

  it('off the card: every stop of the ticked steps that is not done, and no other', () => {
    keeper.done();
    const here = walk[from]?.step ?? 0;
    keeper.enterCard(new Set([here, here + 1]));
    expect(pressed.filter((event) => event.how === 'card').map((event) => event.stop)).toEqual(
      walk.filter((stop) => [here, here + 1].includes(stop.step) && stop.index > from).map((stop) => stop.index),
    );
  });

  it('by ear: learns from four, goes on by what is heard, asks, and waits where another step begins', async () => {
    choose({ way: 'ear' });
    await keeper.listen();
    expect([keeper.listening(), keeper.next().length]).toEqual(['learning', 4]);
    keeper.done();
    // A key pressed twice is one press.
    keeper.done();
    expect(ear.orders.find((order) => order.do === 'learn')).toEqual({
      do: 'learn',
      strokes: walk.slice(from, from + 4).map((stop) => stop.strokes),
    });
    expect(place()).toBe(from + 4);
    ear.say({ is: 'learned', learned: { ok: true, ear: EAR, strokes: [] } });
    expect(keeper.listening()).toBe('listening');
    // Shown as it falls off, counted when it has ended.
    ear.hears({ is: 'tick', atS: 1.9 });
    expect([keeper.falling(), keeper.ticks().length]).toEqual([true, 0]);
    ear.hears(stroke);
    expect([keeper.falling(), keeper.ticks()]).toEqual([false, [0.99]]);
    ear.hears(done);
    expect([place(), keeper.ticks()]).toEqual([from + 5, []]);
    // Two at once, the page having been busy, are two stops.
    ear.hears(done, done);
    expect(place()).toBe(from + 7);
    ear.hears(doubt());
    expect(keeper.listening()).toBe('question');
    ear.hears(done, stroke);
    expect(place()).toBe(from + 7);
    keeper.back();
    expect([keeper.listening(), place()]).toEqual(['listening', from + 7]);
    // It was right to ask.
    expect(ear.orders).toContain({ do: 'anew', rightly: true });
    ear.hears(doubt(), { is: 'knock', atS: 5 });
    expect([keeper.listening(), place()]).toEqual(['listening', from + 8]);
    expect(hows().slice(4)).toEqual(['done 4 ear', 'done 5 ear', 'done 6 ear', 'done 7 gullet']);
    while (place() < from + count) ear.hears(done);
    TestBed.tick();
    expect(keeper.listening()).toBe('between');
    ear.hears(done);
    expect(place()).toBe(from + count);
  });

  it('what cannot be learned is said and begun anew; too many questions turn the ear off; nothing is lost', async () => {
    choose({ way: 'ear' });
    await keeper.listen();
    keeper.done();
    ear.say({ is: 'learned', learned: { ok: false, code: 'as-loud', heard: 8 } });
    expect([keeper.listening(), keeper.unlearned(), place()]).toEqual(['learning', 'as-loud', from + 4]);
    keeper.done();
    ear.say({ is: 'learned', learned: { ok: true, ear: EAR, strokes: [] } });
    ear.hears({ is: 'mute', atS: 9 });
    expect(keeper.mute()).toBeTrue();
    ear.hears({ is: 'sound', atS: 10 }, doubt(true));
    expect([keeper.mute(), keeper.listening(), keeper.restless(), ear.closed]).toEqual([false, 'off', true, 1]);
    keeper.done();
    expect(hows().at(-1)).toBe('done 8 gullet');
  });

  it('no microphone, a refused one, one that goes away: a sentence, and the key goes on', async () => {
    choose({ way: 'ear' });
    for (const fault of ['none', 'refused', 'busy', 'not-here'] as const) {
      ear.fault = fault;
      await keeper.listen();
      expect([keeper.listening(), keeper.fault()]).toEqual(['off', fault]);
    }
    ear.fault = null;
    await keeper.listen();
    ear.lose('lost');
    expect([keeper.listening(), keeper.fault()]).toEqual(['off', 'lost']);
    keeper.done();
    expect(hows()).toEqual(['done 0 gullet']);
  });

  it('in a band’s window it hears gullet by gullet, marks the window when all are done, and waits while the band is moved', async () => {
    const stops = [
      { at: 1, to: 7, strokes: 2, heavier: 'even' as const },
      { at: 8, to: 12, strokes: 2, heavier: 'even' as const },
    ];
    const band = [{ ...(steps[walk[from]?.step ?? 0] as (typeof steps)[number]), unit: 'window' as const, stops }];
    const windows = walkOf(band);
    const standing = signal<Standing | null>(null);
    keeper.follow(standing.asReadonly());
    const stand = (): void => {
      const kept = doneStops([], pressed);
      standing.set({ planId: 11, steps: band, walk: windows, place: placeOf(2, kept), done: kept });
      TestBed.tick();
    };
    (TestBed.inject(BenchQueue).press as jasmine.Spy).and.callFake(async (_plan: number, event: BenchEvent) => {
      pressed.push(event);
      stand();
    });
    stand();
    choose({ way: 'ear' });
    await keeper.listen();
    expect([keeper.gullets(), keeper.taught(), keeper.canLearn()]).toEqual([7, 4, true]);
    keeper.done();
    expect(ear.orders.at(-1)).toEqual({ do: 'learn', strokes: [2, 2, 2, 2] });
    ear.say({ is: 'learned', learned: { ok: true, ear: EAR, strokes: [] } });
    ear.hears(done);
    // A doubt answered with the key is one gullet, the key for back one gullet less.
    ear.hears(doubt());
    keeper.done();
    expect([keeper.heardIn(), pressed.length, keeper.listening()]).toEqual([6, 0, 'listening']);
    keeper.back();
    expect([keeper.heardIn(), pressed.length]).toEqual([5, 0]);
    ear.hears(done, done);
    expect(pressed.map(({ stop, how }) => `${stop} ${how}`)).toEqual(['0 ear']);
    expect([keeper.listening(), keeper.heardIn(), keeper.gullets()]).toEqual(['between', 0, 5]);
    ear.hears(done);
    expect(keeper.heardIn()).toBe(0);
    keeper.done();
    ear.hears(done, done);
    expect([keeper.listening(), keeper.heardIn(), pressed.length]).toEqual(['listening', 2, 1]);
    // Pressed while it listens, the whole window is done.
    keeper.done();
    expect(pressed.map(({ stop, how }) => `${stop} ${how}`)).toEqual(['0 ear', '1 gullet']);
  });

  it('a screen that is locked hears nothing any more', async () => {
    choose({ way: 'ear' });
    await keeper.listen();
    const door = testDoor();
    bench.store.dispatch(DoorCalls.stands({ door: { ...door, state: 'locked', here: null } }));
    TestBed.tick();
    expect([keeper.listening(), ear.closed]).toEqual(['off', 1]);
  });

  it('out of sight nothing is counted, and afterwards it asks', async () => {
    choose({ way: 'ear' });
    await keeper.listen();
    keeper.done();
    ear.say({ is: 'learned', learned: { ok: true, ear: EAR, strokes: [] } });
    const hidden = spyOnProperty(document, 'hidden').and.returnValue(true);
    document.dispatchEvent(new Event('visibilitychange'));
    ear.hears(done);
    hidden.and.returnValue(false);
    document.dispatchEvent(new Event('visibilitychange'));
    expect([place(), keeper.doubt()?.kind, ear.orders.at(-1)]).toEqual([
      from + 4,
      'away',
      { do: 'want', strokes: null },
    ]);
    keeper.back();
    ear.hears(done);
    expect(place()).toBe(from + 5);
  });

  it('at a pace: goes by the filer’s own time, stops at once on a key, and where the device slept', () => {
    jasmine.clock().install();
    try {
      let now = 1000;
      spyOn(performance, 'now').and.callFake(() => now);
      const pass = (ms: number, by = 200): void => {
        for (let t = 0; t < ms; t += by) {
          now += by;
          jasmine.clock().tick(200);
        }
      };
      keeper.paceOf(1.5);
      choose({ way: 'pace' });
      const each = 1000 * keeper.stopS();
      expect(each).toBeGreaterThan(1000);
      keeper.done();
      pass(each + 400);
      expect(hows()).toEqual(['done 0 pace']);
      keeper.done();
      pass(3 * each);
      expect([place(), keeper.pacedS()]).toEqual([from + 1, null]);
      keeper.done();
      // Asleep for a minute: the clock went on, the file did not.
      pass(60_000, 60_000);
      expect([place(), keeper.pacedS()]).toEqual([from + 1, null]);
      keeper.back();
      expect(hows().at(-1)).toBe('back 0 gullet');
    } finally {
      jasmine.clock().uninstall();
    }
  });
});
