import { TestBed } from '@angular/core/testing';
import { testShop } from '../../../testing/test-dossier';
import { withStore } from '../../../testing/with-store';
import { Speech } from '../../../shared/speech/speech';
import { filingChoices, sawChoices, speechChoices } from './book-choices';
import { copiesField, filingFields, hoursChanged, hoursOf, lockField, rateFields } from './book-fields';

describe('what the shop book has to choose and to type', () => {
  const { book } = testShop();

  it('every choice has one way that stands, and each way changes what it says and nothing else', () => {
    const all = [...speechChoices(book), ...filingChoices(book), ...sawChoices(book)];
    for (const { name, ways } of all) {
      expect(ways.filter((way) => way.chosen).length)
        .withContext(name)
        .toBe(1);
      const standing = ways.find((way) => way.chosen)?.change ?? {};
      for (const [key, value] of Object.entries(standing)) {
        const before = { ...book, filesPullSaws: true }[key as keyof typeof book];
        const usual = key === 'habits' ? { ...book.habits, ...(value as object) } : value;
        expect(key === 'habits' ? { ...(before as object), ...(value as object) } : before)
          .withContext(name)
          .toEqual(usual);
      }
    }
  });

  it('figures are read with a comma, with their sign of a share, and as lengths off a rule; a slip is told', () => {
    withStore();
    const speech = TestBed.inject(Speech);
    const field = (id: string) => {
      const found = [...filingFields(book, speech), ...rateFields(book)].find((one) => one.id === id);
      if (!found) throw new Error(`There is no field ${id}.`);
      return found;
    };
    const changed = (id: string, text: string) => field(id).read(text);
    expect(changed('sb-share', '92,5 %')).toEqual({
      change: { habits: { ...book.habits, shareOnLine: 0.925 } },
    });
    expect(changed('sb-wage', '51')).toEqual({ change: { rates: { ...book.rates, wagePerHour: 51 } } });
    expect(changed('sb-shoes', '8')).toEqual({ change: { habits: { ...book.habits, jointerShoesMm: 203.2 } } });
    expect(changed('sb-shoes', '')).toEqual({ change: { habits: { ...book.habits, jointerShoesMm: undefined } } });
    expect(changed('sb-jaws', 'wide')).toEqual({ slip: jasmine.stringMatching(/"wide" is no length/) });
  });

  it('an empty lock never locks; days stand in order', () => {
    expect(lockField(book).read(' ')).toEqual({ change: { lockAfterMinutes: null } });
    expect(lockField({ ...book, lockAfterMinutes: null }).value).toBe('');
    expect(copiesField({ ...book, copiesKept: 5 }).value).toBe(5);
    expect(hoursChanged(book, { days: [5, 1, 3] })).toEqual({
      bench: { minutesPerDay: hoursOf(book).minutesPerDay, days: [1, 3, 5] },
    });
  });
});
