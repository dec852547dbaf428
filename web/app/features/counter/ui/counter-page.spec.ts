import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { testDossier } from '../../../testing/test-dossier';
import { refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { CounterPage } from './counter-page';

describe('the counter', () => {
  let bench: Bench;
  let fixture: ComponentFixture<CounterPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((b) =>
      b.textContent?.replace(/\s+/g, ' ').trim().includes(name),
    ) as HTMLButtonElement;
  /** A search on its way keeps the page from ever being stable: answered with nobody, then one turn of the screen. */
  const settle = async (): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, 180));
    bench.http.match((call) => call.url === '/api/customers').forEach((call) => call.flush([]));
    await fixture.whenStable();
  };
  const click = async (name: string): Promise<void> => {
    button(name).click();
    await settle();
  };
  const type = async (label: string, text: string): Promise<void> => {
    const field = [...host().querySelectorAll('mat-form-field')].find((f) => f.textContent?.includes(label));
    const input = field?.querySelector('input, textarea') as HTMLInputElement;
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await settle();
  };
  const verdict = (): string => host().querySelector('aside h2')?.textContent?.trim() ?? '';

  beforeEach(async () => {
    sessionStorage.clear();
    bench = withStore();
    fixture = TestBed.createComponent(CounterPage);
    await fixture.whenStable();
  });
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
    sessionStorage.clear();
  });

  it('says nothing before it knows the saw and whether a file cuts it', async () => {
    expect(verdict()).toBe('Verdict');
    await click('Tenon saw');
    expect(verdict()).toBe('Verdict');
    await click('Soft: a file bites');
    expect(verdict()).toBe('Take it');
  });

  it('the verdict moves with the answers, each with its reason', async () => {
    await click('Tenon saw');
    await click('Not sure yet');
    expect(verdict()).toBe('Take it, if');
    await click('Hardened');
    expect(verdict()).toBe('Decline');
    expect(host().querySelector('aside')?.textContent).toContain('no file cuts them');
    await click('Soft: a file bites');
    await click('Kink');
    expect(verdict()).toBe('Take it, if');
    expect(host().textContent).toContain('The owner agrees');
  });

  it('quotes a range from the shop’s rates, more for rust', async () => {
    await click('Tenon saw');
    await click('Soft: a file bites');
    const price = (): number => parseFloat(host().querySelector('.price')?.textContent?.replace(/^\D+/, '') ?? '');
    const clean = price();
    expect(clean).toBeGreaterThanOrEqual(14);
    await click('Rust');
    expect(price()).toBeGreaterThan(clean + 40);
  });

  it('names what is missing beside its question and sends nothing', async () => {
    await click('Take it in');
    bench.http.expectNone('/api/tickets');
    expect(host().querySelector('od-notice')?.textContent).toMatch(/things are missing/);
    expect(host().textContent).toContain('The customer’s name is missing.');
    expect(host().textContent).toContain('Say whether the teeth are hardened.');
  });

  it('hangs a tag, and begins anew for the next customer', async () => {
    await type('Customer, by name', 'Wren Ashby');
    await click('Dovetail saw');
    await click('Soft: a file bites');
    await click('Take it in');
    const call = bench.http.expectOne('/api/tickets');
    expect(call.request.body.customer).toEqual({ name: 'Wren Ashby', phone: '', email: '' });
    expect(call.request.body.saw.perInch).toBe(17);
    call.flush(testDossier('measure'));
    await settle();
    expect(host().querySelector('h1')?.textContent).toContain('Ticket no. 1009');
    await click('Next customer');
    expect((host().querySelector('input') as HTMLInputElement).value).toBe('');
  });

  it('a refusal leaves everything typed where it was', async () => {
    await type('Customer, by name', 'Wren Ashby');
    await click('Dovetail saw');
    await click('Soft: a file bites');
    await click('Take it in');
    bench.http
      .expectOne('/api/tickets')
      .flush(refusalBody('saw-in-shop', 'This saw is in the shop already.'), { status: 409, statusText: 'Conflict' });
    await settle();
    expect(host().querySelector('od-notice')?.textContent).toContain('in the shop already');
    expect((host().querySelector('input') as HTMLInputElement).value).toBe('Wren Ashby');
  });

  it('keeps what is typed over a reload', async () => {
    await type('Customer, by name', 'Half a na');
    await click('Panel saw');
    fixture.destroy();
    fixture = TestBed.createComponent(CounterPage);
    await settle();
    expect((host().querySelector('input') as HTMLInputElement).value).toBe('Half a na');
    expect(button('Panel saw').classList).toContain('chosen');
  });
});
