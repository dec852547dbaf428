import { fieldErrors, pointer } from './field-errors';
import { toothLine } from './tooth-line';
import { benchEvents } from './bench';
import { newSaw } from './saw';
import { bladeMeasures } from '@odontis/core/saw/saw';
import { newTicket } from './ticket';
import { linePlanChoice } from './plan';
import { numberOfTag, tagCode } from './tag-code';

const saw = {
  name: 'Tenon saw',
  family: 'back',
  filing: 'rip',
  pitchMm: 25.4 / 11,
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
  lineLook: 'not-looked',
  grain: 'unsaid',
  wantsFiling: 'as-it-is',
  etch: false,
  collectible: false,
  replacement: null,
  consents: [],
  overrideReason: '',
  promisedOn: '2031-05-04',
};
const key = '6b1f1b6e-2f37-4a5c-9d0e-7c8f6a1f0b11';
const ticket = { key, customer: { name: 'Wren', phone: '', email: '' }, saw, intake, decision: 'take' };
const wrong = (value: unknown): string[] => {
  const result = newTicket.safeParse(value);
  return result.success ? [] : fieldErrors(result.error).map((e) => `${e.path} ${e.message}`);
};

describe('what the wire carries', () => {
  it('trims what was typed and keeps the rest as it is', () => {
    expect(newTicket.parse(ticket).intake.complaint).toBe('binds');
  });

  it('each field says in a sentence what would be right', () => {
    expect(wrong({ ...ticket, saw: { ...saw, pitchMm: 0.43 } })).toEqual([
      '/saw/pitchMm The pitch, tip to tip, must lie between 0.5 and 60 mm.',
    ]);
    expect(wrong({ ...ticket, intake: { ...intake, promisedOn: '4 May' } })[0]).toContain('year-month-day');
    expect(wrong({ ...ticket, customer: { name: '', phone: '', email: '' } })).toEqual([
      '/customer/name The customer’s name is missing.',
    ]);
    expect(wrong({ ...ticket, customer: { name: 'A', phone: '', email: 'nowhere' } })[0]).toContain('needs an @');
  });

  it('a pitch out of its bounds is told once, and never breaks what looks at it', () => {
    for (const pitchMm of [0, 61, -3, Infinity, NaN])
      expect(wrong({ ...ticket, saw: { ...saw, pitchMm } }))
        .withContext(String(pitchMm))
        .toEqual(['/saw/pitchMm The pitch, tip to tip, must lie between 0.5 and 60 mm.']);
  });

  it('impossible combinations are said where they are', () => {
    const paths = (change: object): string[] => {
      const result = newSaw.safeParse({ ...saw, ...change });
      return result.success ? [] : fieldErrors(result.error).map((e) => e.path);
    };
    expect(paths({ family: 'hand' })).toEqual(['/backFixing']);
    expect(paths({ backFixing: 'none' })).toEqual(['/backFixing']);
    expect(paths({ family: 'hand', backFixing: 'none' })).toEqual([]);
    expect(paths({ family: 'chain' })).toEqual(['/family']);
  });

  it('a known customer goes by id alone, a mixture is not guessed at', () => {
    expect(newTicket.safeParse({ ...ticket, customer: { id: 4 } }).success).toBeTrue();
    expect(newTicket.safeParse({ ...ticket, customer: { id: 0 } }).success).toBeFalse();
  });

  it('numbers must be numbers: no NaN, no infinity, no text', () => {
    for (const depthMm of [NaN, Infinity, '0.1', null, undefined, -0.01, 21]) {
      const choice = { version: 1, depthMm, line: 'free', rakeDeg: 0, fleamDeg: 0 };
      expect(linePlanChoice.safeParse(choice).success).withContext(String(depthMm)).toBeFalse();
    }
  });

  it('teeth come in order from the heel, places rising', () => {
    const tooth = (n: number, xMm: number) => ({ tooth: n, xMm, yMm: 0, kind: 'tooth' });
    expect(toothLine.safeParse([tooth(1, 0), tooth(2, 2)]).success).toBeTrue();
    expect(toothLine.safeParse([tooth(2, 0)]).success).toBeFalse();
    expect(toothLine.safeParse([tooth(1, 0), tooth(2, 0)]).success).toBeFalse();
    expect(toothLine.safeParse([tooth(1, 0), tooth(1, 2)]).success).toBeFalse();
    expect(toothLine.safeParse([]).success).toBeTrue();
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
    expect(pointer(['saw', 'pitchMm'])).toBe('/saw/pitchMm');
    expect(pointer(['a/b', 'c~d', 0])).toBe('/a~1b/c~0d/0');
    expect(pointer([])).toBe('');
  });
});

