import { factsOf, holds } from './condition';
import type { BookChange, RuleBook } from './rule-book';
import { changedBook, changeFaults, judge } from './rule-book';
import type { Fact, FactsFor } from './saw-facts';
import { FACT_WORDS } from './saw-facts';
import { TRIAGE_BOOK } from './triage-book';
import { FILING_BOOK, RESET_BOOK, STRAIGHTEN_BOOK, WORK_BOOK } from './work-books';

/** Nothing known but what is said. */
const only = (facts: Partial<FactsFor<Fact>>): FactsFor<Fact> => ({
  ...(Object.fromEntries(Object.keys(FACT_WORDS).map((name) => [name, null])) as FactsFor<Fact>),
  ...facts,
});

/** Every case of the trade's judgement (trade section 2, common practice, no source): facts, verdict, the rule that says it. */
const CASES: Record<string, { book: RuleBook<string>; cases: [Partial<FactsFor<Fact>>, string, string][] }> = {
  triage: {
    book: TRIAGE_BOOK,
    cases: [
      [{ family: 'hand', hardened: 'no', marks: [] }, 'take', 'sound'],
      [{ family: 'pull', hardened: 'yes' }, 'decline', 'hardened'],
      [{ hardened: 'unsure' }, 'take-if', 'hardened-unsure'],
      [{ family: 'hand', marks: ['crack'] }, 'decline', 'crack'],
      [{ family: 'band', marks: ['crack'] }, 'decline', 'powered-crack'],
      [{ family: 'band', marks: ['kink'], kinkInPlate: true }, 'decline', 'band-kink'],
      [{ outersRefused: 1, partsRefused: 2 }, 'decline', 'set-outer-refused'],
      [{ outersRefused: 0, partsRefused: 1 }, 'take-if', 'set-part-refused'],
      [{ marks: ['short-teeth'] }, 'take-if', 'short-teeth'],
      [{ family: 'crosscut', marks: ['frame'] }, 'take-if', 'frame'],
      [{ etch: true, marks: ['rust'] }, 'take-if', 'etch'],
      [{ converting: true }, 'take-if', 'converting'],
      [{ family: 'back', marks: ['bent-back'] }, 'decline', 'bent-back'],
      [{ kinkNearToe: true }, 'take-if', 'kink-toe'],
      [{ kinkInPlate: true }, 'take-if', 'kink-plate'],
      [{ marks: ['wavy-line'], backFixing: 'folded' }, 'take', 'wavy-folded'],
      [{ marks: ['wavy-line'], backFixing: 'slotted' }, 'take-if', 'wavy-fixed'],
      [{ marks: ['pitting'] }, 'take-if', 'pitting'],
      [{ marks: ['missing-teeth'] }, 'take-if', 'missing'],
      [{ family: 'hand', marks: ['twist'] }, 'take-if', 'twist'],
      [{ family: 'hand', marks: ['bend'] }, 'take', 'bend'],
      [{ marks: ['rust'] }, 'take', 'rust'],
      [{ marks: ['loose-handle'] }, 'take', 'handle'],
      [{ family: 'circular', tipped: 'carbide' }, 'take-if', 'carbide'],
      [{ family: 'circular', marks: ['bend'] }, 'decline', 'powered-bent'],
      [{ family: 'circular', marks: ['burn'] }, 'take-if', 'burnt'],
      [{ family: 'dado', plateOverheated: true }, 'decline', 'overheated-plate'],
      [{ family: 'circular', speedMarked: false }, 'take-if', 'no-speed-marking'],
      [{ family: 'pull', hardened: 'no', filesPullSaws: false }, 'decline', 'pull-soft'],
      [{ family: 'pull', hardened: 'no', filesPullSaws: true }, 'take', 'sound'],
      [{ family: 'pull', plateDepthMm: 22 }, 'decline', 'pull-narrow'],
      [{ family: 'back', sharpeningsLeft: 0 }, 'decline', 'no-plate-left'],
      [{ costOverReplacing: 2 }, 'take-if', 'costs-more'],
      [{ collectible: true }, 'take-if', 'collectible'],
    ],
  },
  work: {
    book: WORK_BOOK,
    cases: [
      [{ heightSpreadMm: 0.04, worstSpacingShare: 0.05 }, 'sharpen', 'plain'],
      [{ heightSpreadMm: 0.2 }, 'tune', 'uneven-height'],
      [{ worstSpacingShare: 0.15 }, 'tune', 'uneven-spacing'],
      [{ hollowMm: 0.5 }, 'tune', 'hollow'],
      [{ rakeOffDeg: 8 }, 'tune', 'wrong-profile'],
      [{ lineLook: 'hollow' }, 'tune', 'looks-hollow'],
      [{ lineLook: 'uneven' }, 'tune', 'looks-uneven'],
      [{ lineLook: 'even' }, 'sharpen', 'plain'],
      [{ marks: ['short-teeth'] }, 'tune', 'short-teeth'],
      [{ marks: ['missing-teeth'] }, 'tune', 'missing-teeth'],
      [{ converting: true }, 'tune', 'another-filing'],
    ],
  },
  filing: {
    book: FILING_BOOK,
    cases: [
      [{ points: 12 }, 'rip', 'fine-rip'],
      [{ points: 10 }, 'rip', 'fine-rip'],
      [{ points: 7 }, 'keep', 'coarse-apart'],
      [{ points: 8 }, 'ask', 'between'],
      [{ points: 8, worksOtherGrain: true }, 'convert', 'works-the-other-way'],
      [{ points: 9, worksOtherGrain: true, heightLeftShare: 0.4 }, 'keep', 'teeth-too-small'],
    ],
  },
  reset: {
    book: RESET_BOOK,
    cases: [
      [{ setLeftShare: 0.8, filingsSinceSet: 1 }, 'leave', 'enough'],
      [{ setLeftShare: 0.5 }, 'reset', 'worn-down'],
      [{ filingsSinceSet: 4 }, 'reset', 'filed-often'],
      [{ setRead: false }, 'reset', 'set-unread'],
      [{ work: 'tune', jointOverBent: 0.3 }, 'reset', 'tune-takes-it-out'],
      // A joint of a hair leaves the set where it is.
      [{ work: 'tune', jointOverBent: 0.01 }, 'leave', 'enough'],
      [{ work: 'convert' }, 'reset', 'new-teeth'],
      [{ setSpreadShare: 0.5 }, 'reset', 'set-scattered'],
      [{ setUneven: true }, 'reset', 'lopsided'],
    ],
  },
  straighten: {
    book: STRAIGHTEN_BOOK,
    cases: [
      [{ bendSagMm: 0.5, bendLengthMm: 400 }, 'leave', 'straight'],
      [{ bendSagMm: 6, bendLengthMm: 400 }, 'by-hand', 'gradual'],
      [{ family: 'hand', marks: ['bend'] }, 'by-hand', 'bend-unmeasured'],
      [{ bendSagMm: 3, bendLengthMm: 80 }, 'clamp', 'short-bend'],
      [{ kinkInPlate: true }, 'hammer', 'kink-in-plate'],
      [{ kinkNearToe: true }, 'shorten', 'kink-at-toe'],
      [{ family: 'back', marks: ['bent-back'] }, 'scrap', 'back-bent'],
      [{ family: 'circular', marks: ['kink'] }, 'scrap', 'powered-plate'],
    ],
  },
};

