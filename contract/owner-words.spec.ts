import { TRIAGE_BOOK } from '@odontis/core/judgement/triage-book';
import { ownerReasons } from './owner-words';

describe('what the counter found, told to its owner', () => {
  const told = TRIAGE_BOOK.rules.map(({ id, says }) => ({ id, says: ownerReasons([{ rule: id, says }])[0] ?? '' }));
  it('has words of its own for every rule of the trade, and never one meant for the counter', () => {
    for (const { id, says } of told) {
      expect(TRIAGE_BOOK.rules.some((rule) => rule.says === says))
        .withContext(id)
        .toBeFalse();
      expect(says)
        .withContext(id)
        .not.toMatch(/take it|take the others|decline|offer|the owner|its owner agrees/i);
    }
  });
  it('is silent where nothing stood against it, names parts, and tells a shop’s own rule as it was written', () => {
    expect(ownerReasons([{ rule: 'sound', says: 'x' }])).toEqual([]);
    expect(ownerReasons([{ rule: 'own-1', says: 'Ours.', part: 'chipper 2' }])).toEqual(['chipper 2: Ours.']);
  });
});
