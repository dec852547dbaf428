import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { standsOn } from '@odontis/core/work/moments';
import { walkOf } from '@odontis/core/work/step';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { emptyDrawer } from '../../../testing/empty-drawer';
import { sent } from '../../../testing/sent';
import { testDossier } from '../../../testing/test-dossier';
import type { Bench } from '../../../testing/with-store';
import { withStore } from '../../../testing/with-store';
import { BenchPage } from './bench-page';

const row = (id: number, saw: string, stopsDone: number) => ({
  ...{ id, number: 1000 + id, stage: 'bench', promisedOn: '2031-05-04', customer: 'Wren Ashby', saw, family: 'back' },
  ...{ pitchMm: 2, openedOn: '2031-05-01', minutes: 30, planned: true, stopsDone, stops: 90, waitsFor: null },
  ...{ waitsNote: '', hands: [] },
});

describe('several saws, and several hands, at the vise', () => {
  let bench: Bench;
  let fixture: ComponentFixture<BenchPage>;
  const dossier = testDossier('bench');
  const steps = dossier.plan?.order.steps ?? [];
  const walk = walkOf(steps);
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const said = (selector: string): string => host().querySelector(selector)?.textContent?.replace(/\s+/g, ' ') ?? '';
  const settle = async (): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, 30));
    await fixture.whenStable();
  };
  const press = async (times: number): Promise<void> => {
    for (let i = 0; i < times; i++)
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true, cancelable: true }));
    await settle();
  };
  /** Presses reach the server, and are done there. */
  const done = new Set<number>();
  const answer = async (): Promise<void> => {
    for (let i = 0; i < 8; i++) {
      for (const call of bench.http.match('/api/tickets/9/bench')) {
        for (const event of call.request.body.events as { stop: number }[]) done.add(event.stop);
        call.flush({ planId: 11, done: [...done], stage: 'bench', version: 3 });
      }
      await settle();
    }
  };

  beforeEach(async () => {
    await emptyDrawer();
    localStorage.removeItem('odontis.benchRound.1');
    done.clear();
    bench = withStore(dossier, undefined, [SawSheet]);
    fixture = TestBed.createComponent(BenchPage);
    await settle();
    bench.http.match('/api/rack').forEach((call) => call.flush([row(9, 'Tenon saw', 0), row(12, 'Dovetail saw', 30)]));
    await settle();
  });
  afterEach(() => {
    fixture.destroy();
    localStorage.removeItem('odontis.benchRound.1');
    bench.http.match(() => true);
  });

  it('one operation over two saws: when it is done here, the key takes up the other', async () => {
    expect(said('od-bench-together')).toContain('Dovetail saw 1012, put down at 30 of 90');
    host().querySelector<HTMLInputElement>('od-bench-together mat-checkbox input')?.click();
    await settle();
    const other = { ...dossier, ticket: { ...dossier.ticket, id: 12, number: 1012 } };
    bench.http.expectOne('/api/tickets/12').flush(sent({ ...other, saw: { ...dossier.saw, name: 'Dovetail saw' } }));
    await settle();
    expect(said('od-bench-together ol')).toMatch(/Dovetail saw 1012 ?Clean/);
    expect(host().querySelector('main .moment')).toBeNull();
    await press(1);
    await answer();
    expect(said('main .moment')).toBe('Now the Dovetail saw, 1012: Clean');
    const go = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await press(1);
    expect(go).toHaveBeenCalledOnceWith(['/ticket', 12, 'bench']);
    // The key did nothing else.
    expect([...done]).toEqual([0]);
    expect(localStorage.getItem('odontis.benchRound.1')).toBe('9,12');
  });

  it('two at one saw: each has the places of their side, and nobody runs ahead of the operation', async () => {
    const first = walk.find((stop) => standsOn(steps[stop.step] as (typeof steps)[number]) !== null);
    await press(first?.index ?? 0);
    await answer();
    const sides = steps.map(standsOn);
    const kind = steps[first?.step ?? 0]?.kind;
    const mine = walk.filter((stop) => steps[stop.step]?.kind === kind && sides[stop.step] === 'right');
    const others = walk.filter((stop) => steps[stop.step]?.kind === kind && sides[stop.step] === 'left');
    expect(mine.length > 2 && others.length > 2).toBeTrue();
    [...host().querySelectorAll<HTMLButtonElement>('od-bench-together mat-button-toggle button')]
      .find((one) => one.textContent?.trim() === 'Right')
      ?.click();
    await settle();
    expect(said('.where')).toContain(String(mine[0]?.at));
    await press(mine.length);
    await answer();
    expect(said('main .moment')).toBe(`Your side is done; the other still has ${others.length} to do`);
    const before = done.size;
    await press(3);
    await answer();
    expect(done.size).toBe(before);
    expect(host().querySelector<HTMLButtonElement>('button.next')?.disabled).toBeTrue();
  });
});