for (const [name, { book, cases }] of Object.entries(CASES)) {
  describe(`judgement: ${name}`, () => {
    for (const [facts, verdict, rule] of cases) {
      it(`${JSON.stringify(facts)}: ${verdict}`, () => {
        const judged = judge(book, only(facts));
        expect(judged.verdict).toBe(verdict);
        expect(judged.reasons[0]?.rule).toBe(rule);
      });
    }
    it('every rule decides some case above, and has an id and a source of its own', () => {
      const deciding = new Set(cases.map(([, , rule]) => rule));
      expect(book.rules.map((r) => r.id).filter((id) => !deciding.has(id))).toEqual([]);
      expect(new Set(book.rules.map((r) => r.id)).size).toBe(book.rules.length);
      expect(book.rules.every((r) => r.source !== '' && r.says.endsWith('.'))).toBeTrue();
    });
    it('knowing nothing, no rule speaks', () =>
      expect(judge(book, only({})).reasons[0]?.rule).toBe(book.otherwise.rule));
    it('is plain data: through JSON and back it judges the same', () => {
      const copy = JSON.parse(JSON.stringify(book)) as RuleBook<string>;
      for (const [facts] of cases) expect(judge(copy, only(facts))).toEqual(judge(book, only(facts)));
    });
  });
}

