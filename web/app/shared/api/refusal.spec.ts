import { HttpErrorResponse } from '@angular/common/http';
import { toRefusal } from './refusal';

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
});
