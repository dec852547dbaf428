import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewMessage } from '@odontis/contract/notes';
import { bandDossier } from '../testing/other-dossier';
import { testDossier } from '../testing/test-dossier';
import { withStore } from '../testing/with-store';
import { CounterSlip } from './counter-slip';

describe('the counter’s slip under a ticket', () => {
  let fixture: ComponentFixture<CounterSlip>;
  let written: NewMessage[];
  let declined: object[];
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((b) => b.textContent?.includes(name)) as HTMLButtonElement;
  const show = async (dossier: Dossier): Promise<void> => {
    TestBed.resetTestingModule();
    withStore();
    fixture = TestBed.createComponent(CounterSlip);
    [written, declined] = [[], []];
    fixture.componentInstance.written.subscribe((m) => written.push(m));
    fixture.componentInstance.finished.subscribe((d) => declined.push(d));
    fixture.componentRef.setInput('dossier', dossier);
    await fixture.whenStable();
  };
  const type = async (field: Element | null | undefined, text: string): Promise<void> => {
    (field as HTMLInputElement).value = text;
    field?.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };

  it('offers the notes that make sense at this stage, each begun with words', async () => {
    await show(testDossier('measure'));
    expect(button('it is ready')).toBeUndefined();
    expect(host().querySelector('textarea')?.value).toContain('about your');
    await show(bandDossier('handover'));
    expect(host().querySelector('textarea')?.value).toContain('is ready');
    await show(bandDossier('declined'));
    expect(host().querySelector('textarea')?.value).toContain('we cannot take on');
    expect(button('a question')).toBeUndefined();
  });

  it('words that are being typed outlive a change of the ticket; a note that went out begins the next one', async () => {
    const dossier = testDossier('measure');
    await show(dossier);
    button('a refusal').click();
    await fixture.whenStable();
    const [to, words] = [host().querySelector('form input'), host().querySelector('textarea')];
    await type(to, '0555 7');
    await type(words, 'The plate is bent past saving.');
    // A photograph came, and somebody promised it for another day.
    fixture.componentRef.setInput('dossier', {
      ...dossier,
      ticket: { ...dossier.ticket, promisedOn: '2031-06-01' },
    });
    await fixture.whenStable();
    expect([(to as HTMLInputElement).value, words?.value]).toEqual(['0555 7', 'The plate is bent past saving.']);
    expect(button('a refusal').getAttribute('aria-checked')).toBe('true');
    const note = { kind: 'refusal' as const, sentTo: '0555 7', body: 'The plate is bent past saving.' };
    const message = {
      ...note,
      id: 1,
      state: 'waiting' as const,
      at: '2031-05-01T09:00:00Z',
      by: 'First Hand',
      sentAt: null,
    };
    fixture.componentRef.setInput('dossier', { ...dossier, messages: [message] });
    await fixture.whenStable();
    expect(words?.value).toContain('we cannot take on');
  });

  it('puts a note in the outbox only with somewhere to send it', async () => {
    await show(testDossier('measure'));
    button('Put it in the outbox').click();
    await fixture.whenStable();
    expect(written).toEqual([]);
    expect(host().textContent).toContain('The telephone or e-mail the note goes to is missing.');
    await type(host().querySelector('form input'), '0555 1');
    button('Put it in the outbox').click();
    expect(written[0]).toEqual(jasmine.objectContaining({ kind: 'question', sentTo: '0555 1' }));
  });

  it('ends a ticket at any stage; nothing is chosen before somebody does, and what is missing is said', async () => {
    for (const stage of ['measure', 'bench', 'handover'] as const) {
      await show(testDossier(stage));
      button('End the ticket').click();
      await fixture.whenStable();
      expect(host().textContent).toContain('Say how it ends.');
      expect(declined).toEqual([]);
    }
    await show(testDossier('closed'));
    expect(button('End the ticket')).toBeUndefined();
  });

  it('shows every word of the price, and what may be charged', async () => {
    await show(testDossier('bench'));
    const text = host().textContent?.replace(/\s+/g, ' ') ?? '';
    expect(text).toContain('Quote 1009: € 14.00 to € 40.00, nothing above');
    expect(text).toContain('Plan 1: € 21.50');
    expect(text).toContain('Up to € 40.00 may be charged without another word.');
  });

  it('an ended ticket is taken up again with a reason', async () => {
    await show(bandDossier('declined'));
    const reopened: string[] = [];
    fixture.componentInstance.reopened.subscribe((why) => reopened.push(why));
    expect(button('Take the ticket up again').disabled).toBeTrue();
    await type([...host().querySelectorAll('form')].at(-1)?.querySelector('input'), 'They came back.');
    button('Take the ticket up again').click();
    expect(reopened).toEqual(['They came back.']);
  });

  it('tells what the owner agreed to and what was decided otherwise', async () => {
    const dossier = testDossier('measure');
    const reason = {
      rule: 'kink-plate',
      verdict: 'take-if' as const,
      says: 'An even chance.',
      because: 'marks' as const,
      needsConsent: true,
    };
    await show({
      ...dossier,
      ticket: { ...dossier.ticket, reasons: [reason], consents: ['kink-plate'], overrideReason: 'Old friend.' },
    });
    expect(host().textContent?.replace(/\s+/g, ' ')).toContain('The owner agreed: An even chance.');
    expect(host().textContent).toContain('Old friend.');
  });
});
