import { newTicket } from '@odontis/contract/ticket';
import { SAW_PATTERNS } from '@odontis/core/saw/families';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { emptyDraft, fromPattern, keepDraft, recallDraft, toNewTicket } from './counter-draft';

const thou: ShopSpeech = {
  lengthUnit: 'thou',
  pointConvention: 'points',
  rakeSpeech: 'lean-back',
  fleamSpeech: 'off-square',
};
const mm: ShopSpeech = { ...thou, lengthUnit: 'mm', pointConvention: 'teeth' };
const filled = (speech: ShopSpeech, pattern: number) => ({
  ...emptyDraft(speech.pointConvention, '2031-05-04'),
  ...fromPattern(SAW_PATTERNS[pattern] as (typeof SAW_PATTERNS)[number], speech),
  customerName: 'Wren Ashby',
  hardened: 'no' as const,
});

describe('the counter’s draft', () => {
  it('every pattern’s usual sizes fit the contract, in inches and in mm', () => {
    for (const speech of [thou, mm]) {
      SAW_PATTERNS.forEach((pattern, i) => {
        const wanted = newTicket.safeParse(toNewTicket(filled(speech, i), speech, 'take'));
        expect(wanted.success).withContext(pattern.name).toBeTrue();
        if (!wanted.success || !('perInch' in wanted.data.saw)) return;
        expect(wanted.data.saw.toothLineMm).toBeCloseTo(pattern.toothLineMm, -1);
        expect(wanted.data.saw.plateThicknessMm).toBeCloseTo(pattern.plateThicknessMm, 1);
      });
    }
  });

  it('lengths are read with their unit, whatever the shop speaks', () => {
    const draft = { ...filled(thou, 0), toothLine: '254 mm', thickness: '0,5 mm' };
    const saw = (toNewTicket(draft, thou, 'take') as { saw: { toothLineMm: number; plateThicknessMm: number } }).saw;
    expect(saw.toothLineMm).toBe(254);
    expect(saw.plateThicknessMm).toBe(0.5);
  });

  it('what cannot be read is named by the contract, not swallowed', () => {
    const draft = { ...filled(thou, 0), toothLine: 'long', hardened: '' as const };
    const wanted = newTicket.safeParse(toNewTicket(draft, thou, 'take'));
    expect(wanted.success).toBeFalse();
    const messages = wanted.success ? '' : JSON.stringify(wanted.error.issues);
    expect(messages).toContain('The length of the tooth line');
    expect(messages).toContain('Say whether the teeth are hardened');
  });

  it('a known customer and saw go by their ids alone', () => {
    const draft = { ...filled(thou, 0), customerId: 3, sawId: 8 };
    expect(toNewTicket(draft, thou, 'take')).toEqual(
      jasmine.objectContaining({ customer: { id: 3 }, saw: { id: 8 } }) as unknown as object,
    );
  });

  it('is kept over a reload', () => {
    keepDraft(filled(thou, 2));
    expect(recallDraft()?.sawName).toBe('Tenon saw');
    keepDraft(null);
    expect(recallDraft()).toBeNull();
  });
});
