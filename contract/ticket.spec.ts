import { fieldErrors, pointer } from './field-errors';
import { toothReadings } from './readings';
import { benchEvents } from './bench';
import { newSaw, newTicket } from './ticket';
import { planChoice } from './plan';

const saw = {
  name: 'Tenon saw',
  family: 'back',
  filing: 'rip',
  perInch: 12,
  convention: 'points',
  toothLineMm: 355,
  plateThicknessMm: 0.75,
  plateDepthHeelMm: 85,
  plateDepthToeMm: 80,
  backFixing: 'folded',
  marksOnIt: '',
};
const intake = {
  wood: 'green',
  useRate: 'daily',
  complaint: '  binds  ',
  hardened: 'no',
  marks: [],
  consent: false,
  overrideReason: '',
  promisedOn: '2031-05-04',
};
const ticket = { customer: { name: 'Wren', phone: '', email: '' }, saw, intake, decision: 'take' };
const wrong = (value: unknown): string[] => {
  const result = newTicket.safeParse(value);
  return result.success ? [] : fieldErrors(result.error).map((e) => `${e.path} ${e.message}`);
};

describe('what the wire carries', () => {
  it('trims what was typed and keeps the rest as it is', () => {
    expect(newTicket.parse(ticket).intake.complaint).toBe('binds');
  });

  it('each field says in a sentence what would be right', () => {
    expect(wrong({ ...ticket, saw: { ...saw, perInch: 60 } })).toEqual([
      '/saw/perInch The count to the inch must lie between 1.5 and 40 .',
    ]);
    expect(wrong({ ...ticket, intake: { ...intake, promisedOn: '4 May' } })[0]).toContain('year-month-day');
    expect(wrong({ ...ticket, customer: { name: '', phone: '', email: '' } })).toEqual([
      '/customer/name The customer’s name is missing.',
    ]);
    expect(wrong({ ...ticket, customer: { name: 'A', phone: '', email: 'nowhere' } })[0]).toContain('needs an @');
  });

  it('impossible combinations are said where they are', () => {
    const paths = (change: object): string[] => {
      const result = newSaw.safeParse({ ...saw, ...change });
      return result.success ? [] : fieldErrors(result.error).map((e) => e.path);
    };
    expect(paths({ family: 'hand' })).toEqual(['/backFixing']);
    expect(paths({ backFixing: 'none' })).toEqual(['/backFixing']);
    expect(paths({ family: 'hand', backFixing: 'none' })).toEqual([]);
    expect(paths({ family: 'band' })).toEqual(['/family']);
  });

  it('a known customer goes by id alone, a mixture is not guessed at', () => {
    expect(newTicket.safeParse({ ...ticket, customer: { id: 4 } }).success).toBeTrue();
    expect(newTicket.safeParse({ ...ticket, customer: { id: 0 } }).success).toBeFalse();
  });

  it('numbers must be numbers: no NaN, no infinity, no text', () => {
    for (const depthMm of [NaN, Infinity, '0.1', null, undefined, -0.01, 21]) {
      const choice = { version: 1, depthMm, line: 'free', rakeDeg: 0, fleamDeg: 0 };
      expect(planChoice.safeParse(choice).success).withContext(String(depthMm)).toBeFalse();
    }
  });

  it('teeth come in order from the heel, places rising', () => {
    const tooth = (n: number, xMm: number) => ({ tooth: n, xMm, yMm: 0, kind: 'tooth' });
    expect(toothReadings.safeParse([tooth(1, 0), tooth(2, 2)]).success).toBeTrue();
    expect(toothReadings.safeParse([tooth(2, 0)]).success).toBeFalse();
    expect(toothReadings.safeParse([tooth(1, 0), tooth(2, 0)]).success).toBeFalse();
    expect(toothReadings.safeParse([tooth(1, 0), tooth(1, 2)]).success).toBeFalse();
    expect(toothReadings.safeParse([]).success).toBeTrue();
  });

  it('a bench event needs an id of its own and a time', () => {
    const event = { id: '0b9c6b0e-8f0e-4a55-9d3c-5a3b6a1f2c11', stop: 3, action: 'done', at: '2031-05-04T09:00:00Z' };
    const fits = (change: object): boolean =>
      benchEvents.safeParse({ planId: 1, events: [{ ...event, ...change }] }).success;
    expect(fits({})).toBeTrue();
    expect(fits({ id: '7' })).toBeFalse();
    expect(fits({ stop: -1 })).toBeFalse();
    expect(fits({ stop: 1.5 })).toBeFalse();
    expect(fits({ at: 'now' })).toBeFalse();
    expect(fits({ action: 'skip' })).toBeFalse();
  });

  it('pointers name a field as RFC 6901 does', () => {
    expect(pointer(['saw', 'perInch'])).toBe('/saw/perInch');
    expect(pointer(['a/b', 'c~d', 0])).toBe('/a~1b/c~0d/0');
    expect(pointer([])).toBe('');
  });
});
