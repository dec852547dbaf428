import { parse } from 'cookie';
import type { CookieOptions, Request, Response } from 'express';
import { CSRF_COOKIE } from '@odontis/contract/door';
import { csrfOf } from './secrets';

/** How long a browser keeps it: as long as a screen is remembered that nobody uses. */
const KEPT_MS = 90 * 86_400_000;

/** What a browser holds its cookie under; over TLS one that no other host or path can set (RFC 6265bis, 4.1.3.2). */
const nameOf = (secure: boolean): string => (secure ? '__Host-odontis' : 'odontis');

/** What a screen shows who it is by; null of a stranger. */
export function tokenOf(request: Request): string | null {
  const held = parse(request.get('cookie') ?? '')[nameOf(request.secure)];
  return held !== undefined && /^[\w-]{43}$/.test(held) ? held : null;
}

const options = (request: Request): CookieOptions => ({
  sameSite: 'strict',
  secure: request.secure,
  path: '/',
  maxAge: KEPT_MS,
});

/** The screen's token out of reach of scripts, and what its own pages repeat within it. */
export function giveToken(request: Request, response: Response, token: string): void {
  response.cookie(nameOf(request.secure), token, { ...options(request), httpOnly: true });
  response.cookie(CSRF_COOKIE, csrfOf(token), { ...options(request), httpOnly: false });
}

export function takeToken(request: Request, response: Response): void {
  response.clearCookie(nameOf(request.secure), { ...options(request), maxAge: undefined, httpOnly: true });
  response.clearCookie(CSRF_COOKIE, { ...options(request), maxAge: undefined });
}
