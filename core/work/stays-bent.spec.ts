import { judgedAfter, staysBent } from './stays-bent';

const sound = { rule: 'sound', verdict: 'take' as const, says: 'Sound.', because: 'saw' as const, needsConsent: false };
const tried = (result: 'came-out' | 'did-not', kind: 'straighten' | 'clean' = 'straighten') => ({
  kind,
  result,
  minutes: null,
});

describe('a plate that stays bent', () => {
  it('changes the verdict until it comes out; rust that stays on does not', () => {
    expect(staysBent([tried('did-not')], [])).toBeTrue();
    expect(staysBent([tried('did-not'), tried('came-out')], [])).toBeFalse();
    expect(staysBent([tried('did-not', 'clean')], [])).toBeFalse();
    const judged = judgedAfter([sound], true);
    expect([judged.verdict, judged.reasons.map((r) => r.rule)]).toEqual(['take-if', ['sound', 'stays-bent']]);
    expect(judgedAfter(judged.reasons, true).reasons.length).toBe(2);
    expect(judgedAfter(judged.reasons, false)).toEqual({ verdict: 'take', reasons: [sound] });
    const declined = { ...sound, rule: 'hardened', verdict: 'decline' as const };
    expect(judgedAfter([declined], true).verdict).toBe('decline');
  });
});
