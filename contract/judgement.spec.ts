import { judgement } from './judgement';
import { pointer } from './field-errors';

const faults = (value: unknown): string[] => {
  const read = judgement.safeParse(value);
  return read.success ? [] : read.error.issues.map((issue) => `${pointer(issue.path)}: ${issue.message}`);
};

describe('a shop’s own judgement as it comes in', () => {
  it('takes thresholds, rules switched off or said otherwise, and rules of its own', () =>
    expect(
      faults({
        filing: { thresholds: { finePoints: 9 } },
        triage: {
          rules: { pitting: { off: true } },
          more: [
            {
              id: 'long',
              verdict: 'decline',
              because: 'saw',
              when: { all: [{ fact: 'lengthMm', atLeast: 2000 }, { not: { fact: 'family', is: 'band' } }] },
              says: 'Too long for our vise.',
              source: 'the shop',
            },
          ],
        },
      }),
    ).toEqual([]));
  it('names every slip with its path', () => {
    expect(faults({ triage: { thresholds: { nonsense: 1 }, rules: { rust: { verdict: 'maybe' } } } })).toEqual([
      '/triage/thresholds/nonsense: This book has no threshold called "nonsense".',
      '/triage/rules/rust/verdict: The answers here are take, take-if, decline.',
    ]);
    expect(faults({ fortune: {} }).length).toBe(1);
    const slip = { id: 'x', verdict: 'take', because: 'saw', when: { fact: 'a', about: 3 }, says: 'a.', source: 'b' };
    expect(faults({ triage: { more: [slip] } })[0]).toContain('A condition is all, any, not, or a test of one fact');
  });
});
