import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { walkOf } from '@odontis/core/work/step';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { ShopPage } from '../../../shared/state/shop.feature';
import { emptyDrawer } from '../../../testing/empty-drawer';
import { testDossier, testPeople } from '../../../testing/test-dossier';
import { testStoreRoom } from '../../../testing/test-store-room';
import type { Bench } from '../../../testing/with-store';
import { withStore } from '../../../testing/with-store';
import { BenchPage } from './bench-page';

describe('the file in hand at the vise', () => {
  let bench: Bench;
  let fixture: ComponentFixture<BenchPage>;
  const dossier = testDossier('bench');
  const steps = dossier.plan?.order.steps ?? [];
  const walk = walkOf(steps);
  const shaping = walk.findIndex((stop) => steps[stop.step]?.kind === 'shape');
  const file = steps[walk[shaping]?.step ?? 0]?.tool as string;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const said = (selector: string): string => host().querySelector(selector)?.textContent?.replace(/\s+/g, ' ') ?? '';
  const next = async (times: number): Promise<void> => {
    for (let i = 0; i < times; i++)
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true, cancelable: true }));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    await emptyDrawer();
    bench = withStore(dossier, undefined, [SawSheet]);
    fixture = TestBed.createComponent(BenchPage);
    await fixture.whenStable();
    bench.http.expectOne('/api/store').flush(testStoreRoom(file));
    await fixture.whenStable();
  });
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('tells its corner and what that has made, stop by stop, and turns it with one press', async () => {
    await next(shaping);
    expect(said('od-corner-sign')).toContain(`Corner 2 of 3 of your ${file}: 450 of some 900 strokes.`);
    await next(2);
    const made = 450 + (walk[shaping]?.strokes ?? 0) + (walk[shaping + 1]?.strokes ?? 0);
    expect(said('od-corner-sign')).toContain(`${made} of some 900 strokes.`);
    host().querySelector<HTMLButtonElement>('od-corner-sign button')?.click();
    const call = bench.http.expectOne('/api/store/tools/5/deeds');
    expect(call.request.body.deed).toEqual({ what: 'turned' });
    const room = testStoreRoom(file);
    const tools = room.tools.map((one) =>
      one.id === 5
        ? { ...one, stock: { ...one.stock, inHand: [{ personId: 1, corner: 3, sinceMs: 0, strokes: 0 }] } }
        : one,
    );
    call.flush({ ...room, tools });
    await fixture.whenStable();
    expect(said('od-corner-sign')).toContain('Corner 3 of 3');
    expect(said('od-corner-sign')).toContain('0 of some 900 strokes. A new file from the Store');
  });

  it('a reading taken in passing is used at once for what is left of this saw', async () => {
    await next(shaping);
    const planned = walk[shaping]?.strokes ?? 0;
    expect(said('.strokes')).toContain(`${planned} stroke`);
    // A hand that takes half as much asks for more strokes, from here on.
    const reading = { what: 'strokes' as const, tool: file };
    const calibrations = [4, 8, 12].map((amount) => ({ ...reading, amount, didMm: 0.012 * amount }));
    const people = testPeople.map((one) => ({ ...one, calibrations: one.id === 1 ? calibrations : [] }));
    bench.store.dispatch(ShopPage.peopleChanged({ people: people as never }));
    await fixture.whenStable();
    const now = Number(/(\d+) stroke/.exec(said('.strokes'))?.[1]);
    expect(now).toBeGreaterThan(planned);
    expect(said('main')).toContain(`By what a stroke takes in your hand now; the plan reckoned ${planned}.`);
  });
});
