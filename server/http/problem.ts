import type { FieldProblem, ProblemBody, ProblemCode } from '@odontis/contract/problem';

const SHAPES: Record<ProblemCode, { status: number; title: string }> = {
  'bad-input': { status: 400, title: 'Something sent does not fit' },
  'not-found': { status: 404, title: 'Not found' },
  // Misdirected, RFC 9110, 15.5.20.
  'not-ours': { status: 421, title: 'Not asked for here' },
  'not-signed-in': { status: 401, title: 'Nobody is signed in' },
  locked: { status: 403, title: 'The screen is locked' },
  'not-allowed': { status: 403, title: 'For somebody else to do' },
  'not-let-in': { status: 403, title: 'Not let in' },
  'too-often': { status: 429, title: 'Too often' },
  'edited-elsewhere': { status: 409, title: 'Changed by somebody else meanwhile' },
  'wrong-stage': { status: 409, title: 'The ticket is at another stage' },
  'measured-in-part': { status: 422, title: 'Only part of the line is measured' },
  'readings-unfit': { status: 422, title: 'The readings do not make a plan' },
  'session-closed': { status: 409, title: 'The session is closed' },
  'too-large': { status: 413, title: 'Too much at once' },
  'saw-in-shop': { status: 409, title: 'The saw is in the shop already' },
  'consent-missing': { status: 422, title: 'The owner’s word is missing' },
  away: { status: 409, title: 'It is not in the shop' },
  'price-not-agreed': { status: 409, title: 'The price is not agreed to' },
  'printer-empty': { status: 409, title: 'The label printer is out of labels' },
  'database-away': { status: 503, title: 'The database cannot be reached' },
  // Insufficient storage, RFC 4918, 11.5.
  'disk-full': { status: 507, title: 'The disk is full' },
  'copy-failed': { status: 507, title: 'The copy was not made' },
  busy: { status: 503, title: 'Too much of this at once' },
  unexpected: { status: 500, title: 'Something went wrong here' },
};

/** A refusal that becomes application/problem+json. Nothing was saved when one is thrown. */
export class Problem extends Error {
  constructor(
    readonly code: ProblemCode,
    readonly detail: string,
    readonly errors: readonly FieldProblem[] = [],
    readonly current?: unknown,
    /** When it may be asked again, seconds. */
    readonly wait?: { readonly retryAfterS: number },
  ) {
    super(detail);
  }

  get status(): number {
    return SHAPES[this.code].status;
  }

  body(): ProblemBody {
    const { status, title } = SHAPES[this.code];
    const type = `/docs/errors#${this.code}`;
    const base = { type, title, status, code: this.code, detail: this.detail, errors: [...this.errors] };
    return this.current === undefined ? base : { ...base, current: this.current };
  }
}
