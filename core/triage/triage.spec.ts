import type { IntakeAnswers, PlateMarkKind } from './triage';
import { triage } from './triage';

const asked = (more: Partial<IntakeAnswers>): IntakeAnswers => ({
  family: 'hand',
  backFixing: 'none',
  hardened: 'no',
  marks: [],
  ...more,
});
const mark = (kind: PlateMarkKind, along = 0.5) => ({ kind, along, down: 0.5 });

describe('the counter’s judgement (trade section 2, common practice)', () => {
  const cases: [string, Partial<IntakeAnswers>, string, string[]][] = [
    ['a sound saw', {}, 'take', ['sound']],
    ['hardened teeth', { hardened: 'yes' }, 'decline', ['hardened']],
    ['hardness in doubt', { hardened: 'unsure' }, 'take-if', ['hardened-unsure']],
    ['a crack', { marks: [mark('crack')] }, 'decline', ['crack']],
    ['a bent back on a back saw', { family: 'back', marks: [mark('bent-back')] }, 'decline', ['bent-back']],
    ['a kink at the toe', { marks: [mark('kink', 0.95)] }, 'take-if', ['kink-toe']],
    ['a kink mid-plate', { marks: [mark('kink', 0.4)] }, 'take-if', ['kink-plate']],
    [
      'a wavy line, folded back',
      { family: 'back', backFixing: 'folded', marks: [mark('wavy-line')] },
      'take',
      ['wavy-folded'],
    ],
    [
      'a wavy line, slotted back',
      { family: 'back', backFixing: 'slotted', marks: [mark('wavy-line')] },
      'take-if',
      ['wavy-fixed'],
    ],
    ['a bend and rust', { marks: [mark('bend'), mark('rust')] }, 'take', ['bend', 'rust']],
    ['pitting under rust', { marks: [mark('rust'), mark('pitting')] }, 'take-if', ['pitting', 'rust']],
    ['twist', { marks: [mark('twist')] }, 'take-if', ['twist']],
    [
      'missing teeth, loose handle',
      { marks: [mark('missing-teeth'), mark('loose-handle')] },
      'take-if',
      ['missing', 'handle'],
    ],
  ];
  for (const [name, answers, verdict, rules] of cases) {
    it(`${name}: ${verdict}`, () => {
      const result = triage(asked(answers));
      expect(result.verdict).toBe(verdict as never);
      expect(result.reasons.map((r) => r.rule)).toEqual(rules);
    });
  }
  it('asks the owner’s word for what cannot be undone', () => {
    expect(triage(asked({ marks: [mark('kink')] })).reasons[0]?.needsConsent).toBeTrue();
  });
});
