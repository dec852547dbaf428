import { TestBed } from '@angular/core/testing';
import { IdleLock } from './idle-lock';
import { remember } from './shared/api/remembered';
import { doorFeature } from './shared/state/door.feature';
import { testDoor } from './testing/test-dossier';
import { comeIn, withStore } from './testing/with-store';

const MINUTE = 60_000;

describe('a screen without a hand on it', () => {
  beforeEach(() => remember('touched', null));
  afterEach(() => remember('touched', null));
  const opened = (lockAfterMinutes: number | null, demo = false) => {
    const bench = withStore();
    comeIn(bench, testDoor({ lockAfterMinutes, demo }));
    const lock = TestBed.inject(IdleLock);
    TestBed.tick();
    return { lock, state: () => bench.store.selectSignal(doorFeature.selectDoor)()?.state, http: bench.http };
  };

  it('locks after the shop’s while, at once and before the server answers', () => {
    const { lock, state, http } = opened(30);
    const now = Date.now();
    lock.touched(now);
    lock.look(now + 29 * MINUTE);
    expect(state()).toBe('open');
    lock.look(now + 30 * MINUTE);
    expect(state()).toBe('locked');
    http.expectOne('/api/door/lock');
  });

  it('a hand on another window of it counts', () => {
    const { lock, state } = opened(1);
    const now = Date.now();
    remember('touched', String(now + 5 * MINUTE));
    lock.look(now + 5.5 * MINUTE);
    expect(state()).toBe('open');
  });

  it('a shop may never lock, and the demo does not', () => {
    for (const told of [
      { lockAfterMinutes: null, demo: false },
      { lockAfterMinutes: 1, demo: true },
    ]) {
      const { lock, state } = opened(told.lockAfterMinutes, told.demo);
      lock.look(Date.now() + 900 * MINUTE);
      expect(state()).toBe('open');
      TestBed.resetTestingModule();
    }
  });
});
