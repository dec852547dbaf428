import { TestBed } from '@angular/core/testing';
import type { CheckRound } from '@odontis/contract/check';
import { withStore } from '../../../testing/with-store';
import { Speech } from '../../../shared/speech/speech';
import { cutWordsOf, looksSay, rakersSay } from './cut-words';

const nothing = {
  ...{ kerfMm: null, offLineMm: null, overMm: null, wall: null, floor: null, plate: null, again: null, rakers: null },
} as unknown as CheckRound;

describe('a cut in words', () => {
  let speech: Speech;
  beforeEach(() => {
    withStore();
    speech = TestBed.inject(Speech);
  });

  it('a band wanders, a blade burns, a saw in the hand binds', () => {
    expect(cutWordsOf('band').left).toBe('wanders left');
    expect(cutWordsOf('circular').binds).toBe('burns');
    expect(cutWordsOf('dado')).toBe(cutWordsOf('circular'));
    expect(cutWordsOf('pull').binds).toBe('binds');
  });

  it('says what was looked at and keeps silent of the rest', () => {
    expect(looksSay(nothing, speech)).toBe('');
    const round = { ...nothing, offLineMm: -0.508, overMm: 254, wall: 'clean' as const, again: 'same' as const };
    expect(looksSay(round, speech)).toBe(
      '20.0 thou off its line to the right over 10.0 in, walls clean, cut again, the same way',
    );
    expect(looksSay({ ...nothing, offLineMm: 0, overMm: 254 }, speech)).toContain('0.0 thou off its line over');
  });

  it('rakers: all as wanted, or how many are off and what the high ones want', () => {
    const rakers = { read: 6, of: 20, high: 0, low: 0, worstMm: 0, strokes: 0 };
    expect(rakersSay(nothing, speech)).toBeNull();
    expect(rakersSay({ ...nothing, rakers }, speech)).toBe('6 of 20 rakers measured, all as wanted.');
    const off = { ...rakers, high: 2, low: 1, worstMm: 0.0508, strokes: 4 };
    expect(rakersSay({ ...nothing, rakers: off }, speech)).toBe(
      '6 of 20 rakers measured: 2 too high, 1 too low, the worst 2.0 thou too high; about 4 strokes to bring the high ones down.',
    );
  });
});
