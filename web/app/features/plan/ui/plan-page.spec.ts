import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { sent } from '../../../testing/sent';
import { testDossier, testSession, testShop } from '../../../testing/test-dossier';
import { refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { ShopPage } from '../../../shared/state/shop.feature';
import { PlanDesk } from '../state/plan-desk';
import { PlanPage } from './plan-page';

describe('the plan page', () => {
  let bench: Bench;
  let fixture: ComponentFixture<PlanPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const sheet = (): SawSheet => TestBed.inject(SawSheet);
  const row = (name: string): string =>
    [...host().querySelectorAll('tr')]
      .find((r) => r.querySelector('th')?.textContent === name)
      ?.querySelector('td')
      ?.textContent?.trim() ?? '';
  const pull = async (mm: number): Promise<void> => {
    sheet().handle()?.move(mm);
    await fixture.whenStable();
  };
  const open = async (stage: 'plan' | 'bench' = 'plan', more: Partial<Dossier> = {}): Promise<void> => {
    bench = withStore({ ...testDossier(stage), ...more }, undefined, [SawSheet]);
    fixture = TestBed.createComponent(PlanPage);
    await fixture.whenStable();
  };

  beforeEach(() => sessionStorage.clear());
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('begins at the advised depth and says what it gives', async () => {
    await open();
    const handle = sheet().handle();
    expect(handle?.depthMm).toBe(handle?.recommendedMm ?? -1);
    expect(host().querySelector('h2')?.textContent).toMatch(/Joint [\d.]+ thou/);
    expect(parseFloat(row('Teeth on the line'))).toBeGreaterThanOrEqual(95);
  });

  it('every way stands beside the others; one is pressed and is chosen, its reason sent with the plan', async () => {
    await open();
    const way = (name: string): HTMLButtonElement | undefined =>
      [...host().querySelectorAll<HTMLButtonElement>('od-ways button')].find((b) => b.textContent?.trim() === name);
    expect(host().querySelector('od-ways')?.textContent).toContain('The least work whose cut is good enough');
    way('As it stands')?.click();
    await fixture.whenStable();
    expect(sheet().handle()?.depthMm).toBe(0);
    expect(way('As it stands')?.getAttribute('aria-pressed')).toBe('true');
    expect(way('New teeth')?.getAttribute('aria-pressed')).toBe('false');
    const why = host().querySelector<HTMLInputElement>('od-ways input');
    if (why) why.value = 'Wanted tonight.';
    why?.dispatchEvent(new Event('change'));
    host().querySelector<HTMLButtonElement>('.accept')?.click();
    const call = bench.http.expectOne('/api/tickets/9/plan');
    expect(call.request.body).toEqual(jasmine.objectContaining({ depthMm: 0, why: 'Wanted tonight.' }));
  });

  it('where somebody else was faster it says so, loads the ticket as it stands, and the depth stays chosen', async () => {
    await open();
    await pull(0.2);
    host().querySelector<HTMLButtonElement>('.accept')?.click();
    bench.http
      .expectOne('/api/tickets/9/plan')
      .flush(refusalBody('edited-elsewhere', 'Bo changed it meanwhile.'), { status: 409, statusText: 'Conflict' });
    await fixture.whenStable();
    const said = host().querySelector('od-refused');
    expect(said?.textContent?.replace(/\s+/g, ' ')).toContain(
      'Bo changed it meanwhile. Load it as it stands; your depth stays chosen',
    );
    said?.querySelector('button')?.click();
    bench.http.expectOne('/api/tickets/9').flush(sent(testDossier('plan')));
    await fixture.whenStable();
    expect(host().querySelector('od-refused')).toBeNull();
    expect(sheet().handle()?.depthMm).toBe(0.2);
  });

  it('everything moves with the handle: teeth, life, lanes, the line on the saw', async () => {
    await open();
    await pull(0.05);
    const less = { teeth: row('Teeth on the line'), life: row('Life spent'), line: sheet().drawing()?.joint?.alphaMm };
    await pull(0.2);
    expect(row('Teeth on the line')).toBe('100 %');
    expect(less.teeth).not.toBe('100 %');
    expect(row('Life spent')).toContain('3 to 6 sharpenings');
    expect(less.life).toContain('about 1 sharpening;');
    expect((less.line ?? 0) - (sheet().drawing()?.joint?.alphaMm ?? 0)).toBeCloseTo(0.15, 9);
    expect(
      sheet()
        .drawing()
        ?.lanes.map((l) => l.id),
    ).toEqual(['over', 'spacing', 'strokes', 'set', 'load']);
  });

  it('the cut is foretold as it is and as chosen, moves with the handle, and changes with the wood and the board', async () => {
    await open();
    const cells = (name: string): string[] =>
      [...host().querySelectorAll('od-foretold-cut tr')]
        .filter((r) => r.querySelector('th')?.textContent?.trim().startsWith(name))
        .flatMap((r) => [...r.querySelectorAll(':scope > td')].map((cell) => cell.textContent?.trim() ?? ''));
    const load = (): readonly number[] => [
      ...(sheet()
        .drawing()
        ?.lanes.find((l) => l.id === 'load')?.values ?? []),
    ];
    await pull(0);
    const [hop, loads] = [cells('Hop'), load()];
    expect(hop.length).toBe(2);
    await pull(0.2);
    expect(cells('Hop')[0]).toBe(hop[0] as string);
    expect(parseFloat(cells('Hop')[1] as string)).toBeLessThan(parseFloat(hop[1] as string));
    expect(load()).not.toEqual(loads);
    const desk = fixture.debugElement.injector.get(PlanDesk);
    const soft = desk.cut()?.chosen.loads?.totalMm ?? NaN;
    desk.cutIn('dry-hard');
    await fixture.whenStable();
    expect(desk.cut()?.chosen.loads?.totalMm).toBeLessThan(soft);
    const board = host().querySelector<HTMLInputElement>('od-foretold-cut input');
    if (!board) throw new Error('no board');
    const type = async (text: string): Promise<void> => {
      board.value = text;
      board.dispatchEvent(new Event('change'));
      await fixture.whenStable();
    };
    await type('a plank');
    expect(host().textContent).toContain('"a plank" is no board');
    await type('60 mm');
    expect(desk.cut()?.asked.boardMm).toBe(60);
    localStorage.removeItem('odontis.cutBoardMm');
  });

  it('pulling the handle does not work the curve out again', async () => {
    await open();
    const desk = fixture.debugElement.injector.get(PlanDesk);
    const curve = desk.curve();
    await pull(0.1);
    expect(desk.curve()).toBe(curve);
  });

  it('sends the choice alone, never its own arithmetic', async () => {
    await open();
    await pull(0.1);
    (host().querySelector('.accept') as HTMLButtonElement).click();
    const call = bench.http.expectOne('/api/tickets/9/plan');
    expect(call.request.body).toEqual({
      version: 4,
      depthMm: 0.1,
      line: 'free',
      rakeDeg: 0,
      fleamDeg: 0,
      convert: false,
      sample: false,
      why: '',
      retoothMm: null,
      breastMm: null,
      rakerMm: null,
      ...{ set: null, setMm: null },
      rakerTip: null,
    });
  });

  it('offers the angles the saw was measured with, to half a degree, and plans by them', async () => {
    const read = (tooth: number, rakeDeg: number, turnDeg: number) => ({
      key: crypto.randomUUID(),
      quantity: 'angles' as const,
      part: null,
      place: tooth,
      value: { way: 'bevel' as const, rakeDeg, backDeg: null, turnDeg },
      gauge: 'bevel' as const,
      setAside: false,
      corrects: null,
      simulated: false,
      by: 'First Hand',
      at: '2031-05-01T09:00:00.000Z',
    });
    const angles = [read(1, -9, 19), read(2, -11, -21), read(3, -9.5, 20)];
    const session = testSession([], { key: crypto.randomUUID(), readings: angles });
    await open('plan', { sessions: [...testDossier('plan').sessions, session] });
    expect(host().textContent).toContain('20° off square, 70° to the plate');
    const match = [...host().querySelectorAll('button')].find((b) => b.textContent?.includes('Match what the saw has'));
    match?.click();
    await fixture.whenStable();
    expect(host().textContent).toContain('The plan matches it.');
    (host().querySelector('.accept') as HTMLButtonElement).click();
    const call = bench.http.expectOne('/api/tickets/9/plan');
    expect(call.request.body).toEqual(jasmine.objectContaining({ rakeDeg: -10, fleamDeg: 20 }));
  });

  it('remembers an unaccepted depth over a reload', async () => {
    await open();
    await pull(0.07);
    fixture.destroy();
    TestBed.resetTestingModule();
    await open();
    expect(sheet().handle()?.depthMm).toBe(0.07);
  });

  it('an accepted plan stays as it was frozen and has no handle', async () => {
    await open('bench');
    expect(sheet().handle()).toBeNull();
    expect(host().textContent).toContain('Accepted by First Hand');
    expect(host().querySelector('h2')?.textContent).toContain('Joint 4.7 thou');
    expect(host().querySelector('.accept')).toBeNull();
  });

  it('a change in the shop book shows at once', async () => {
    await open();
    expect(row('Set per side')).toContain('thou');
    bench.store.dispatch(ShopPage.theirsTaken({ shop: testShop({ lengthUnit: 'mm' }) }));
    await fixture.whenStable();
    expect(row('Set per side')).toContain('0.073 mm');
  });

  const button = (name: RegExp): HTMLButtonElement | undefined =>
    [...host().querySelectorAll('button')].find((b) => name.test(b.textContent ?? ''));

  it('a line measured in part is not accepted until somebody says what that means; as a sample it is planned whole', async () => {
    const dossier = testDossier('plan');
    await open('plan', { saw: { ...dossier.saw, toothLineMm: 398 } as Dossier['saw'] });
    expect(host().textContent).toMatch(/24 teeth are measured; the ticket says 200/);
    expect((host().querySelector('.accept') as HTMLButtonElement).disabled).toBeTrue();
    const time = row('Bench time');
    (host().querySelector('mat-checkbox input') as HTMLInputElement).click();
    await fixture.whenStable();
    expect(row('Bench time')).not.toBe(time);
    expect(row('Bench time')).toContain('±');
    (host().querySelector('.accept') as HTMLButtonElement).click();
    const call = bench.http.expectOne('/api/tickets/9/plan');
    expect((call.request.body as { sample: boolean }).sample).toBeTrue();
  });

  it('or the ticket is corrected to what was measured', async () => {
    const dossier = testDossier('plan');
    await open('plan', { saw: { ...dossier.saw, toothLineMm: 398 } as Dossier['saw'] });
    button(/^\s*Correct the ticket: 24 teeth/)?.click();
    const call = bench.http.expectOne((r) => r.method === 'PATCH' && r.url === '/api/tickets/9');
    expect((call.request.body as { line: { teeth: number } }).line.teeth).toBe(24);
  });

  it('the owner’s wish to convert is what is planned, with the tooth before and after; it can be left', async () => {
    const dossier = testDossier('plan');
    await open('plan', { ticket: { ...dossier.ticket, wantsFiling: 'crosscut' } });
    expect(host().querySelector('h2')?.textContent).toContain('Convert to crosscut');
    expect(host().querySelectorAll('od-tooth-views').length).toBe(2);
    expect(row('Gullets go deeper')).toMatch(/thou/);
    expect(host().querySelector('ol')?.textContent).toContain('Reshape to the new filing');
    button(/keep rip/)?.click();
    await fixture.whenStable();
    expect(host().querySelector('h2')?.textContent).not.toContain('Convert');
    (host().querySelector('.accept') as HTMLButtonElement).click();
    const call = bench.http.expectOne('/api/tickets/9/plan');
    expect((call.request.body as { convert: boolean }).convert).toBeFalse();
  });

  it('starter teeth found in the line are told, and written on the ticket with the rest', async () => {
    const teeth = Array.from({ length: 42 }, (_, i) => ({
      tooth: i + 1,
      xMm: (i < 30 ? i * 2 : 60 + (i - 30) * 1) + 0.02 * Math.sin(i * 1.7),
      yMm: 0,
      kind: 'tooth' as const,
    }));
    const dossier = testDossier('plan');
    const saw = { ...dossier.saw, toothLineMm: 82 } as Dossier['saw'];
    await open('plan', { saw, sessions: [testSession(teeth)] });
    expect(host().textContent).toMatch(/The last 12 teeth stand .* apart, the rest/);
    button(/Correct the ticket: 42 teeth/)?.click();
    const call = bench.http.expectOne((r) => r.method === 'PATCH' && r.url === '/api/tickets/9');
    const { line } = call.request.body as { line: { teeth: number; toeZones: { teeth: number }[] } };
    expect([line.teeth, line.toeZones.map((z) => z.teeth)]).toEqual([42, [12]]);
  });

  it('a line past saving is offered new teeth; chosen, they are the order, without a depth to pull', async () => {
    const teeth = Array.from({ length: 40 }, (_, i) => ({
      tooth: i + 1,
      xMm: i * 2 + 0.02 * Math.sin(i * 1.7),
      yMm: -0.05 * Math.abs(Math.sin(i)),
      kind: i % 4 === 1 && i < 38 ? ('missing' as const) : ('tooth' as const),
    }));
    const dossier = testDossier('plan');
    await open('plan', { saw: { ...dossier.saw, toothLineMm: 78 } as Dossier['saw'], sessions: [testSession(teeth)] });
    expect(host().textContent).toContain('not blended in any more');
    button(/^\s*[\d.]+ points\s*$/)?.click();
    await fixture.whenStable();
    expect(host().querySelector('h2')?.textContent).toMatch(/Cut \d+ new teeth/);
    expect(sheet().handle()).toBeNull();
    (host().querySelector('.accept') as HTMLButtonElement).click();
    const call = bench.http.expectOne('/api/tickets/9/plan');
    expect((call.request.body as { retoothMm: number }).retoothMm).toBeGreaterThan(0.5);
  });
});
