import { testDoor, testPeople, testShop } from '../../testing/test-dossier';
import { refusalBody, withStore } from '../../testing/with-store';
import { DoorCalls } from './door.feature';
import { shopFeature, ShopPage } from './shop.feature';

describe('the shop in the store', () => {
  it('knows the person of the door, and nobody where nobody is in', () => {
    const { store } = withStore();
    const person = store.selectSignal(shopFeature.selectPerson);
    expect(person()?.name).toBe('First Hand');
    store.dispatch(DoorCalls.stands({ door: testDoor({ state: 'locked', here: null }) }));
    expect(person()).toBeNull();
  });

  it('keeps the book with the version it was changed on', () => {
    const { store, http } = withStore();
    const book = { ...testShop().book, lengthUnit: 'mm' as const };
    store.dispatch(ShopPage.bookChanged({ book, version: 3 }));
    const call = http.expectOne('/api/shop');
    expect(call.request.body).toEqual({ book, version: 3 });
    call.flush({ ...testShop({ lengthUnit: 'mm' }), version: 4 });
    expect(store.selectSignal(shopFeature.selectBook)()?.lengthUnit).toBe('mm');
    expect(store.selectSignal(shopFeature.selectKeeping)()).toBeFalse();
  });

  it('a refused change leaves the book as it was until theirs is taken', () => {
    const { store, http } = withStore();
    store.dispatch(ShopPage.bookChanged({ book: { ...testShop().book, name: 'Mine' }, version: 3 }));
    const theirs = testShop({ name: 'Theirs' });
    http
      .expectOne('/api/shop')
      .flush(refusalBody('edited-elsewhere', 'Changed.', { current: theirs }), { status: 409, statusText: 'Conflict' });
    expect(store.selectSignal(shopFeature.selectBook)()?.name).toBe('Test shop');
    expect(store.selectSignal(shopFeature.selectRefusal)()?.current).toEqual(theirs);
    store.dispatch(ShopPage.theirsTaken({ shop: theirs }));
    expect(store.selectSignal(shopFeature.selectBook)()?.name).toBe('Theirs');
    expect(store.selectSignal(shopFeature.selectRefusal)()).toBeNull();
  });

  it('loads shop and people together, or says that nothing answers', () => {
    const { store, http } = withStore();
    store.dispatch(ShopPage.opened());
    http.expectOne('/api/shop').flush(testShop({ name: 'Again' }));
    http.expectOne('/api/people').flush(testPeople);
    expect(store.selectSignal(shopFeature.selectBook)()?.name).toBe('Again');
    store.dispatch(ShopPage.opened());
    http.expectOne('/api/people');
    http.expectOne('/api/shop').error(new ProgressEvent('error'));
    expect(store.selectSignal(shopFeature.selectRefusal)()?.code).toBe('away');
  });
});
