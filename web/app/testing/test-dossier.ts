import type { PriceWord } from '@odontis/core/money/price-chain';
import { USUAL_PLACE_KEEPING } from '@odontis/core/work/place-keeping';
import type { DoorState } from '@odontis/contract/door';
import type { Dossier } from '@odontis/contract/dossier';
import type { Shop } from '@odontis/contract/shop';
import { DEFAULT_HABITS } from '@odontis/core/work/habits';
import { lineInputsOf, lineSawOf } from '@odontis/core/work/tooth-line/inputs';
import { makeOrder } from '@odontis/core/work/tooth-line/make-order';
import { studyLine } from '@odontis/core/work/tooth-line/study';
import type { Session } from '@odontis/core/evidence/session';
import { takeLine } from '@odontis/core/evidence/take';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';

/** A shop as the server would send it; for unit tests only. */
export const testShop = (more: Partial<Shop['book']> = {}): Shop => ({
  version: 3,
  changedBy: 'First Hand',
  book: {
    name: 'Test shop',
    lengthUnit: 'thou',
    pointConvention: 'points',
    rakeSpeech: 'lean-back',
    fleamSpeech: 'off-square',
    habits: { ...DEFAULT_HABITS, angles: { ...DEFAULT_HABITS.angles } },
    rates: { wagePerHour: 48, leastCharge: 14, currency: '€' },
    ...more,
  },
});

const hand = { place: USUAL_PLACE_KEEPING, calibrations: [], here: true, hasPassword: true, hasCode: true };
export const testPeople = [
  { ...hand, id: 1, name: 'First Hand', initials: 'FH', role: 'owner' as const },
  { ...hand, id: 2, name: 'Second Hand', initials: 'SH', role: 'filer' as const },
];

/** The door with the first of them in. */
export const testDoor = (more: Partial<DoorState> = {}): DoorState => ({
  state: 'open',
  demo: false,
  people: testPeople.map(({ id, name, initials, role }) => ({ id, name, initials, role, opensBy: 'code' })),
  here: {
    key: '00000000-0000-4000-8000-000000000001',
    personId: 1,
    name: 'First Hand',
    role: 'owner',
    device: { id: 1, name: 'Office screen' },
  },
  lockAfterMinutes: 30,
  trustPage: false,
  ...more,
});

/** A hollow line of n teeth at 2 mm. */
export const hollowLine = (n = 24): ToothReading[] =>
  Array.from({ length: n }, (_, i) => ({
    tooth: i + 1,
    xMm: i * 2 + 0.04 * Math.sin(i * 1.9),
    yMm: -0.15 * Math.sin((Math.PI * i) / (n - 1)),
    lean: i % 2 ? ('right' as const) : ('left' as const),
    setMm: 0.05,
    kind: 'tooth' as const,
    note: null,
  }));

/** A line measured whole in one session, closed since. */
export function testSession(teeth: readonly ToothReading[], more: Partial<Session> = {}): Session {
  let next = 0;
  const mint = (): string => `00000000-0000-4000-8000-${String(++next).padStart(12, '0')}`;
  const taken = takeLine([], { teeth, places: true }, { gauge: 'straight-edge', simulated: false, mint });
  return {
    key: '00000000-0000-4000-9000-000000000001',
    kind: 'before',
    by: 'First Hand',
    startedAt: '2031-05-01T09:00:00.000Z',
    finishedAt: '2031-05-01T10:00:00.000Z',
    note: '',
    readings: taken.map((r) => ({ ...r, by: 'First Hand', at: '2031-05-01T09:00:00.000Z' })),
    ...more,
  };
}

/** A quote of 14 to 40, a plan of 21.50 where one was made, and what was charged. */
function testPrices(stage: string, planned: boolean): PriceWord[] {
  const word = (id: number, kind: PriceWord['kind'], low: number, high: number): PriceWord => ({
    ...{ id, kind, low, high, minutesLow: 8, minutesHigh: 40, minutesLikely: 24 },
    ...{ plan: kind === 'plan' ? 1 : null, quote: kind === 'estimate' ? '1009' : null, wordBy: null },
    ...{ said: '', note: '', by: 'First Hand', at: '2031-05-01T09:00:00.000Z' },
  });
  return [
    word(1, 'estimate', 14, 40),
    ...(planned ? [word(2, 'plan', 21.5, 21.5)] : []),
    ...(stage === 'closed' ? [word(3, 'charged', 21.5, 21.5)] : []),
  ];
}

/** A ticket as far as wanted, its plan worked out by core. */
export function testDossier(stage: 'measure' | 'plan' | 'bench' | 'check' | 'handover' | 'closed'): Dossier {
  const readings = hollowLine();
  const saw = {
    id: 5,
    name: 'Dovetail saw',
    family: 'back' as const,
    filing: 'rip' as const,
    pitchMm: 2,
    convention: 'points' as const,
    toothLineMm: 50,
    plateThicknessMm: 0.5,
    plateDepthHeelMm: 45,
    plateDepthToeMm: 45,
    backFixing: 'folded' as const,
    marksOnIt: '',
  };
  const inputs = lineInputsOf({
    saw: lineSawOf(saw, { filing: saw.filing, wood: 'dry-soft' }, readings.length),
    angles: DEFAULT_HABITS.angles.rip,
    readings,
  });
  const measured = stage !== 'measure';
  const planned = measured && stage !== 'plan';
  return {
    ticket: {
      id: 9,
      number: 1009,
      stage,
      version: 4,
      wood: 'dry-soft',
      useRate: 'weekly',
      complaint: 'dull',
      hardened: 'no',
      marks: [],
      lineLook: 'not-looked',
      grain: 'unsaid',
      wantsFiling: 'as-it-is',
      etch: false,
      collectible: false,
      replacement: null,
      consents: [],
      minutesTaken: null,
      workDone: '',
      arrival: 3,
      overrideReason: '',
      promisedOn: '2031-05-04',
      verdict: 'take',
      reasons: [{ rule: 'sound', verdict: 'take', says: 'Sound.', because: 'saw', needsConsent: false }],
      currency: '€',
      openedBy: 'First Hand',
      openedAt: '2031-05-01T09:00:00.000Z',
      closedBy: stage === 'closed' ? 'First Hand' : null,
      closedAt: stage === 'closed' ? '2031-05-04T09:00:00.000Z' : null,
      handoverNote: null,
      waitsFor: null,
      waitsNote: '',
      heldFrom: null,
      endedAs: null,
      endedFrom: null,
      tried: '',
    },
    customer: { id: 7, name: 'Wren Ashby', phone: '', email: '' },
    saw,
    sessions: measured ? [testSession(readings)] : [],
    seen: measured ? readings.length : 0,
    plan: planned
      ? {
          id: 11,
          number: 1,
          acceptedBy: 'First Hand',
          acceptedAt: '2031-05-02T09:00:00.000Z',
          order: makeOrder(studyLine(inputs), 0.12),
          way: 'tune' as const,
          least: null,
          why: '',
          done: [],
          skipped: [],
          results: [],
          stopped: [],
          files: [],
          how: {},
          pause: null,
        }
      : null,
    earlier: [],
    preparations: [],
    corrections: [],
    reasons: [],
    outwork: [],
    prices: testPrices(stage, planned),
    checks: [],
    visits: [],
    lastCheck: null,
    cameWith: [],
    photographs: [],
    messages: [],
  };
}
