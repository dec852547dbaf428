import { TestBed } from '@angular/core/testing';
import type { Reason } from '@odontis/core/reason/reason';
import { withStore } from '../../testing/with-store';
import { Conflict } from '../conflict/conflict';
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
    const text = (fixture.nativeElement as HTMLElement).textContent ?? '';
    for (const words of ['why?', 'table by family', '20.0 thou', 'Less binds.', 'Common practice'])
      expect(text).toContain(words);
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
