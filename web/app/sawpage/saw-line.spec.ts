import { provideZonelessChangeDetection } from '@angular/core';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { hollowLine, testDossier, testShop } from '../testing/test-dossier';
import { withStore } from '../testing/with-store';
import { baseDrawing, drawnTooth } from './build-drawing';
import { SawLine } from './saw-line';
import { SawSheet } from './saw-sheet';
import { ViewMemory } from './view-memory';

describe('the saw over the page', () => {
  let fixture: ComponentFixture<SawLine>;
  let sheet: SawSheet;
  const dossier = testDossier('plan');
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement =>
    host().querySelector(`button[aria-label="${name}"]`) as HTMLButtonElement;
  const settle = async (): Promise<void> => {
    await fixture.whenStable();
    await new Promise((resolve) => requestAnimationFrame(resolve));
  };
  const open = async (n = 100): Promise<void> => {
    withStore(null, undefined, [SawSheet, provideZonelessChangeDetection()]);
    sheet = TestBed.inject(SawSheet);
    fixture = TestBed.createComponent(SawLine);
    host().style.width = '1200px';
    document.body.appendChild(host());
    const drawing = {
      ...baseDrawing(dossier, hollowLine(n), drawnTooth(dossier, testShop().book.habits)),
      lengthMm: n * 2,
    };
    fixture.componentRef.setInput('ticket', 9);
    fixture.componentRef.setInput('drawing', drawing);
    await settle();
  };
  beforeEach(() => sessionStorage.clear());
  afterEach(() => fixture.destroy());

  it('says in words what it shows', async () => {
    await open();
    expect(host().querySelector('canvas')?.getAttribute('aria-label')).toContain('100 teeth drawn from heel to toe');
  });

  it('zooms, and remembers zoom and place for the next stage', async () => {
    await open();
    button('Nearer').click();
    button('Nearer').click();
    await settle();
    expect(TestBed.inject(ViewMemory).read(9)?.k).toBeCloseTo(1.6 ** 2, 6);
    button('Whole saw').click();
    await settle();
    expect(TestBed.inject(ViewMemory).read(9)?.k).toBe(1);
  });

  it('moves to a tooth somebody speaks of', async () => {
    await open();
    for (let i = 0; i < 5; i++) button('Nearer').click();
    await settle();
    const before = TestBed.inject(ViewMemory).read(9)?.x;
    sheet.show(3);
    await settle();
    expect(TestBed.inject(ViewMemory).read(9)?.x).not.toBe(before);
  });

  it('a click picks the nearest tooth', async () => {
    await open();
    const canvas = host().querySelector('canvas') as HTMLCanvasElement;
    const box = canvas.getBoundingClientRect();
    canvas.dispatchEvent(
      new MouseEvent('click', { clientX: box.left + 118 + 5, clientY: box.top + 40, bubbles: true }),
    );
    expect(sheet.picked()).toBe(1);
    canvas.dispatchEvent(new MouseEvent('click', { clientX: box.right - 60, clientY: box.top + 40, bubbles: true }));
    expect(sheet.picked()).toBe(100);
  });

  it('the handle answers arrow keys within its bounds', async () => {
    await open();
    const moves: number[] = [];
    sheet.handle.set({ depthMm: 0.1, deepestMm: 0.5, recommendedMm: 0.2, says: 'ten', move: (mm) => moves.push(mm) });
    await settle();
    const grip = host().querySelector('[role=slider]') as HTMLElement;
    for (const key of ['ArrowDown', 'ArrowUp', 'Home', 'End', 'Enter', 'x']) {
      grip.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    }
    grip.dispatchEvent(
      new KeyboardEvent('keydown', { key: 'ArrowUp', shiftKey: true, bubbles: true, cancelable: true }),
    );
    expect(moves.map((mm) => Number(mm.toFixed(6)))).toEqual([0.105, 0.095, 0, 0.5, 0.2, 0.05]);
    expect(grip.getAttribute('aria-valuetext')).toBe('ten');
  });
});
