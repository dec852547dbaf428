import { fieldErrors } from '@odontis/contract/field-errors';
import { newTicket } from '@odontis/contract/ticket';
import { FAMILIES } from '@odontis/core/saw/all-families';
import { SAW_SHAPES, teethOf } from '@odontis/core/saw/saw';
import { ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import type { OrdinarySaw } from '@odontis/core/saw/ordinary-saws';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import type { CounterDraft } from './counter-draft';
import { answeredOf, emptyDraft, nextSaw, replacementOf } from './counter-draft';
import { toNewTicket } from './to-new-ticket';
import { keepDraft, leftDraft, recallDraft } from './draft-keeper';
import { withoutPart, withPart } from '../../../shared/saw/draft-parts';
import { fromOrdinary } from './from-ordinary';
import { fieldOf, QUESTIONS } from '../../../shared/saw/questions';
import { readSaw, sawRead } from '../../../shared/saw/read-saw';

const thou: ShopSpeech = {
  lengthUnit: 'thou',
  pointConvention: 'points',
  rakeSpeech: 'lean-back',
  fleamSpeech: 'off-square',
};
const mm: ShopSpeech = { ...thou, lengthUnit: 'mm', pointConvention: 'teeth' };
const DAY = '2031-05-04';
const ordinary = (id: string): OrdinarySaw => ORDINARY_SAWS.find((p) => p.id === id) as OrdinarySaw;
const filled = (speech: ShopSpeech, id: string, told: Record<string, string> = {}): CounterDraft => {
  const draft = {
    ...emptyDraft(),
    ...fromOrdinary(ordinary(id), speech),
    customerName: 'Wren Ashby',
    hardened: 'no' as const,
  };
  return { ...draft, told: { ...draft.told, ...told } };
};
const faults = (draft: CounterDraft): string[] => {
  const read = newTicket.safeParse(toNewTicket(draft, thou, 'take', DAY));
  return read.success ? [] : fieldErrors(read.error).map((e) => `${e.path.slice(1)} ${e.message}`);
};

describe('the counter’s draft', () => {
  it('every ordinary saw’s sizes fit the contract, in inches and in mm', () => {
    for (const speech of [thou, mm]) {
      for (const one of ORDINARY_SAWS) {
        const wanted = newTicket.safeParse(toNewTicket(filled(speech, one.id), speech, 'take', DAY));
        expect(wanted.success)
          .withContext(`${one.id} ${JSON.stringify(wanted.error?.issues ?? [])}`)
          .toBeTrue();
      }
    }
  });

  it('asks every family only what it alone can have, and every fault has its question', () => {
    const keys = (family: keyof typeof QUESTIONS): string[] => QUESTIONS[family].map((q) => q.key);
    expect(keys('band')).not.toContain('backFixing');
    expect(keys('band')).not.toContain('teeth');
    expect(keys('circular')).not.toContain('count');
    expect(keys('hand')).not.toContain('backFixing');
    for (const family of FAMILIES)
      for (const measure of Object.keys(SAW_SHAPES[family].shape)) {
        // Worked out of what is asked, or chosen by the picture.
        if (['family', 'convention', 'parts'].includes(measure)) continue;
        if (family === 'band' && ['filing', 'backFixing', 'plateDepthToeMm'].includes(measure)) continue;
        if (['circular', 'dado'].includes(family) && /^(backFixing|toothLineMm|plateDepth.*)$/.test(measure)) continue;
        if (family === 'dado' && ['filing', 'pitchMm', 'plateThicknessMm'].includes(measure)) continue;
        if (['hand', 'crosscut'].includes(family) && measure === 'backFixing') continue;
        expect(keys(family))
          .withContext(`${family} ${measure}`)
          .toContain(fieldOf(`/saw/${measure}`, family));
      }
  });

  it('what can be worked out is: teeth from length and pitch, pitch from teeth counted', () => {
    const teeth = (draft: CounterDraft): number => {
      const saw = sawRead(draft, thou);
      return saw ? teethOf(saw) : 0;
    };
    const band = { loop: '2560 mm', count: '403', countedBy: 'counted' };
    expect(teeth(filled(thou, 'band-narrow', band))).toBe(403);
    expect(sawRead(filled(thou, 'band-narrow', band), thou)?.pitchMm).toBeCloseTo(2560 / 403, 9);
    const saw = filled(thou, 'dovetail', { toothLine: '10 in', count: '141', countedBy: 'counted' });
    expect(sawRead(saw, thou)?.pitchMm).toBeCloseTo(254 / 140, 9);
    expect(teeth(saw)).toBe(141);
    expect(sawRead(filled(thou, 'one-man', { count: '12 mm', countedBy: 'pitch' }), thou)?.pitchMm).toBe(12);
    // As people say it; the word decides, not the choice beside it.
    for (const count of ['5 1/2 points', '9/2 teeth', '5,5', '5½'])
      expect(sawRead(filled(thou, 'rip', { count, countedBy: 'points' }), thou)?.pitchMm)
        .withContext(count)
        .toBeCloseTo(25.4 / 4.5, 9);
    expect(sawRead(filled(mm, 'rip', { count: '4,5 teeth', countedBy: 'points' }), mm)?.convention).toBe('teeth');
  });

  it('a line that begins within its pattern is kept so, and as whole groups where nobody tapped', () => {
    expect(sawRead(filled(thou, 'two-man', { patternOffset: '3' }), thou)).toEqual(
      jasmine.objectContaining({ pattern: 'CCCCR', patternOffset: 3 }),
    );
    expect(Object.keys(sawRead(filled(thou, 'two-man', {}), thou) ?? {})).not.toContain('patternOffset');
  });

  it('lengths are read with their unit, whatever the shop speaks', () => {
    const saw = sawRead(filled(thou, 'dovetail', { toothLine: '254 mm', thickness: '0,5 mm' }), thou);
    expect([saw?.toothLineMm, saw?.plateThicknessMm]).toEqual([254, 0.5]);
  });

  it('impossible saws are said at their own question', () => {
    expect(faults(filled(thou, 'blade-rip', { diameter: '100 mm', teeth: '400' }))[0]).toMatch(
      /^saw\/pitchMm 400 teeth round/,
    );
    expect(faults(filled(thou, 'tenon', { thickness: '3 mm' }))[0]).toMatch(
      /^saw\/plateThicknessMm .* thicker than its teeth/,
    );
    expect(faults(filled(thou, 'blade-rip', { bore: '200 mm' }))[0]).toMatch(/^saw\/boreMm/);
    expect(faults(filled(thou, 'one-man', { toothPattern: 'RRR' }))[0]).toMatch(/^saw\/pattern/);
    const handled = { ...filled(thou, 'band-narrow'), marks: [{ kind: 'loose-handle' as const, along: 0, down: 0.5 }] };
    expect(faults(handled)).toEqual(['intake/marks A band has no handle: that mark belongs to another saw.']);
    expect(faults(withoutPart2(filled(thou, 'dado'), 0))[0]).toMatch(/^saw\/parts .*two outer blades/);
  });

  const withoutPart2 = (draft: CounterDraft, index: number): CounterDraft => ({
    ...draft,
    ...withoutPart(draft, index),
  });

  it('what cannot be read is named by the contract, not swallowed', () => {
    const messages = faults({ ...filled(thou, 'dovetail', { toothLine: 'long' }), hardened: '' }).join(' ');
    expect(messages).toContain('The length of the tooth line');
    expect(messages).toContain('Say whether the teeth are hardened');
    expect(faults(emptyDraft()).join(' ')).toContain('choose it by its picture');
  });

  it('a speed is read with the usual marks between thousands, and none stays none', () => {
    const speed = (text: string): unknown =>
      (readSaw(filled(thou, 'blade-rip', { speed: text }), thou) as { markedLimitRpm: unknown }).markedLimitRpm;
    expect([speed('6000'), speed('6,000'), speed('6 000'), speed('6.000'), speed(' ')]).toEqual([
      6000,
      6000,
      6000,
      6000,
      null,
    ]);
  });

  it('a part put in or taken out leaves marks on the parts they were put on', () => {
    const marks = [0, 2, 4].map((part) => ({ kind: 'rust' as const, along: 0, down: 1, part }));
    const draft = { ...filled(thou, 'dado'), marks };
    const more = withPart(draft);
    expect(more.parts.map((p) => p.id)).toEqual([
      'left outer',
      'chipper 1',
      'chipper 2',
      'chipper 3',
      'chipper 4',
      'right outer',
    ]);
    expect(more.marks.map((m) => m.part)).toEqual([0, 2, 5]);
    const fewer = withoutPart(draft, 2);
    expect(fewer.parts.length).toBe(4);
    expect(fewer.marks.map((m) => m.part)).toEqual([0, 3]);
  });

  it('a known customer and saw go by their ids alone; a day chosen by hand stands', () => {
    const draft = { ...filled(thou, 'dovetail'), customerId: 3, sawId: 8 };
    const wanted = toNewTicket(draft, thou, 'take', DAY) as {
      customer: object;
      saw: object;
      intake: { promisedOn: string };
    };
    expect([wanted.customer, wanted.saw, wanted.intake.promisedOn]).toEqual([{ id: 3 }, { id: 8 }, DAY]);
    const chosen = toNewTicket({ ...draft, promisedOn: '2031-06-01' }, thou, 'take', DAY) as typeof wanted;
    expect(chosen.intake.promisedOn).toBe('2031-06-01');
  });

  it('the next saw of a visit keeps the customer and nothing of the saw', () => {
    const draft = { ...filled(thou, 'dovetail'), complaint: 'dull' };
    const next = nextSaw(draft, 12, 3);
    expect([next.customerId, next.arrival, next.family, next.complaint]).toEqual([3, 12, '', '']);
    expect(next.key).not.toBe(draft.key);
  });

  it('a replacement’s price is read with or without its currency', () => {
    expect(replacementOf({ ...emptyDraft(), replacement: '€ 35,50' })).toBe(35.5);
    expect(answeredOf({ ...emptyDraft(), replacement: 'dear' }).replacement).toBeNull();
  });

  it('is kept over a reload, and over a closed window', () => {
    keepDraft(filled(thou, 'tenon'));
    expect(recallDraft()?.told['sawName']).toBe('Tenon saw');
    sessionStorage.clear();
    // Another window is only offered it.
    expect(recallDraft()).toBeNull();
    expect(leftDraft()?.pattern).toBe('tenon');
    keepDraft(null);
    expect(leftDraft()).toBeNull();
  });
});
