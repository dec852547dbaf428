import { TestBed } from '@angular/core/testing';
import { STEP_KINDS } from '@odontis/core/work/step';
import type { Step } from '@odontis/core/work/step';
import { testShop } from '../../testing/test-dossier';
import { withStore } from '../../testing/with-store';
import { Speech } from '../speech/speech';
import { stepSays, stepTitle } from '@odontis/contract/step-words';

const step = (more: Partial<Step>): Step => ({
  kind: 'sharpen',
  unit: 'gullet',
  side: null,
  tool: null,
  tipTowards: 'across',
  targetMm: 0.0508,
  passes: 2,
  minutes: 1,
  stops: [],
  cautions: [],
  reasons: [],
  ...more,
});

describe('a step in the trade’s words', () => {
  it('every kind has a title and an instruction that ends in a full stop', () => {
    withStore();
    const speech = TestBed.inject(Speech);
    for (const kind of STEP_KINDS) {
      expect(stepTitle(step({ kind }), speech).length)
        .withContext(kind)
        .toBeGreaterThan(2);
      expect(stepSays(step({ kind }), speech, testShop().book))
        .withContext(kind)
        .toMatch(/\.$/);
    }
  });

  it('says where to stand, where the tip points, and the shop’s way between strokes', () => {
    withStore();
    const speech = TestBed.inject(Speech);
    const says = (betweenStrokes: 'lift' | 'draw-back') => {
      const book = testShop().book;
      return stepSays(step({ side: 'left', tipTowards: 'toe' }), speech, {
        ...book,
        habits: { ...book.habits, betweenStrokes },
      });
    };
    expect(says('lift')).toBe(
      'Stand on the left, tip of the file towards the toe; lift the file clear on the way back.',
    );
    expect(says('draw-back')).toContain('draw it back lightly');
    expect(stepTitle(step({ kind: 'set', side: 'right' }), speech)).toBe('Set, teeth leaning right');
    expect(stepTitle(step({ kind: 'joint' }), speech)).toBe('Joint 2.0 thou');
  });
});
