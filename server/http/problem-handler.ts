import type { ErrorRequestHandler } from 'express';
import { ConnectionError, DatabaseError, TimeoutError, UniqueConstraintError } from 'sequelize';
import { PROBLEM_TYPE } from '@odontis/contract/problem';
import { loggable } from './loggable';
import { Problem } from './problem';

/** Postgres says these when it is going down, coming up or was cut off (PostgreSQL manual, appendix A, class 57 and 08). */
const AWAY_CODES = new Set(['57P01', '57P02', '57P03', '08000', '08003', '08006']);

const away = (): Problem =>
  new Problem(
    'database-away',
    'The database cannot be reached just now. What you sent is perhaps kept and perhaps not: try again in a moment, nothing is made twice.',
  );

/** A value that a column does not hold is the caller's (PostgreSQL manual, appendix A, class 22; 23514 a check). */
const UNFIT = /^(22...|23514)$/;

/** No room to write in (PostgreSQL manual, appendix A: 53100 disk full; ENOSPC of the system itself). */
const FULL = new Set(['53100', 'ENOSPC']);
const isFull = (error: unknown): boolean => {
  const { code, parent } = (error ?? {}) as { code?: string; parent?: { code?: string } };
  return FULL.has(code ?? '') || FULL.has(parent?.code ?? '');
};

/** What somebody else did at the same moment. */
const atOnce = (): Problem =>
  new Problem('edited-elsewhere', 'The same was done by somebody else at this very moment. Load it again.');

/** What the reader of a request holds against it: its encoding, its character set, what is no gzip. */
const unreadable = (error: unknown): boolean => {
  const { status, code } = error as { status?: unknown; code?: unknown };
  return (
    (typeof status === 'number' && status >= 400 && status < 500) || (typeof code === 'string' && /^Z_/.test(code))
  );
};

function databaseAway(error: unknown): boolean {
  if (error instanceof ConnectionError || error instanceof TimeoutError) return true;
  if (error instanceof DatabaseError) {
    const parent = error.parent as { code?: string };
    return AWAY_CODES.has(parent.code ?? '') || /terminated|ECONN|closed|not queryable/i.test(error.message);
  }
  if (error instanceof Error && /not queryable|Connection terminated/i.test(error.message)) return true;
  const code = (error as { code?: string } | null)?.code ?? '';
  return AWAY_CODES.has(code) || ['ECONNREFUSED', 'ECONNRESET', 'EPIPE'].includes(code);
}

/** Whatever was thrown as the Problem to answer with. */
export function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const type = (error as { type?: string } | null)?.type;
  if (type === 'entity.too.large') return new Problem('too-large', 'That is more than 4 MB at once. Send fewer teeth.');
  if (error instanceof UniqueConstraintError) return atOnce();
  if (error instanceof DatabaseError && UNFIT.test((error.parent as { code?: string }).code ?? ''))
    return new Problem('bad-input', 'Something in what was sent cannot be kept as it is written.');
  if (type === 'entity.parse.failed') return new Problem('bad-input', 'What was sent is not readable JSON.');
  if (error !== null && typeof error === 'object' && unreadable(error))
    return new Problem(
      'bad-input',
      'What was sent cannot be read: its encoding or its character set is not known here.',
    );
  if (error instanceof URIError) return new Problem('bad-input', 'The address is not readable.');
  if (isFull(error))
    return new Problem(
      'disk-full',
      'The disk of the shop’s computer is full. Nothing of this was kept: make room on it, then send it again.',
    );
  if (databaseAway(error)) return away();
  return new Problem(
    'unexpected',
    'Something went wrong in the shop’s computer. Nothing was saved; what you typed is still here.',
  );
}

/** The one place where errors become problem+json. */
export const problemHandler: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem = toProblem(error);
  if (problem.code === 'unexpected')
    (request as { log?: { error(facts: object, text: string): void } }).log?.error(
      { ...loggable(error) },
      'unexpected',
    );
  if (problem.wait) response.setHeader('Retry-After', String(problem.wait.retryAfterS));
  response.status(problem.status).type(PROBLEM_TYPE).send(JSON.stringify(problem.body()));
};
