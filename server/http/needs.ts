import { match } from 'path-to-regexp';
import type { Role } from '@odontis/contract/roles';

/** What a route asks of who calls it: nothing; a screen that was let in, locked or not; or somebody of a role. */
export type Need = 'nobody' | 'screen' | Role;

/** Every route of the server and what it needs, in one place; a test holds the table and the routes equal. */
export const NEEDS = {
  'GET /alive': 'nobody',
  'GET /health': 'nobody',
  'GET /metrics': 'nobody',
  'GET /machine': 'owner',
  'GET /openapi.json': 'counter',
  'GET /door': 'nobody',
  'POST /door/first': 'nobody',
  'POST /door/sign-in': 'nobody',
  'POST /door/demo': 'nobody',
  'POST /door/change-over': 'screen',
  'POST /door/lock': 'screen',
  'DELETE /door': 'screen',
  'GET /devices': 'counter',
  'DELETE /devices/:id': 'counter',
  'GET /shop': 'counter',
  'PUT /shop': 'owner',
  'GET /learning': 'counter',
  'GET /store': 'counter',
  'POST /store/tools': 'filer',
  'PUT /store/tools/:id': 'filer',
  'POST /store/tools/:id/deeds': 'filer',
  'GET /people': 'counter',
  'POST /people': 'owner',
  'PUT /people/:id': 'owner',
  'PUT /people/:id/password': 'counter',
  'PUT /people/:id/code': 'counter',
  'PUT /people/:id/place': 'filer',
  'POST /people/:id/calibrations': 'filer',
  'GET /changes': 'owner',
  'GET /customers': 'counter',
  'POST /customers/cards': 'counter',
  'GET /customers/:id': 'counter',
  'PUT /customers/:id': 'counter',
  'POST /customers/:id/merge': 'counter',
  'POST /customers/:id/forget': 'owner',
  'GET /customers/:id/saws': 'counter',
  'GET /customers/:id/card.vcf': 'counter',
  'GET /customers/:id/everything.json': 'owner',
  'GET /saws/alike': 'counter',
  'GET /rack': 'counter',
  'GET /counter': 'counter',
  'GET /tickets/numbered/:number': 'counter',
  'POST /tickets': 'counter',
  'GET /tickets/:id': 'counter',
  'PATCH /tickets/:id': 'counter',
  'POST /tickets/:id/end': 'counter',
  'POST /tickets/:id/reopen': 'counter',
  'POST /tickets/:id/price': 'counter',
  'POST /tickets/:id/evidence': 'filer',
  'POST /tickets/:id/sessions/:session/finish': 'filer',
  'POST /tickets/:id/measured': 'filer',
  'POST /tickets/:id/preparing': 'filer',
  'POST /tickets/:id/saw': 'filer',
  'POST /tickets/:id/outwork': 'counter',
  'POST /tickets/:id/outwork/back': 'counter',
  'POST /tickets/:id/plan': 'filer',
  'POST /tickets/:id/bench': 'filer',
  'POST /tickets/:id/checks': 'filer',
  'POST /tickets/:id/handover': 'counter',
  'GET /tickets/:id/tag.pdf': 'counter',
  'GET /tags.pdf': 'counter',
  'GET /measuring-sheet.pdf': 'counter',
  'GET /tickets/:id/quote.pdf': 'counter',
  'GET /tickets/:id/outwork/:number/note.pdf': 'counter',
  'GET /tickets/:id/report.pdf': 'counter',
  'GET /tickets/:id/aids.pdf': 'counter',
  'GET /tickets/:id/card.pdf': 'counter',
  'POST /tickets/:id/photographs': 'counter',
  'DELETE /tickets/:id/photographs/:photograph': 'counter',
  'GET /photographs/:id.jpg': 'counter',
  'GET /outbox': 'counter',
  'POST /outbox/carry': 'counter',
  'POST /tickets/:id/messages': 'counter',
  'GET /labels': 'counter',
  'POST /labels': 'counter',
  'POST /labels/roll': 'counter',
  'GET /copies': 'owner',
  'POST /copies': 'owner',
} as const satisfies Record<string, Need>;

const compiled = Object.entries(NEEDS).map(([route, need]) => {
  const [method = '', path = ''] = route.split(' ');
  return { route, method, matches: match(path), need: need as Need };
});

/** The line of the table for an address under /api; null of one that leads nowhere. */
export function routeOf(method: string, path: string): { readonly route: string; readonly need: Need } | null {
  const asked = method === 'HEAD' ? 'GET' : method;
  return compiled.find((one) => one.method === asked && isMatch(one.matches, path)) ?? null;
}

function isMatch(matches: ReturnType<typeof match>, path: string): boolean {
  try {
    return matches(path) !== false;
  } catch {
    // A path whose signs stand for nothing leads nowhere.
    return false;
  }
}
