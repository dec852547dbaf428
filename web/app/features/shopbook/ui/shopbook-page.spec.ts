import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { ShopBook } from '@odontis/contract/shop';
import { testDoor, testShop } from '../../../testing/test-dossier';
import { comeIn, refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { flatten } from '../../../shared/conflict/flatten';
import { ShopbookPage } from './shopbook-page';

describe('the shop book', () => {
  let bench: Bench;
  let fixture: ComponentFixture<ShopbookPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const change = async (selector: string, text: string): Promise<void> => {
    const field = host().querySelector(selector) as HTMLInputElement;
    field.value = text;
    field.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  beforeEach(async () => {
    bench = withStore();
    fixture = TestBed.createComponent(ShopbookPage);
    await new Promise((resolve) => setTimeout(resolve, 25));
    bench.http.match('/api/learning').forEach((call) => call.flush({ lessons: [] }));
    await fixture.whenStable();
  });

  it('takes an angle said either way and keeps it as off square', async () => {
    await change('[aria-label="Crosscut, hand saws fleam"]', '70 to the plate');
    const book = bench.http.expectOne('/api/shop').request.body.book;
    expect(book.habits.angles.crosscutHand.fleamDeg).toBe(20);
  });

  it('a lean back typed as this shop says it is stored signed', async () => {
    await change('[aria-label="Crosscut, back saws rake"]', '12');
    expect(bench.http.expectOne('/api/shop').request.body.book.habits.angles.crosscutFine.rakeDeg).toBe(-12);
  });

  it('refuses in a sentence and sends nothing', async () => {
    await change('#sb-strokes', '2.5');
    await change('[aria-label="Rip rake"]', 'steep');
    bench.http.expectNone('/api/shop');
    expect(host().querySelector('od-notice')?.textContent).toContain('not an angle a file can leave');
  });

  it('a printer of measuring strips is kept with both rulers as measured, and not without', async () => {
    const form = host().querySelector('form.printer') as HTMLFormElement;
    const [name, along, across] = [...form.querySelectorAll('input')];
    const add = async (...values: string[]): Promise<void> => {
      [name, along, across].forEach((field, i) => {
        if (field) field.value = values[i] ?? '';
        field?.dispatchEvent(new Event('input'));
      });
      form.dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
    };
    await add('Laser', '', '149.9');
    bench.http.expectNone('/api/shop');
    expect(host().querySelector('od-notice.slip')?.textContent).toContain('ruler of 240 mm');
    await add('Laser', '200', '149.9');
    bench.http.expectNone('/api/shop');
    await add('Laser', '239.7', '149,9');
    const sent = bench.http.expectOne('/api/shop');
    const { book } = sent.request.body as { book: ShopBook };
    expect(book.stripPrinters).toEqual([{ name: 'Laser', alongMm: 239.7, acrossMm: 149.9 }]);
    sent.flush({ ...testShop(), book, version: 4 });
    await fixture.whenStable();
    expect(name?.value).toBe('');
  });

  it('a change made while another is on its way comes on top of it, and neither is lost', async () => {
    await change('#sb-copies', '5');
    await change('#sb-wage', '60');
    await change('#sb-lock', '40');
    const told = (): { version: number; book: ShopBook } => bench.http.expectOne('/api/shop').request.body;
    const kept = (sent: { version: number; book: ShopBook }): object => ({
      ...testShop(),
      ...sent,
      version: sent.version + 1,
    });
    const first = bench.http.expectOne('/api/shop');
    expect([first.request.body.book.copiesKept, first.request.body.book.rates.wagePerHour]).toEqual([5, 48]);
    first.flush(kept(first.request.body));
    const second = bench.http.expectOne('/api/shop');
    expect([second.request.body.version, second.request.body.book.rates.wagePerHour]).toEqual([4, 60]);
    second.flush(kept(second.request.body));
    const { version, book } = told();
    expect([version, book.copiesKept, book.rates.wagePerHour, book.lockAfterMinutes]).toEqual([5, 5, 60, 40]);
  });

  it('shows both books when somebody else was faster, and keeps mine on their version', async () => {
    await change('#sb-wage', '60');
    const theirs = { ...testShop({ name: 'Theirs' }), version: 8 };
    bench.http
      .expectOne('/api/shop')
      .flush(refusalBody('edited-elsewhere', 'Changed.', { current: theirs }), { status: 409, statusText: 'Conflict' });
    await fixture.whenStable();
    const rows = [...host().querySelectorAll('od-conflict tr')].map((r) =>
      [...r.children].map((cell) => cell.textContent?.trim()),
    );
    expect(rows).toContain(['rates, wagePerHour', '60', '48']);
    (host().querySelector('od-conflict button') as HTMLButtonElement).click();
    const again = bench.http.expectOne('/api/shop').request.body;
    expect([again.version, again.book.rates.wagePerHour]).toEqual([8, 60]);
  });

  it('is kept by owners: others read it', async () => {
    expect(host().querySelector('.pages')?.hasAttribute('inert')).toBeFalse();
    const here = testDoor().here;
    comeIn(bench, testDoor({ here: here && { ...here, role: 'filer' } }));
    await fixture.whenStable();
    expect(host().querySelector('.pages')?.hasAttribute('inert')).toBeTrue();
    expect(host().textContent).toContain('An owner keeps the shop book');
  });

  it('lays records side by side line by line', () => {
    expect([...flatten({ a: 1, b: { c: 'x', d: { e: true } } })]).toEqual([
      ['a', '1'],
      ['b, c', 'x'],
      ['b, d, e', 'true'],
    ]);
  });
});
