import { DateTime } from 'luxon';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { testDossier } from '../../../testing/test-dossier';
import { refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { CounterPage } from './counter-page';

describe('the counter', () => {
  let bench: Bench;
  let load = {
    past: [],
    due: [] as { ticket: number; day: string; minutes: number }[],
    pace: { factor: 1, error: 0, saws: 5 },
  };
  let alike: object[] = [];
  let fixture: ComponentFixture<CounterPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((b) =>
      b.textContent?.replace(/\s+/g, ' ').trim().includes(name),
    ) as HTMLButtonElement;
  /** Searches on their way keep the page from ever being stable: they are answered as they come, for a few turns of the screen. */
  const settle = async (turns = 2): Promise<void> => {
    for (let turn = 0; turn < turns; turn++) {
      await new Promise((resolve) => setTimeout(resolve, 25));
      // A search overtaken by the next one is called off, and is not answered.
      const answer = (path: RegExp, body: object): void =>
        bench.http
          .match(({ url }) => path.test(url))
          .filter((call) => !call.cancelled)
          .forEach((call) => call.flush(body));
      answer(/^\/api\/customers$/, []);
      answer(/^\/api\/counter$/, load);
      answer(/^\/api\/saws\/alike$/, alike);
      answer(/\/customers\/\d+\/saws$/, alike);
    }
  };
  /** What the browser's own store has to give first comes when it comes. */
  const when = async (holds: () => boolean): Promise<void> => {
    for (let turn = 0; turn < 80 && !holds(); turn++) await settle(1);
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
  const verdict = (): string => host().querySelector('od-verdict-slip h2')?.textContent?.trim() ?? '';

  beforeEach(async () => {
    sessionStorage.clear();
    localStorage.clear();
    load = { past: [], due: [], pace: { factor: 1, error: 0, saws: 5 } };
    alike = [];
    bench = withStore();
    fixture = TestBed.createComponent(CounterPage);
    await settle();
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

  it('leaves the focus where somebody is typing', async () => {
    await click('Tenon saw');
    const labels = [...host().querySelectorAll('mat-form-field')].filter((f) =>
      f.textContent?.includes('Plate thickness'),
    );
    const thickness = labels[0]?.querySelector('input') as HTMLInputElement;
    thickness.focus();
    await type('Plate thickness', '0');
    expect(document.activeElement).toBe(thickness);
    await type('Plate thickness', '0.5');
    expect(document.activeElement).toBe(thickness);
  });

  it('the verdict moves with the answers, each with its reason', async () => {
    await click('Tenon saw');
    await click('Not sure yet');
    expect(verdict()).toBe('Take it, if');
    await click('Hardened');
    expect(verdict()).toBe('Decline');
    expect(host().querySelector('od-verdict-slip')?.textContent).toContain('no file cuts them');
    await click('Soft: a file bites');
    await click('Kink');
    expect(verdict()).toBe('Take it, if');
    expect(host().textContent).toContain('The owner agrees');
  });

  it('quotes a range from the shop’s rates, more for rust', async () => {
    await click('Tenon saw');
    await click('Soft: a file bites');
    const price = (): number =>
      parseFloat(
        host()
          .querySelector('.price')
          ?.textContent?.replace(/^.*to \D+/, '') ?? '',
      );
    const clean = price();
    expect(clean).toBeGreaterThanOrEqual(14);
    await click('Rust');
    // Ungraded it is taken as moderate, never as the worst: half an hour in place of the ten minutes of any tune.
    expect(price()).toBe(clean + 16);
    expect(host().querySelector('od-verdict-slip')?.textContent).toContain('Rust: ');
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
    await settle();
    const call = bench.http.expectOne('/api/tickets');
    expect(call.request.body.customer).toEqual({ name: 'Wren Ashby', phone: '', email: '' });
    expect(call.request.body.saw.pitchMm).toBeCloseTo(25.4 / 16, 9);
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

  it('asks each family its own questions only, and shows what it worked out', async () => {
    await click('Narrow band');
    expect(host().textContent).toContain('That makes 403 teeth.');
    expect(host().textContent).not.toContain('Depth at heel');
    expect(host().textContent).not.toContain('Loose handle');
    await click('Another kind of saw');
    await click('Dado set');
    expect(host().querySelectorAll('od-set-parts tbody tr').length).toBe(5);
    await click('Soft: a file bites');
    // No speed is marked on it: said at once.
    expect(verdict()).toBe('Take it, if');
  });

  it('a carbide blade is asked nothing about files, and is sent on', async () => {
    await type('Customer, by name', 'Wren Ashby');
    await click('Carbide blade');
    expect(host().textContent).not.toContain('Can a file cut it?');
    expect(verdict()).toBe('Take it, if');
    await click('Take it in and send it on');
    expect(bench.http.expectOne('/api/tickets').request.body.decision).toBe('send-on');
  });

  it('a blade found to be carbide after all is sent on without a word about files', async () => {
    await type('Customer, by name', 'Wren Ashby');
    await click('Rip blade');
    await click('carbide tips');
    await click('Take it in and send it on');
    expect(bench.http.expectOne('/api/tickets').request.body.decision).toBe('send-on');
    // And back again nothing is taken as answered that was not asked.
    await click('plain steel');
    expect(verdict()).toBe('Verdict');
  });

  it('says a slip at its own question as it is typed, and judges nothing meanwhile', async () => {
    await click('Rip blade');
    await click('Soft: a file bites');
    await type('Diameter', '100 mm');
    await type('Teeth, counted', '900');
    expect(host().querySelector('od-saw-questions')?.textContent).toMatch(/900 teeth round a blade of 100 mm/);
    expect(verdict()).toBe('Verdict');
  });

  it('wants the owner’s word for each thing that cannot be undone, and sends which', async () => {
    await type('Customer, by name', 'Wren Ashby');
    await click('Crosscut hand saw');
    await click('Soft: a file bites');
    await click('Kink');
    await click('converted to rip');
    const boxes = [...host().querySelectorAll<HTMLInputElement>('od-verdict-slip mat-checkbox input')];
    expect(boxes.length).toBe(2);
    for (const box of boxes) {
      box.click();
      await settle();
    }
    await click('Take it in');
    expect(bench.http.expectOne('/api/tickets').request.body.intake.consents.sort()).toEqual([
      'converting',
      'kink-plate',
    ]);
  });

  it('offers the earliest honest day against the bench’s load, and warns of one that is full', async () => {
    const day = (n: number): string => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10);
    load = { past: [], due: [{ ticket: 1, day: day(30), minutes: 30 * 300 }], pace: { factor: 1, error: 0, saws: 5 } };
    fixture.destroy();
    fixture = TestBed.createComponent(CounterPage);
    await settle();
    await click('Tenon saw');
    await click('Soft: a file bites');
    const field = host().querySelector('od-day-field input') as HTMLInputElement;
    const promised = DateTime.fromFormat(field.value, 'd LLL yyyy').toISODate() ?? '';
    expect(promised > day(29)).toBeTrue();
    field.value = day(3);
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    await settle();
    expect(host().textContent).toContain('That day is full');
    await click('take that');
    expect(host().textContent).not.toContain('That day is full');
  });

  it('compares keeping with replacing once somebody says what a new one costs', async () => {
    await click('Pull saw');
    await click('Soft: a file bites');
    expect(host().textContent).not.toContain('a year, replacing it');
    await type('A new one costs', '12');
    expect(host().textContent).toContain('a year, replacing it');
    expect(verdict()).toBe('Take it, if');
  });

  it('shows a saw that was here before, and takes it up with its owner', async () => {
    alike = [knownSaw()];
    await click('Dovetail saw');
    await settle(20);
    expect(host().textContent).toContain('Was it here before?');
    expect(host().textContent).toContain('We said: Mind the toe.');
    await click('Wren Ashby');
    expect((host().querySelector('input') as HTMLInputElement).value).toBe('Wren Ashby');
    await click('Soft: a file bites');
    await click('Take it in');
    const { customer, saw } = bench.http.expectOne('/api/tickets').request.body as { customer: object; saw: object };
    expect([customer, saw]).toEqual([{ id: 7 }, { id: 5 }]);
  });

  it('a reason leads to the question whose answer caused it', async () => {
    await click('Tenon saw');
    await click('Hardened');
    await click('Rust');
    await click('from whether a file cuts it');
    expect(document.activeElement?.textContent).toBe('Can a file cut it?');
    await click('from the plate');
    expect(document.activeElement?.id).toBe('asked-marks');
  });

  it('clears all of it only for as long as it is not wanted back', async () => {
    await type('Customer, by name', 'Half a na');
    await click('Panel saw');
    await click('Kink');
    await click('Clear all this');
    expect((host().querySelector('input') as HTMLInputElement).value).toBe('');
    await click('Take up what was left half done: Half a na');
    const name = (): string => (host().querySelector('input') as HTMLInputElement).value;
    await when(() => name() !== '');
    expect(name()).toBe('Half a na');
    expect(host().querySelectorAll('.mark').length).toBe(1);
    // Another saw of a kind that can have the mark keeps it.
    await click('Another kind of saw');
    await click('Rip hand saw');
    expect(host().querySelectorAll('.mark').length).toBe(1);
  });

  it('another saw of the same customer goes on the same visit', async () => {
    await type('Customer, by name', 'Wren Ashby');
    await click('Dovetail saw');
    await click('Soft: a file bites');
    await click('Take it in');
    bench.http.expectOne('/api/tickets').flush(testDossier('measure'));
    await settle();
    await click('Another saw of Wren Ashby');
    await click('Tenon saw');
    await click('Soft: a file bites');
    await click('Take it in');
    const body = bench.http.expectOne('/api/tickets').request.body as { arrival: number; customer: object };
    expect([body.arrival, body.customer]).toEqual([3, { id: 7 }]);
  });
});

const knownSaw = () => ({
  ...testDossier('measure').saw,
  id: 5,
  customerId: 7,
  customer: 'Wren Ashby',
  inShop: false,
  visits: 2,
  lastVisit: '2029-02-03T10:00:00.000Z',
  lastComplaint: 'wanders',
  lastNote: 'Mind the toe.',
  lastWork: 'tune',
  lastDepthMm: 0.2,
  lastRefusal: null,
  share: 0.9,
  agrees: ['owner', 'length'],
});
