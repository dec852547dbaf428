import type { Request, RequestHandler } from 'express';
import { CSRF_HEADER, SITTING_HEADER, sittingKey } from '@odontis/contract/door';
import type { Role } from '@odontis/contract/roles';
import { mayAs } from '@odontis/contract/roles';
import type { Database } from '../../database/connect';
import { routeOf } from '../../http/needs';
import { Pace } from '../../http/pace';
import { Problem } from '../../http/problem';
import { letIn, notSignedIn } from '../../http/who';
import { tokenOf } from './cookies';
import { screenOf, sittingAt } from './screens';
import { isCsrf } from './secrets';

/** What a screen keeps until it can be sent; everything else is of who sits there now, whatever they say. */
const WAITS: ReadonlySet<string> = new Set(['POST /tickets/:id/evidence', 'POST /tickets/:id/bench']);

const SAYS: Record<Role, string> = {
  counter: 'people of the shop',
  filer: 'filers',
  owner: 'an owner',
};

/**
 * The door before every route, from the one table of what each needs. Strangers are told the same of every
 * address, whether there is something at it or not; what changes anything carries what only a page of the shop
 * can know; what waited on a screen is of whoever sat at it then.
 */
export function guard(db: Database): RequestHandler {
  const pace = new Pace();
  return async (request, _response, next) => {
    const { route, need } = routeOf(request.method, request.path) ?? { route: '', need: null };
    const address = request.socket.remoteAddress ?? '';
    if (need === 'nobody') {
      await pace.stranger(address);
      next();
      return;
    }
    const token = tokenOf(request);
    const screen = token === null ? null : await screenOf(db, token);
    if (token === null || screen === null) {
      await pace.stranger(address);
      throw notSignedIn();
    }
    if (!['GET', 'HEAD'].includes(request.method) && !isCsrf(token, request.get(CSRF_HEADER)))
      throw new Problem('not-ours', 'Only the shop’s own pages are answered. Load the page again.');
    if (need === 'screen') {
      next();
      return;
    }
    const { deviceId, personId, role, sitting, locked } = screen;
    if (locked || personId === null || role === null || sitting === null)
      throw new Problem('locked', 'This screen is locked. Say who you are; what you did is still here.');
    await pace.known(sitting, route);
    const then = WAITS.has(route) ? await sittingThen(request, db, deviceId, sitting) : null;
    const who = then ? { deviceId, ...then } : { deviceId, personId, role, sitting };
    if (need !== null && !mayAs(who.role, need))
      throw new Problem(
        'not-allowed',
        `That is for ${SAYS[need]} to do. Somebody who may can change over at this screen.`,
      );
    letIn(request, who);
    next();
  };
}

/** In whose sitting it was done, where that is another than the present one at the same screen. */
async function sittingThen(request: Request, db: Database, deviceId: number, now: string) {
  const told = request.get(SITTING_HEADER);
  if (told === undefined || told === now) return null;
  const key = sittingKey.safeParse(told);
  const then = key.success ? await sittingAt(db, deviceId, key.data) : null;
  if (!then) throw new Problem('not-allowed', 'That was done at another screen, or by somebody who has left.');
  return { ...then, sitting: told };
}
