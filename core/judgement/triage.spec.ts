import type { PlateMark, PlateMarkKind } from '../saw/plate-marks';
import { markFault, MARKS_OF, PLATE_MARKS } from '../saw/plate-marks';
import type { IntakeAnswers, JudgedSaw } from './triage';
import { factsFrom, isConverting, triage } from './triage';
import { FAMILIES } from '../saw/all-families';

type Asked = Partial<Omit<IntakeAnswers, 'saw'>> & Partial<JudgedSaw>;
const asked = ({ family, backFixing, filing, tipped, markedLimitRpm, parts, ...more }: Asked): IntakeAnswers => ({
  saw: {
    family: family ?? 'hand',
    backFixing: backFixing ?? 'none',
    ...(filing && { filing }),
    ...(tipped && { tipped }),
    ...(markedLimitRpm !== undefined && { markedLimitRpm }),
    ...(parts && { parts }),
  },
  hardened: 'no',
  marks: [],
  ...more,
});
const mark = (kind: PlateMarkKind, along = 0.5, more: Partial<PlateMark> = {}): PlateMark => ({
  kind,
  along,
  down: 0.5,
  ...more,
});

describe('the counter’s judgement (trade section 2, common practice)', () => {
  const cases: [string, Asked, string, string[]][] = [
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
    ['a soft pull saw', { family: 'pull' }, 'take', ['sound']],
    ['a hardened pull saw', { family: 'pull', hardened: 'yes' }, 'decline', ['hardened']],
    [
      'a carbide blade, whatever a file would do on it',
      { family: 'circular', tipped: 'carbide', hardened: 'yes', markedLimitRpm: 6000 },
      'take-if',
      ['carbide'],
    ],
    [
      'a steel blade without its marked speed',
      { family: 'circular', tipped: 'steel', markedLimitRpm: null },
      'take-if',
      ['no-speed-marking'],
    ],
    [
      'burnt teeth',
      { family: 'circular', tipped: 'steel', markedLimitRpm: 6000, marks: [mark('burn', 0.2, { down: 0.95 })] },
      'take-if',
      ['burnt'],
    ],
    [
      'a plate that was too hot',
      { family: 'circular', tipped: 'steel', markedLimitRpm: 6000, marks: [mark('burn', 0.2, { down: 0.4 })] },
      'decline',
      ['overheated-plate', 'burnt'],
    ],
    ['a band cracked at a gullet', { family: 'band', marks: [mark('crack')] }, 'decline', ['powered-crack']],
    [
      'a kink and a conversion',
      { filing: 'crosscut', wantsFiling: 'rip', marks: [mark('kink', 0.3)] },
      'take-if',
      ['kink-plate', 'converting'],
    ],
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
  it('tells of each deciding reason what would be judged without it', () => {
    const [crack, kink] = triage(asked({ marks: [mark('kink'), mark('crack')] })).reasons;
    expect([crack?.rule, crack?.withoutIt]).toEqual(['crack', 'take-if']);
    expect(kink?.withoutIt).toBeUndefined();
    // Two that decline alike: neither alone would change it.
    expect(
      triage(asked({ hardened: 'yes', marks: [mark('crack')] })).reasons.every((r) => r.withoutIt === undefined),
    ).toBeTrue();
  });
  it('a pull saw grown too narrow at either end is declined; one nobody measured is not', () => {
    const pull = (heel?: number, toe?: number) =>
      triage({
        ...asked({ family: 'pull' }),
        saw: {
          family: 'pull',
          backFixing: 'none',
          ...(heel !== undefined && { plateDepthHeelMm: heel }),
          ...(toe !== undefined && { plateDepthToeMm: toe }),
        },
      }).verdict;
    expect([pull(40, 30), pull(40, 24), pull(24, 40), pull(), pull(0, 40)]).toEqual([
      'take',
      'decline',
      'decline',
      'take',
      'take',
    ]);
  });
  it('a kink exactly at the mark of the toe is cut off, a burn exactly at the teeth is on them', () => {
    const at = (m: PlateMark) =>
      triage(asked({ family: m.kind === 'burn' ? 'circular' : 'hand', marks: [m] })).reasons.map((r) => r.rule);
    expect(at(mark('kink', 0.85))).toEqual(['kink-toe']);
    expect(at(mark('burn', 0.1, { down: 0.75 }))).toEqual(['burnt']);
  });
  it('what a collector or an etch asks is asked only where it was said', () => {
    const rules = (more: Asked) => triage(asked({ marks: [mark('rust')], ...more })).reasons.map((r) => r.rule);
    expect(rules({ etch: true })).toEqual(['etch', 'rust']);
    expect(rules({ etch: false })).toEqual(['rust']);
    expect(rules({ collectible: true })).toEqual(['collectible', 'rust']);
    expect(triage(asked({ family: 'pull', filesPullSaws: false })).verdict).toBe('decline');
  });
  it('a filing is converted only to another one', () => {
    expect(isConverting('rip', 'rip')).toBeFalse();
    expect(isConverting('rip', 'as-it-is')).toBeFalse();
    expect(isConverting('combination', 'rip')).toBeFalse();
    expect(isConverting('crosscut', 'rip')).toBeTrue();
    expect(factsFrom(asked({}))['speedMarked']).toBeNull();
  });
});

describe('a dado set, part by part', () => {
  const parts = [
    { id: 'left outer', kind: 'outer' },
    { id: 'chipper 1', kind: 'chipper' },
    { id: 'chipper 2', kind: 'chipper' },
    { id: 'chipper 3', kind: 'chipper' },
    { id: 'right outer', kind: 'outer' },
  ] as const;
  const set = (...marks: PlateMark[]) =>
    triage(asked({ family: 'dado', tipped: 'steel', markedLimitRpm: 7000, parts, marks }));
  it('a sound set is taken and says so once', () => {
    const sound = set();
    expect([sound.verdict, sound.reasons.map((r) => r.rule)]).toEqual(['take', ['sound']]);
  });
  it('a cracked chipper is left out, a cracked outer blade stops the set', () => {
    const chipper = set(mark('crack', 0.1, { part: 2 }));
    expect(chipper.verdict).toBe('take-if');
    expect(chipper.reasons.map((r) => [r.rule, r.part])).toEqual([
      ['powered-crack', 'chipper 2'],
      ['set-part-refused', undefined],
    ]);
    expect(set(mark('crack', 0.1, { part: 4 })).verdict).toBe('decline');
    expect(set(mark('rust', 0.1, { part: 1 })).verdict).toBe('take');
    // A part that is only taken on a condition makes the set so.
    expect(set(mark('pitting', 0.1, { part: 1 })).verdict).toBe('take-if');
    expect('part' in (chipper.reasons[1] ?? {})).toBeFalse();
  });
  it('missing the marked speed is told once for the set', () =>
    expect(
      triage(asked({ family: 'dado', tipped: 'steel', markedLimitRpm: null, parts })).reasons.map((r) => r.rule),
    ).toEqual(['no-speed-marking']));
});

describe('marks of each family', () => {
  it('every mark belongs to one family at least, and one that does not belong says so', () => {
    for (const kind of PLATE_MARKS)
      expect(FAMILIES.some((f) => MARKS_OF[f].includes(kind)))
        .withContext(kind)
        .toBeTrue();
    expect(markFault('band', 'loose-handle')).toBe('A band has no handle: that mark belongs to another saw.');
    expect(markFault('hand', 'bent-back')).toMatch(/no stiffening back/);
    expect(markFault('back', 'bent-back')).toBeNull();
    expect(markFault('pull', 'bent-back', 'folded')).toBeNull();
    expect(markFault('pull', 'bent-back', 'none')).toBe(
      'A pull saw has no stiffening back: that mark belongs to another saw.',
    );
  });
});
