import { TestBed } from '@angular/core/testing';
import { walkOf } from '@odontis/core/work/step';
import { testDossier } from '../../../testing/test-dossier';
import { withStore } from '../../../testing/with-store';
import { Speech } from '../../../shared/speech/speech';
import type { StopInHand } from './stop-facts';
import { aimAt, boardDegAt, flatAt, holdAt, isEndRaker, whereSays } from './stop-facts';

describe('what is said of the stop in hand', () => {
  const { order } = testDossier('bench').plan ?? {};
  const walk = walkOf(order?.steps ?? []);
  const at = (index: number): StopInHand => {
    const stop = walk[index];
    const step = stop && order?.steps[stop.step];
    if (!order || !stop || !step) throw new Error(`There is no stop ${index}.`);
    return { order, step, stop };
  };
  const gullets = walk.filter((stop) => order?.steps[stop.step]?.unit === 'gullet');
  const first = at(gullets[0]?.index ?? 0);

  it('a gullet lies before the first tooth, between two, or after the last; several pressed at once are told from and to', () => {
    const stop = (place: number): StopInHand => ({ ...first, stop: { ...first.stop, at: place } });
    const last = order?.inputs?.readings.length ?? 0;
    expect(whereSays(stop(0), [])).toBe('Before tooth 1');
    expect(whereSays(stop(7), [])).toBe('Gullet 7');
    expect(whereSays(stop(last), [])).toBe(`After tooth ${last}, the last`);
    expect(whereSays(stop(3), [stop(3).stop, stop(9).stop])).toBe('Gullets 3 to 9');
  });

  it('a tooth, a raker and a window go by their own names', () => {
    const as = (unit: 'tooth' | 'raker' | 'window'): StopInHand => ({
      ...first,
      step: { ...first.step, unit },
      stop: { ...first.stop, at: 5, to: 24 },
    });
    expect(whereSays(as('tooth'), [])).toBe('Tooth 5');
    expect(whereSays(as('tooth'), [as('tooth').stop, { ...as('tooth').stop, at: 8 }])).toBe('Teeth 5 to 8');
    expect(whereSays(as('raker'), [])).toBe('Raker 5');
    expect(whereSays(as('window'), [])).toBe('Teeth 5 to 24');
  });

  it('a file is held where a gullet is filed, a board lies under a pull saw alone', () => {
    expect(holdAt(first)?.hold.fleamDeg).toBe(order?.inputs?.angles.fleamDeg ?? -1);
    expect(holdAt(at(0))).toBeNull();
    expect(boardDegAt(first)).toBeNull();
    expect(isEndRaker(first)).toBeFalse();
  });

  it('a flat is told as far as it can be seen; a saw of like teeth has no gauge to aim for', () => {
    withStore();
    const speech = TestBed.inject(Speech);
    expect(flatAt({ ...first.stop, flatMm: 0.254 }, speech)).toBe('10.0 thou');
    expect(flatAt({ ...first.stop, flatMm: 0.001 }, speech)).toBeNull();
    expect(aimAt(first, speech)).toBeNull();
    const chipper = { ...first, step: { ...first.step, kind: 'chipper' as const, targetMm: 0.508 } };
    expect(aimAt(chipper, speech)).toBe('to 20.0 thou on the dial');
  });
});
