import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { testDoor } from '../../../testing/test-dossier';
import { testStoreRoom } from '../../../testing/test-store-room';
import type { Bench } from '../../../testing/with-store';
import { comeIn, refusalBody, withStore } from '../../../testing/with-store';
import { StorePage } from './store-page';

describe('the Store', () => {
  let bench: Bench;
  let fixture: ComponentFixture<StorePage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const said = (): string => host().textContent?.replace(/\s+/g, ' ') ?? '';
  const button = (says: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((one) => one.textContent.trim() === says) as HTMLButtonElement;
  const type = (label: string, text: string, within: ParentNode = host()): void => {
    const field = [...within.querySelectorAll('mat-form-field')].find((one) => one.textContent.includes(label));
    const input = field?.querySelector('input') as HTMLInputElement;
    input.value = text;
    input.dispatchEvent(new Event('input'));
  };
  const open = async (room = testStoreRoom(), role: 'owner' | 'counter' = 'owner'): Promise<void> => {
    bench = withStore();
    const { here } = testDoor();
    if (role !== 'owner') comeIn(bench, testDoor({ here: here && { ...here, role } }));
    fixture = TestBed.createComponent(StorePage);
    await fixture.whenStable();
    bench.http.expectOne('/api/store').flush(room);
    await fixture.whenStable();
  };
  afterEach(() => bench.http.match(() => true));

  it('says of a file what is left, kept, free and wanted, and whose corner is how worn', async () => {
    await open();
    const card = host().querySelector('od-file-card')?.textContent?.replace(/\s+/g, ' ') ?? '';
    // One new file, a fresh corner, half of another: four and a half; a saw at the bench keeps one.
    expect(card).toContain('4.5 corners left, 1 new file');
    expect(card).toContain('3.5 corners free');
    expect(card).toContain('1 corner wanted in the fortnight');
    expect(card).toContain('corner 2 of 3: 450 strokes 50 % of what it gives');
    expect(card).toContain('Kept for 1009 (1 corner).');
    expect(host().querySelector('od-corner-picture svg')?.getAttribute('aria-label')).toContain('Corner 2 of 3');
    expect(said()).toContain('Enough for the coming 14 days.');
    expect(said()).toContain('340 teeth set in the last three months');
  });

  it('what is short stands first: bought to be, and what nobody wrote down', async () => {
    const strokes = {
      ticketId: 9,
      ticketNumber: 1009,
      promisedOn: '2031-05-06',
      name: '6 in slim taper',
      strokes: 6000,
    };
    const unplanned = [
      { family: 'hand' as const, saws: 2, learnedFrom: 5, files: [{ name: '8 in slim taper', strokesEach: 900 }] },
      { family: 'pull' as const, saws: 1, learnedFrom: 0, files: [] },
    ];
    await open(testStoreRoom('6 in slim taper', { planned: [strokes], unplanned }));
    const buy = host().querySelector('.buy')?.textContent?.replace(/\s+/g, ' ') ?? '';
    expect(buy).toContain('6 in slim taper Buy one: 6.7 corners wanted, 4.5 corners left.');
    expect(buy).toContain('8 in slim taper Buy one: 2 corners wanted, not written down here.');
    expect(said()).toContain('2 saws that wait for a plan are in it');
    expect(said()).toContain('1 that wait are not in it');
    button('8 in slim taper').click();
    await fixture.whenStable();
    expect(host().querySelector<HTMLInputElement>('od-tool-form input')?.value).toBe('8 in slim taper');
  });

  it('a corner turned is told; a refusal is read, and nothing is lost', async () => {
    await open();
    button('To the next corner').click();
    const call = bench.http.expectOne('/api/store/tools/5/deeds');
    expect(call.request.body.deed).toEqual({ what: 'turned' });
    call.flush(refusalBody('bad-input', 'Every corner of this file was used.'), { status: 400, statusText: 'Bad' });
    await fixture.whenStable();
    expect(said()).toContain('Every corner of this file was used.');
    button('Read').click();
    await fixture.whenStable();
    expect(host().querySelector('od-notice')).toBeNull();
    expect(said()).toContain('4.5 corners left');
  });

  it('something new goes in with its pieces; what cannot be is said first', async () => {
    await open();
    const form = host().querySelector('od-tool-form form') as HTMLFormElement;
    const submit = async (): Promise<void> => {
      form.dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
    };
    await submit();
    expect(form.textContent).toContain('The tool’s name is missing.');
    type('Its name', '8 in slim taper', form);
    type('Pieces', '4', form);
    await submit();
    const call = bench.http.expectOne('/api/store/tools');
    expect(call.request.body.tool).toEqual(
      jasmine.objectContaining({ kind: 'file', name: '8 in slim taper', corners: 3, cornerStrokes: 900 }),
    );
    const [slim] = testStoreRoom('8 in slim taper').tools;
    call.flush(testStoreRoom('6 in slim taper', { tools: slim ? [{ ...slim, id: 7 }] : [] }));
    const pieces = bench.http.expectOne('/api/store/tools/7/deeds');
    expect(pieces.request.body.deed).toEqual({ what: 'counted', pieces: 4 });
  });

  it('a file is told anew; who is at the counter looks and changes nothing', async () => {
    await open();
    [...host().querySelectorAll('od-file-card button')]
      .find((one) => one.textContent?.includes('Tell it anew'))
      ?.dispatchEvent(new Event('click'));
    await fixture.whenStable();
    const form = host().querySelector('od-tool-form form') as HTMLFormElement;
    type('Strokes a corner', '700', form);
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    const call = bench.http.expectOne('/api/store/tools/5');
    expect([call.request.method, call.request.body.cornerStrokes]).toEqual(['PUT', 700]);
    call.flush(testStoreRoom());
    fixture.destroy();
    TestBed.resetTestingModule();
    await open(testStoreRoom(), 'counter');
    expect(host().querySelectorAll('od-file-card button, od-tool-form').length).toBe(0);
    expect(said()).toContain('4.5 corners left');
  });
});