describe('saws of every family on the wire', () => {
  const blade = {
    name: 'Rip blade',
    marksOnIt: '',
    diameterMm: 250,
    boreMm: 30,
    tipped: 'steel',
    markedLimitRpm: 6000,
    backFixing: 'none',
    plateThicknessMm: 2.2,
  };
  const of = (teeth: number, boreMm = 30) => ({ ...bladeMeasures(250, boreMm, teeth), boreMm });
  const circular = { ...blade, ...of(24), family: 'circular', filing: 'rip' };
  const part = (id: string, kind: string, more: object = {}) => ({
    id,
    kind,
    teeth: 40,
    plateMm: 2.2,
    cutMm: 3.2,
    ...more,
  });
  const outers = [part('left', 'outer'), part('right', 'outer')];
  const dado = { ...blade, ...of(40), family: 'dado', filing: 'combination', parts: outers };
  const said = (value: object): string[] => {
    const read = newSaw.safeParse(value);
    return read.success ? [] : fieldErrors(read.error).map((e) => `${e.path} ${e.message}`);
  };

  it('by hand: a blade’s rim and pitch out of its diameter and teeth', () => {
    const facts = newSaw.parse(circular);
    expect(facts.toothLineMm).toBeCloseTo(785.398, 3);
    expect(facts.pitchMm).toBeCloseTo(32.725, 3);
    expect(facts.plateDepthHeelMm).toBe(110);
  });

  it('what cannot be is said at the field to look at', () => {
    expect(said({ ...circular, ...of(600) })[0]).toMatch(/^\/pitchMm 600 teeth round a blade of 250 mm/);
    expect(said({ ...circular, ...of(24, 150) })[0]).toMatch(/^\/boreMm/);
    expect(said({ ...dado, parts: [part('left', 'outer'), part('chipper', 'chipper')] })[0]).toMatch(
      /^\/parts .* has 1\./,
    );
    expect(said({ ...dado, parts: [...outers, part('left', 'chipper')] })[0]).toMatch(/two parts are called “left”/i);
    expect(said({ ...dado, parts: [...outers, part('c', 'chipper', { cutMm: 1 })] })[0]).toMatch(/^\/parts\/2\/cutMm/);
    expect(said({ ...dado, parts: [...outers, part('s', 'shim')] })[0]).toMatch(/a shim has no teeth/);
    expect(said({ ...circular, ...of(2) })[0]).toMatch(/^\/pitchMm The teeth of a blade/);
    expect(said({ ...circular, toothLineMm: 700 })[0]).toMatch(/^\/diameterMm .* times pi/);
    expect(said({ ...circular, pattern: 'CCR' })[0]).toMatch(/^\/pattern/);
    expect(said({ ...circular, tipped: 'gold' })[0]).toMatch(/steel or carbide-tipped/);
  });

  it('a mark of another saw is refused, and one on a part that is not there', () => {
    const wanted = (saw: object, marks: object[]) => wrong({ ...ticket, saw, intake: { ...intake, marks } });
    expect(wanted(circular, [{ kind: 'loose-handle', along: 0, down: 0 }])[0]).toMatch(
      /^\/intake\/marks A circular blade has no handle/,
    );
    expect(wanted(dado, [{ kind: 'rust', along: 0, down: 0, part: 5 }])[0]).toMatch(/part the set does not have/);
    expect(wanted(dado, [{ kind: 'rust', along: 0, down: 0, part: 1 }])).toEqual([]);
  });

  it('many slips in a saw are told as that saw’s, never as those of one in the book', () => {
    const paths = wrong({ ...ticket, saw: { ...circular, boreMm: -1, name: '', plateThicknessMm: 99 } });
    expect(paths.map((p) => p.split(' ')[0]).sort()).toEqual(['/saw/boreMm', '/saw/name', '/saw/plateThicknessMm']);
    expect(wrong({ ...ticket, saw: undefined })[0]).toContain('choose it by its picture');
  });

  it('a tag’s code and its number typed are read alike; nothing else is', () => {
    for (const text of ['odontis-ticket-1042', '1042', ' no. 1042 ', 'No 1042'])
      expect(numberOfTag(text)).withContext(text).toBe(1042);
    for (const text of ['', 'saw', '10.5', 'odontis-ticket-', 'https://nowhere/1042'])
      expect(numberOfTag(text)).withContext(text).toBeNull();
    expect(numberOfTag(tagCode(7))).toBe(7);
  });
});
