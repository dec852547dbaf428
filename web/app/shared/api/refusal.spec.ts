import { HttpErrorResponse } from '@angular/common/http';
import { mergeChange } from '@odontis/contract/customer';
import { currentOf, toRefusal, Unreadable } from './refusal';

describe('what came back instead of an answer', () => {
  const body = { code: 'edited-elsewhere', detail: 'Changed.', errors: [], current: { a: 1 } };

  it('a problem keeps its sentence, its fields and the present record', () => {
    expect(toRefusal(new HttpErrorResponse({ status: 409, error: body }))).toEqual({
      code: 'edited-elsewhere',
      detail: 'Changed.',
      errors: [],
      current: { a: 1 },
    });
  });

  it('a problem that came as text is read all the same', () => {
    expect(toRefusal(new HttpErrorResponse({ status: 409, error: JSON.stringify(body) })).code).toBe(
      'edited-elsewhere',
    );
  });

  it('no answer, a proxy’s page or anything else is the computer away, with nothing lost', () => {
    for (const error of [
      new HttpErrorResponse({ status: 0 }),
      new HttpErrorResponse({ status: 502, error: '<html>' }),
      new Error('x'),
    ]) {
      expect(toRefusal(error).code).toBe('away');
      expect(toRefusal(error).detail).toContain('still here');
    }
  });

  it('an answer the contract does not know is no answer: the page says to load it again', () => {
    const refusal = toRefusal(new Unreadable({ path: ['ticket', 'id'], message: 'Invalid input' }));
    expect([refusal.code, refusal.errors[0]?.message]).toEqual(['unreadable', 'ticket/id: Invalid input']);
    expect(refusal.detail).toContain('Load the page again');
  });

  it('what stands now is read by its own form, or not at all', () => {
    const refusal = toRefusal(new HttpErrorResponse({ status: 409, error: { ...body, current: { version: 3 } } }));
    expect(currentOf(refusal, mergeChange.pick({ version: true }))).toEqual({ version: 3 });
    expect([currentOf(refusal, mergeChange), currentOf(null, mergeChange)]).toEqual([null, null]);
  });
});
