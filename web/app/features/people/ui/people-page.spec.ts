import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { testDoor, testPeople } from '../../../testing/test-dossier';
import { comeIn, refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { sidesOf } from '../data/sides-of';
import { PeoplePage } from './people-page';

describe('the people of the shop', () => {
  let bench: Bench;
  let fixture: ComponentFixture<PeoplePage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  // What is asked of the server here is answered by hand, or not at all.
  const turn = (): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, 25));
  const form = (name: string): HTMLFormElement => host().querySelector(`form[aria-label="${name}"]`) as HTMLFormElement;
  const type = (at: HTMLFormElement, ...texts: string[]): void =>
    at.querySelectorAll('input').forEach((field, i) => {
      field.value = texts[i] ?? '';
      field.dispatchEvent(new Event('input'));
    });
  const submit = async (at: HTMLFormElement): Promise<void> => {
    at.dispatchEvent(new Event('submit', { cancelable: true }));
    await turn();
  };
  const open = async (role: 'owner' | 'filer' = 'owner'): Promise<void> => {
    bench = withStore();
    const here = testDoor().here;
    if (role !== 'owner') comeIn(bench, testDoor({ here: here && { ...here, role } }));
    fixture = TestBed.createComponent(PeoplePage);
    await turn();
  };

  it('adds counted strokes to the right person', async () => {
    await open();
    const form = host().querySelectorAll('od-calibrate-form form')[1] as HTMLFormElement;
    const [file, strokes, drop] = [...form.querySelectorAll('input')];
    for (const [field, text] of [
      [file, ' 6 in slim taper '],
      [strokes, '8'],
      [drop, '6'],
    ] as const) {
      if (!field) throw new Error('A field is missing.');
      field.value = text;
      field.dispatchEvent(new Event('input'));
    }
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    const call = bench.http.expectOne('/api/people/2/calibrations');
    expect(call.request.body.reading).toEqual({
      what: 'strokes',
      tool: '6 in slim taper',
      amount: 8,
      didMm: jasmine.any(Number),
    });
    expect(call.request.body.reading.didMm).toBeCloseTo(0.1524, 9);
    call.flush(testPeople);
  });

  it('an owner adds somebody, gives them a part, and takes them out', async () => {
    await open();
    const add = host().querySelector('form.new') as HTMLFormElement;
    type(add, 'Third Hand', 'TH');
    await submit(add);
    expect(bench.http.expectOne('/api/people').request.body).toEqual({
      key: jasmine.any(String),
      name: 'Third Hand',
      initials: 'TH',
      role: 'filer',
    });
    const left = [...host().querySelectorAll('button')].find((b) => b.textContent?.includes('Has left'));
    left?.click();
    const call = bench.http.expectOne('/api/people/2');
    expect(call.request.body).toEqual({ name: 'Second Hand', initials: 'SH', role: 'filer', here: false });
    call.flush(testPeople.map((p) => (p.id === 2 ? { ...p, here: false } : p)));
    await turn();
    expect(host().querySelectorAll('od-person-card').length).toBe(1);
    expect(host().querySelector('.gone')?.textContent).toContain('Second Hand');
  });

  it('a code is chosen with one’s own password, and a bad one told before it is sent', async () => {
    await open('filer');
    type(form('Code'), 'a rusty kettle sings', '1234');
    await submit(form('Code'));
    bench.http.expectNone('/api/people/1/code');
    expect(form('Code').textContent).toContain('among the first that others try');
    type(form('Code'), 'a rusty kettle sings', '2749');
    await submit(form('Code'));
    const call = bench.http.expectOne('/api/people/1/code');
    expect(call.request.body).toEqual({ code: '2749', own: 'a rusty kettle sings' });
    call.flush(refusalBody('not-let-in', 'Your own password is not right.'), { status: 403, statusText: 'x' });
    await turn();
    expect(form('Code').textContent).toContain('not right');
    expect(host().querySelector('form.new')).toBeNull();
    expect(host().querySelector('od-changes-panel')).toBeNull();
  });

  it('a line of the log tells what was and what is, and no more than can be read', () => {
    expect(sidesOf({ before: { rates: { leastCharge: 14 } }, after: { rates: { leastCharge: 19 } } })).toEqual([
      'rates, leastCharge: 14 → 19',
    ]);
    expect(sidesOf({ before: null, after: 'Tablet' })).toEqual(['Tablet']);
    expect(sidesOf({ before: { code: 'x' }, after: null })).toEqual(['code: x → none']);
    const many = Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`k${i}`, i]));
    expect(sidesOf({ before: null, after: many }).at(-1)).toBe('and 28 more');
  });
});
