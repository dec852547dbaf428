import { HttpErrorResponse } from '@angular/common/http';
import type { ProblemBody } from '@odontis/contract/problem';

/** What came back instead of an answer. */
export interface Refusal {
  /** `away`: nothing came back at all; `unreadable`: what came back is nothing the contract knows. */
  readonly code: ProblemBody['code'] | 'away' | 'unreadable';
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

/** A form of the contract, as far as reading an answer by it goes. */
export interface Schema<T> {
  safeParse(
    value: unknown,
  ):
    | { readonly success: true; readonly data: T }
    | { readonly success: false; readonly error: { readonly issues: readonly Issue[] } };
}
interface Issue {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}

/** An answer the contract does not know: this page is older or newer than the shop's computer. */
export class Unreadable extends Error {
  constructor(first: Issue | undefined) {
    super(`${first?.path.map(String).join('/') ?? ''}: ${first?.message ?? ''}`);
  }
}

/** What stands now, as a refusal tells it beside its sentence; null where it tells none. */
export function currentOf<T>(refusal: Refusal | null, schema: Schema<T>): T | null {
  const read = schema.safeParse(refusal?.current);
  return read.success ? read.data : null;
}

/** Any failed request as a sentence. */
export function toRefusal(error: unknown): Refusal {
  if (error instanceof Unreadable)
    return {
      code: 'unreadable',
      detail: 'The shop’s computer answered something this page does not know. Load the page again.',
      errors: [{ path: '', message: error.message }],
      current: undefined,
    };
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
