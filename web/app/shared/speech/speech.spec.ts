import { TestBed } from '@angular/core/testing';
import { testShop } from '../../testing/test-dossier';
import { withStore } from '../../testing/with-store';
import { ShopPage } from '../state/shop.feature';
import { Speech } from './speech';

describe('numbers in the shop’s own words', () => {
  it('follow the shop book at once', () => {
    const { store } = withStore();
    const speech = TestBed.inject(Speech);
    expect(speech.fine(0.1016)).toBe('4.0 thou');
    expect(speech.long(254)).toBe('10.0 in');
    expect(speech.pitch(25.4 / 14)).toBe('15 points');
    expect(speech.rake(-15)).toBe('15° leaning back');
    const mm = testShop({ lengthUnit: 'mm', pointConvention: 'teeth', rakeSpeech: 'signed', fleamSpeech: 'to-plate' });
    store.dispatch(ShopPage.theirsTaken({ shop: mm }));
    expect(speech.fine(0.1016)).toBe('0.102 mm');
    expect(speech.long(254)).toBe('254 mm');
    expect(speech.pitch(25.4 / 14)).toBe('14 teeth to the inch');
    expect(speech.rake(-15)).toBe('−15°');
    expect(speech.fleam(25)).toBe('65° to the plate');
    expect(speech.fleam(0)).toBe('square across');
  });

  it('say times, shares and money', () => {
    withStore();
    const speech = TestBed.inject(Speech);
    expect([5.4, 60, 91].map(speech.minutes)).toEqual(['5 min', '1 h', '1 h 31 min']);
    expect(speech.share(0.957)).toBe('95.7 %');
    expect(speech.share(1)).toBe('100 %');
    expect(speech.money(14)).toBe('€\u00a014.00');
  });

  it('say a reason’s inputs with their units', () => {
    withStore();
    const speech = TestBed.inject(Speech);
    const say = (value: number | string, unit: 'mm' | 'deg' | 'share' | 'minutes' | 'money' | 'count' | 'text') =>
      speech.reasonInput({ name: '', value, unit });
    expect(say(0.0508, 'mm')).toBe('2.0 thou');
    expect(say(60, 'mm')).toBe('2.4 in');
    expect(say(25, 'deg')).toBe('25.0°');
    expect(say(0.95, 'share')).toBe('95 %');
    expect(say('dry-soft', 'text')).toBe('dry-soft');
    expect(say(30, 'minutes')).toBe('30 min');
    expect(say(7, 'count')).toBe('7');
  });
});
