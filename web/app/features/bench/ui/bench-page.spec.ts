import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { walkOf } from '@odontis/core/work/step';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { emptyDrawer } from '../../../testing/empty-drawer';
import { testDossier } from '../../../testing/test-dossier';
import { withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { BenchPage } from './bench-page';

describe('the bench page', () => {
  let bench: Bench;
  let fixture: ComponentFixture<BenchPage>;
  const dossier = testDossier('bench');
  const stops = walkOf(dossier.plan?.order.steps ?? []);
  const text = (selector: string): string =>
    (fixture.nativeElement as HTMLElement).querySelector(selector)?.textContent?.trim() ?? '';
  const key = async (name: string, more: KeyboardEventInit = {}): Promise<void> => {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...more }));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    await emptyDrawer();
    bench = withStore(dossier, undefined, [SawSheet]);
    fixture = TestBed.createComponent(BenchPage);
    await fixture.whenStable();
  });
  afterEach(() => {
    fixture.destroy();
    bench.http.match(() => true);
  });

  it('begins at the first stop and goes on and back by one key each', async () => {
    expect(text('.where')).toBe('Clean');
    await key(' ');
    expect(text('.where')).toBe('Take the set out');
    await key('PageDown');
    expect(text('.where')).toMatch(/^Joint 4\.7 thou/);
    await key('Backspace');
    expect(text('.where')).toBe('Take the set out');
    expect(text('aside')).toContain(`stop 2 of ${stops.length}`);
  });

  it('walks the gullets with strokes and weight, and draws the place', async () => {
    for (let i = 0; i < 3; i++) await key('Enter');
    const stop = stops[3];
    expect(text('.where')).toBe(stop?.at === 0 ? 'Before tooth 1' : `Gullet ${stop?.at}`);
    expect(text('.strokes')).toContain(String(stop?.strokes));
    const drawing = TestBed.inject(SawSheet).drawing();
    expect(drawing?.current).toEqual({ at: stop?.at ?? -1, unit: 'gullet' });
    expect(drawing?.work?.todo.size).toBeGreaterThan(5);
  });

  it('boxes of the card are entered in one go', async () => {
    const page = fixture.nativeElement as HTMLElement;
    const button = (says: string): HTMLButtonElement =>
      [...page.querySelectorAll('button')].find((one) => one.textContent.includes(says)) as HTMLButtonElement;
    button('Enter the card').click();
    await fixture.whenStable();
    const boxes = [...page.querySelectorAll<HTMLInputElement>('od-card-boxes input')];
    expect(boxes.length).toBe(dossier.plan?.order.steps.length ?? 0);
    boxes[0]?.click();
    boxes[1]?.click();
    await fixture.whenStable();
    button('These 2 steps are done').click();
    await fixture.whenStable();
    expect(text('.where')).toMatch(/^Joint/);
    expect(page.querySelectorAll('od-card-boxes input').length).toBe(0);
  });

  it('draws the file in its gullet and says a moment before the other side', async () => {
    for (let i = 0; i < 3; i++) await key('Enter');
    const page = fixture.nativeElement as HTMLElement;
    expect(page.querySelector('od-gullet-picture svg')?.getAttribute('aria-label')).toContain('The file in gullet');
    expect(page.querySelectorAll('od-gullet-picture path').length).toBeGreaterThan(2);
    expect(page.querySelector('od-file-level svg')?.getAttribute('aria-label')).toContain('level');
    const set = stops.find((stop) => dossier.plan?.order.steps[stop.step]?.side === 'right');
    for (let i = 3; i < (set?.index ?? 0); i++) await key('PageDown');
    expect(text('.moment')).toBe('Turn the saw round: the other side now');
  });

  it('a fast foot on the pedal loses nothing while answers come in between', async () => {
    for (let i = 0; i < 30; i++) {
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true, cancelable: true }));
      await new Promise((resolve) => setTimeout(resolve, 4));
      for (const call of bench.http.match('/api/tickets/9/bench')) {
        const done = (call.request.body.events as { stop: number }[]).map((event) => event.stop);
        const kept = Array.from({ length: Math.max(...done) + 1 }, (_, stop) => stop);
        call.flush({ planId: 11, done: kept, stage: 'bench' });
      }
    }
    await fixture.whenStable();
    expect(text('aside')).toContain(`stop 31 of ${stops.length}`);
  });

  it('a key held down counts once, and a key in a field not at all', async () => {
    await key(' ', { repeat: true });
    expect(text('.where')).toBe('Clean');
    const field = document.createElement('input');
    document.body.appendChild(field);
    field.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', bubbles: true }));
    await fixture.whenStable();
    field.remove();
    expect(text('.where')).toBe('Clean');
  });

  it('shows the caution beside its step', async () => {
    expect(text('.caution')).toContain('catch fire by themselves');
    await key(' ');
    await key(' ');
    expect(text('.caution')).toContain('guarded thumb');
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('Local rules');
  });
});
