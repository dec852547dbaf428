import { TestBed } from '@angular/core/testing';
import type { DoorState } from '@odontis/contract/door';
import { testDoor } from '../../testing/test-dossier';
import type { Bench } from '../../testing/with-store';
import { comeIn, outside, withStore } from '../../testing/with-store';
import { doorFeature, DoorPage } from './door.feature';

describe('the door in the store', () => {
  const open = testDoor();
  const locked: DoorState = { ...open, state: 'locked', here: null };
  const stateOf = ({ store }: Bench): string | undefined => store.selectSignal(doorFeature.selectDoor)()?.state;
  /** The page is loaded anew, and asks how the door stands. */
  const loadedAnew = (door: DoorState = open): Bench => {
    TestBed.resetTestingModule();
    const bench = outside();
    bench.store.dispatch(DoorPage.opened());
    bench.http.expectOne('/api/door').flush(door);
    return bench;
  };
  beforeEach(() => localStorage.clear());

  it('covers the page at once, and holds where the page went before the server had heard of it', () => {
    const before = withStore();
    before.store.dispatch(DoorPage.locked());
    expect(stateOf(before)).toBe('locked');
    before.http.expectOne('/api/door/lock');
    const after = loadedAnew();
    expect(stateOf(after)).toBe('locked');
    after.http.expectOne('/api/door/lock').flush(locked);
    expect(stateOf(after)).toBe('locked');
    // Let in again, nothing is left of it.
    after.http.match(() => true);
    comeIn(after, open);
    expect(stateOf(after)).toBe('open');
    after.http.expectNone('/api/door/lock');
  });

  it('is not locked again for who changed over meanwhile', () => {
    withStore().store.dispatch(DoorPage.locked());
    const other = '00000000-0000-4000-8000-000000000002';
    const after = loadedAnew({ ...open, here: open.here && { ...open.here, key: other } });
    expect(stateOf(after)).toBe('open');
    after.http.expectNone('/api/door/lock');
    expect(stateOf(loadedAnew())).toBe('open');
  });

  it('a lock that the shop’s computer could not be told of is not kept', () => {
    const bench = withStore();
    bench.store.dispatch(DoorPage.locked());
    bench.http.expectOne('/api/door/lock').error(new ProgressEvent('error'));
    expect(stateOf(bench)).toBe('open');
    const after = loadedAnew();
    expect(stateOf(after)).toBe('open');
    after.http.expectNone('/api/door/lock');
  });
});
