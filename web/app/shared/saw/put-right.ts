import type { NewSawCorrection } from '@odontis/contract/corrections';
import { fieldErrors } from '@odontis/contract/field-errors';
import { newSaw } from '@odontis/contract/saw';
import type { Saw } from '@odontis/core/saw/saw';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { fieldOf } from './questions';
import { readSaw } from './read-saw';
import type { SawTold } from './saw-told';
import { toldOf } from './told-of';

type Read =
  | { readonly ok: true; readonly saw: NewSawCorrection['saw']; readonly changed: boolean }
  | { readonly ok: false; readonly faults: ReadonlyMap<string, string> };

/**
 * A saw with what was typed otherwise than it is known. A measure that nobody touched stays as it is kept to its last
 * digit, though its words are shorter: what is put right is what reads differently from the saw's own words.
 */
export function putRight(saw: Saw, told: SawTold, speech: ShopSpeech): Read {
  const was = (readSaw(toldOf(saw, speech), speech) ?? {}) as Record<string, unknown>;
  const is = (readSaw(told, speech) ?? {}) as Record<string, unknown>;
  const keys = [...new Set([...Object.keys(was), ...Object.keys(is)])].filter((key) => !alike(was[key], is[key]));
  const { id: _id, ...kept } = saw as Saw & { readonly id?: number };
  const wanted = Object.fromEntries(
    Object.entries({ ...kept, ...Object.fromEntries(keys.map((key) => [key, is[key]])) }).filter(
      ([, value]) => value !== undefined,
    ),
  );
  const read = newSaw.safeParse(wanted);
  if (read.success) return { ok: true, saw: read.data, changed: keys.length > 0 };
  return {
    ok: false,
    faults: new Map(fieldErrors(read.error).map((e) => [fieldOf(`/saw${e.path}`, saw.family), e.message])),
  };
}

const alike = (one: unknown, other: unknown): boolean =>
  Object.is(one, other) || JSON.stringify(one) === JSON.stringify(other);
