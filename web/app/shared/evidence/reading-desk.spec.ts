import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { testDossier, testShop } from '../../testing/test-dossier';
import { EvidenceDesk } from './evidence-desk';
import { LineDesk } from './line-desk';
import { withStore } from '../../testing/with-store';
import { ReadingDesk } from './reading-desk';

describe('the measuring desk', () => {
  let fixture: ComponentFixture<ReadingDesk>;
  let sheet: LineDesk;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const entry = (): HTMLInputElement => host().querySelector('#od-entry') as HTMLInputElement;

  const open = async (lengthUnit: 'thou' | 'mm' = 'thou'): Promise<void> => {
    localStorage.clear();
    withStore(testDossier('measure'), testShop({ lengthUnit }), [EvidenceDesk, LineDesk]);
    sheet = TestBed.inject(LineDesk);
    TestBed.tick();
    fixture = TestBed.createComponent(ReadingDesk);
    fixture.componentRef.setInput('sheet', sheet);
    fixture.componentRef.setInput('fileName', 'x.csv');
    await fixture.whenStable();
  };
  const key = (text: string): void => {
    entry().value += text;
    entry().dispatchEvent(new Event('input'));
    host()
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
  };
  const heights = (): number[] => sheet.readings().map((r) => Number(r.yMm.toFixed(4)));

  afterEach(() => {
    fixture.destroy();
    localStorage.clear();
  });

  it('a fast hand’s values never run into each other', async () => {
    await open();
    // No pause between them: the field must be empty for the next digit before anything is redrawn.
    ['1', '2', '0.004', '1/64'].forEach(key);
    await fixture.whenStable();
    expect(heights()).toEqual([-0.0254, -0.0508, -0.1016, -0.3969]);
    expect(entry().value).toBe('');
  });

  it('speaks the shop’s unit, and says how a value will be read', async () => {
    await open('mm');
    entry().value = '0,12';
    entry().dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(host().querySelector('#od-reading')?.textContent).toBe('0.120 mm');
    key('');
    expect(heights()).toEqual([-0.12]);
  });

  it('keeps what cannot be read and says what could', async () => {
    await open();
    key('four');
    await fixture.whenStable();
    expect(entry().value).toBe('four');
    expect(host().querySelector('od-notice')?.textContent).toContain('Type a number such as 4, 0.004, 1/64 or 0.1 mm');
    expect(sheet.readings().length).toBe(0);
  });

  it('b and m mark a tooth broken and missing', async () => {
    await open();
    ['1', 'b', '20', 'm', '2'].forEach(key);
    expect(sheet.readings().map((r) => r.kind)).toEqual(['tooth', 'broken', 'missing', 'tooth']);
    expect(heights()[1]).toBeCloseTo(-0.508, 6);
  });

  it('a broken tooth nobody measured stands below the line, not on it, and Enter leaves it there', async () => {
    await open();
    ['1', 'b'].forEach(key);
    await fixture.whenStable();
    expect(host().querySelector('label')?.textContent).toContain('broken: gap');
    expect(heights()[1]).toBeLessThan(-0.4);
    key('');
    expect(sheet.cursor()).toBe(2);
    expect(sheet.readings()[1]?.kind).toBe('broken');
  });

  it('arrow up goes back one, Ctrl Z takes the last value away', async () => {
    await open();
    ['1', '2', '3'].forEach(key);
    entry().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }));
    expect(sheet.cursor()).toBe(2);
    key('4');
    expect(heights()[2]).toBeCloseTo(-0.1016, 6);
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true, cancelable: true }));
    expect(heights()[2]).toBeCloseTo(-0.0762, 6);
  });

  it('shows a slip as a link that goes to its tooth', async () => {
    await open();
    ['0', '1', '60', '1', '0'].forEach(key);
    await fixture.whenStable();
    const link = host().querySelector('.faults button') as HTMLButtonElement;
    expect(link.textContent).toContain('Tooth 3 differs from its neighbours');
    let shown = 0;
    fixture.componentInstance.show.subscribe((tooth) => (shown = tooth));
    link.click();
    expect([sheet.cursor(), shown]).toEqual([2, 3]);
  });

  it('rows pasted with a bad one are all refused, each bad line named', async () => {
    await open();
    const paste = async (text: string): Promise<void> => {
      const clipboardData = new DataTransfer();
      clipboardData.setData('text', text);
      entry().dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
      await fixture.whenStable();
    };
    await paste('tooth,y_mm\n1,0\n2,deep\n3,x');
    expect(sheet.readings().length).toBe(0);
    expect(host().querySelector('od-notice')?.textContent).toContain('Line 3: y is "deep"');
    expect(host().querySelector('od-notice')?.textContent).toContain('Line 4');
    await paste('tooth,y_mm\n1,0\n2,-0.1\n3,0');
    expect(heights()).toEqual([0, -0.1, 0]);
    expect(host().querySelector('od-notice')).toBeNull();
  });
});