describe('a shop’s own judgement, without code', () => {
  it('moves a threshold: nine points and finer are filed rip', () => {
    const own = changedBook(FILING_BOOK, { thresholds: { finePoints: 9 } });
    expect(judge(own, only({ points: 9 })).verdict).toBe('rip');
    expect(judge(FILING_BOOK, only({ points: 9 })).verdict).toBe('ask');
  });
  it('switches a rule off, changes another’s verdict and words, adds one of its own', () => {
    const change: BookChange = {
      rules: { pitting: { off: true }, twist: { verdict: 'decline', says: 'We do not take twisted saws.' } },
      more: [
        {
          id: 'no-carbide-today',
          verdict: 'take-if',
          because: 'saw',
          when: { fact: 'tipped', is: 'carbide' },
          says: 'Not while the grinder is away.',
          source: 'the shop',
        },
      ],
    };
    expect(changeFaults(TRIAGE_BOOK, change)).toEqual([]);
    const own = changedBook(TRIAGE_BOOK, change);
    expect(judge(own, only({ marks: ['pitting'] })).verdict).toBe('take');
    expect(judge(own, only({ marks: ['twist'] })).reasons[0]).toEqual(
      jasmine.objectContaining({ verdict: 'decline', says: 'We do not take twisted saws.' }),
    );
    expect(judge(own, only({ tipped: 'carbide' })).verdict).toBe('take-if');
  });
  it('every fault is named with its path, and nothing is changed', () => {
    const bad = {
      thresholds: { nonsense: 3, costRatio: NaN },
      rules: { nothere: { off: true }, rust: { verdict: 'maybe' } },
      more: [
        {
          id: 'rust',
          verdict: 'maybe',
          because: 'saw',
          when: { fact: 'x', below: { threshold: 'y' } },
          says: 'a.',
          source: 'b',
        },
      ],
    };
    expect(changeFaults(TRIAGE_BOOK, bad).map((f) => f.path)).toEqual([
      '/thresholds/nonsense',
      '/thresholds/costRatio',
      '/rules/nothere',
      '/rules/rust/verdict',
      '/more/0/id',
      '/more/0/verdict',
      '/more/0/when',
      '/more/0/when',
    ]);
    expect(() => changedBook(TRIAGE_BOOK, bad)).toThrowError(RangeError);
  });
});

describe('the facts of the books', () => {
  const books: Record<string, RuleBook<string>> = { TRIAGE_BOOK, WORK_BOOK, FILING_BOOK, RESET_BOOK, STRAIGHTEN_BOOK };
  it('every fact a book asks for is looked at by a rule of it, but for those offered to a shop’s own rules', () => {
    const spare = Object.entries(books).flatMap(([name, book]) => {
      const looked = new Set<string>(book.rules.flatMap((r) => factsOf(r.when)));
      expect([...looked].filter((fact) => !book.facts.includes(fact as Fact)))
        .withContext(name)
        .toEqual([]);
      return book.facts.filter((fact) => !looked.has(fact));
    });
    expect(spare).toEqual(['lengthMm']);
  });
  it('a rule kept on a fact nobody knows is passed over, not a reason to judge nothing', () => {
    const unknown = {
      id: 'x',
      verdict: 'decline',
      because: 'saw',
      when: { not: { fact: 'day', is: 'monday' } },
      says: 'a.',
      source: 'b',
    };
    expect(changedBook(TRIAGE_BOOK, { more: [unknown] }).rules.length).toBe(TRIAGE_BOOK.rules.length);
  });
  it('every fact belongs to a book', () => {
    const asked = new Set(Object.values(books).flatMap((b) => b.facts));
    expect(Object.keys(FACT_WORDS).filter((name) => !asked.has(name as Fact))).toEqual([]);
  });
  it('a rule on a fact its book does not ask for, or a judgement without one, does not compile', () => {
    // @ts-expect-error lineLook is no fact of the book of resets
    const when: (typeof RESET_BOOK)['rules'][number]['when'] = { fact: 'lineLook', is: 'even' };
    // @ts-expect-error heightLeftShare is not supplied
    const judged = judge(FILING_BOOK, { points: 9, worksOtherGrain: null });
    expect([when, judged.verdict]).toEqual([jasmine.anything(), 'ask']);
  });
});

describe('conditions', () => {
  it('a fact not known makes its test false, and known says whether it is', () => {
    expect(holds({ fact: 'a', atLeast: 1 }, {}, {})).toBeFalse();
    expect(holds({ fact: 'a', below: 1 }, { a: null }, {})).toBeFalse();
    expect(holds({ fact: 'a', known: false }, {}, {})).toBeTrue();
    expect(holds({ fact: 'a', known: true }, { a: 0 }, {})).toBeTrue();
    expect(holds({ fact: 'a', has: 'x' }, { a: 'x' }, {})).toBeFalse();
    expect(holds({ fact: 'a', below: 1 }, { a: '0' }, {})).toBeFalse();
  });
  it('all, any and not', () => {
    const [yes, no] = [{ fact: 'a', is: 1 } as const, { fact: 'a', is: 2 } as const];
    expect(holds({ all: [yes, { not: no }, { any: [no, yes] }] }, { a: 1 }, {})).toBeTrue();
    expect(holds({ all: [yes, no] }, { a: 1 }, {})).toBeFalse();
    expect(holds({ any: [] }, { a: 1 }, {})).toBeFalse();
  });
  it('limits are met from above and missed from below', () => {
    expect(holds({ fact: 'a', atLeast: 5 }, { a: 5 }, {})).toBeTrue();
    expect(holds({ fact: 'a', below: 5 }, { a: 5 }, {})).toBeFalse();
    expect(() => holds({ fact: 'a', below: { threshold: 't' } }, { a: 5 }, {})).toThrowError(RangeError);
  });
  it('names every fact it looks at', () =>
    expect(factsOf({ all: [{ fact: 'a', is: 1 }, { not: { any: [{ fact: 'b', known: true }] } }] })).toEqual([
      'a',
      'b',
    ]));
});
