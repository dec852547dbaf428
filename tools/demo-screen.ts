import { CSRF_COOKIE, CSRF_HEADER } from '@odontis/contract/door';
import type { BrowserContext } from '@playwright/test';

/** Lets a program into the demo as a browser is let in. Resolves with the headers it sends from then on. */
export async function demoScreen(address: string, personId = 1): Promise<Record<string, string>> {
  const answer = await fetch(`${address}/api/door/demo`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId }),
  });
  if (!answer.ok) throw new Error(await answer.text());
  const held = answer.headers.getSetCookie().map((line) => line.split(';')[0] ?? '');
  const csrf = held.find((cookie) => cookie.startsWith(`${CSRF_COOKIE}=`))?.slice(CSRF_COOKIE.length + 1) ?? '';
  return { cookie: held.join('; '), [CSRF_HEADER]: decodeURIComponent(csrf) };
}

/** Lets a browser into the demo. Resolves with the header of what its tests change past a page. */
export async function enterDemo(context: BrowserContext, address: string): Promise<Record<string, string>> {
  const answer = await context.request.post(`${address}/api/door/demo`, { data: { personId: 1 } });
  if (!answer.ok()) throw new Error(await answer.text());
  const csrf = (await context.cookies(address)).find((cookie) => cookie.name === CSRF_COOKIE)?.value ?? '';
  return { [CSRF_HEADER]: csrf };
}
