import type { RequestHandler } from 'express';
import { breath } from '../beside/in-parts';
import { Problem } from './problem';

/** So much is looked at before others are answered between. */
const AT_ONCE = 20_000;

/** The place of the first text that no database keeps, as a JSON pointer; null where there is none. Walks without recursion. */
async function unkept(value: unknown): Promise<string | null> {
  const left: { readonly value: unknown; readonly path: string }[] = [{ value, path: '' }];
  let looked = 0;
  for (let next = left.pop(); next; next = left.pop()) {
    if (++looked % AT_ONCE === 0) await breath();
    const { path } = next;
    if (typeof next.value === 'string') {
      if (next.value.includes('\u0000') || !isWellFormed(next.value)) return path;
    } else if (typeof next.value === 'object' && next.value !== null)
      for (const [name, inner] of Object.entries(next.value)) {
        if (name.includes('\u0000') || !isWellFormed(name)) return path;
        left.push({ value: inner, path: `${path}/${name}` });
      }
  }
  return null;
}

/** No half of a sign that is written as two (RFC 3629 has no bytes for one). */
const isWellFormed = (text: string): boolean => !/[\ud800-\udfff]/u.test(text);

/** Signs that stand for nothing, the zero sign and halves of pairs, are told at the door: no text has them. */
export const readableSigns: RequestHandler = async (request, _response, next) => {
  const at = (await unkept(request.body)) ?? (await unkept(request.query));
  if (at === null) return next();
  const message = 'There is a sign in this text that stands for nothing: type it again.';
  throw new Problem('bad-input', message, [{ path: at, message }]);
};
