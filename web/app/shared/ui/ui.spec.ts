import { TestBed } from '@angular/core/testing';
import type { Reason } from '@odontis/core/reason/reason';
import { withStore } from '../../testing/with-store';
import { Conflict } from '../conflict/conflict';
import { Figures } from './figures';
import { typing } from './keys';
import { Why } from './why';

describe('parts that every page uses', () => {
  it('"why?" shows the formula with this saw’s values, the source, and what changes otherwise', async () => {
    withStore();
    const fixture = TestBed.createComponent(Why);
    const reason: Reason = {
      what: 'Set per side',
      formula: 'table by family',
      inputs: [{ name: 'plate', value: 0.508, unit: 'mm' }],
      source: 'Common practice, no source',
      otherwise: 'Less binds.',
    };
    fixture.componentRef.setInput('reason', reason);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect(host.querySelector('.slip')).toBeNull();
    host.querySelector('summary')?.click();
    await new Promise((resolve) => host.querySelector('details')?.addEventListener('toggle', resolve, { once: true }));
    await fixture.whenStable();
    const text = host.textContent ?? '';
    for (const words of ['why?', 'table by family', '20.0 thou', 'Less binds.', 'Common practice'])
      expect(text).toContain(words);
  });

  it('a table of figures gives each its name and its words, and why where it knows', async () => {
    withStore();
    const fixture = TestBed.createComponent(Figures);
    const why: Reason = { what: 'File', formula: 'by pitch', inputs: [], source: 'no source', otherwise: '' };
    fixture.componentRef.setInput('figures', [
      { name: 'Teeth', says: '120' },
      { name: 'File', says: '6 in slim taper', why },
      { name: 'Price', says: '12', why: undefined },
    ]);
    await fixture.whenStable();
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('tr')];
    expect(rows.map((row) => row.querySelector('th')?.textContent)).toEqual(['Teeth', 'File', 'Price']);
    expect(rows.map((row) => row.querySelector('od-why') !== null)).toEqual([false, true, false]);
  });

  it('a conflict shows both versions and leaves the choice', async () => {
    withStore();
    const fixture = TestBed.createComponent(Conflict);
    const differences = Array.from({ length: 14 }, (_, i) => ({ what: `Tooth ${i}`, mine: 'a', theirs: 'b' }));
    fixture.componentRef.setInput('differences', differences);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    expect(host.querySelectorAll('tr').length).toBe(1 + 12);
    expect(host.textContent).toContain('and 2 more');
    const chosen: string[] = [];
    fixture.componentInstance.keepMine.subscribe(() => chosen.push('mine'));
    fixture.componentInstance.takeTheirs.subscribe(() => chosen.push('theirs'));
    host.querySelectorAll('button').forEach((b) => b.click());
    expect(chosen).toEqual(['mine', 'theirs']);
  });

  it('knows when a key belongs to a field', () => {
    const at = (tag: string): boolean => {
      const element = document.createElement(tag);
      let answer = false;
      element.addEventListener('keydown', (event) => (answer = typing(event)));
      element.dispatchEvent(new KeyboardEvent('keydown', { key: 'a' }));
      return answer;
    };
    expect(['input', 'textarea', 'select', 'div', 'button'].map(at)).toEqual([true, true, true, false, false]);
  });
});
