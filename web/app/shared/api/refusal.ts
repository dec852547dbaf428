import { HttpErrorResponse } from '@angular/common/http';
import type { ProblemBody } from '@odontis/contract/problem';

/** What came back instead of an answer; `away` when nothing came back at all. */
export interface Refusal {
  readonly code: ProblemBody['code'] | 'away';
  readonly detail: string;
  readonly errors: ProblemBody['errors'];
  readonly current: unknown;
}

const AWAY: Refusal = {
  code: 'away',
  detail: 'The shop’s computer does not answer. What you typed is still here; try again in a moment.',
  errors: [],
  current: undefined,
};

/** Any failed request as a sentence. */
export function toRefusal(error: unknown): Refusal {
  if (!(error instanceof HttpErrorResponse) || error.status === 0) return AWAY;
  const body = (typeof error.error === 'string' ? safeParse(error.error) : error.error) as Partial<ProblemBody> | null;
  if (body && typeof body.detail === 'string' && body.code) {
    return { code: body.code, detail: body.detail, errors: body.errors ?? [], current: body.current };
  }
  return AWAY;
}

function safeParse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}
