import type { Request, RequestHandler } from 'express';
import { Problem } from './problem';

/** A host and what may follow it: name, or an address of version 6 in brackets; then a port. */
const HOST = /^(\[[0-9a-f:.]+\]|[^:[\]]+)(?::\d{1,5})?$/i;
/** The name in a Host header, in small letters; nothing where there is none. */
export const nameOf = (host: string): string => HOST.exec(host)?.[1]?.toLowerCase() ?? '';

/** What only looks. */
const LOOKS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Whether a page of the shop's own sent it: browsers say whose it was (Fetch Metadata, W3C), older ones at least from where. */
function isOwnPage(request: Request, names: ReadonlySet<string>): boolean {
  const site = request.get('sec-fetch-site');
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return false;
  const origin = request.get('origin');
  if (origin === undefined) return true;
  const host = /^https?:\/\/(.+)$/.exec(origin)?.[1];
  // A page of the same name at another port is another program's.
  return host !== undefined && names.has(nameOf(host)) && host.toLowerCase() === request.get('host')?.toLowerCase();
}

/**
 * Nobody is answered who calls this computer by a name that is not its own (a name turned to it reads like a
 * page of its own otherwise), and no page but the shop's own may change or read anything. What stands behind is
 * not said. Programs without a browser send neither header and are let through: what they may do is the door's.
 */
export function onlyOurs(names: ReadonlySet<string>): RequestHandler {
  return (request, _response, next) => {
    if (!names.has(nameOf(request.get('host') ?? '')))
      throw new Problem('not-ours', 'There is nothing here under that name.');
    const asksData = request.path.startsWith('/api/') || !LOOKS.has(request.method);
    if (asksData && !isOwnPage(request, names))
      throw new Problem('not-ours', 'Only the shop’s own pages are answered.');
    next();
  };
}
