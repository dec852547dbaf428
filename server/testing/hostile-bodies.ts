import { randomUUID } from 'node:crypto';

/** A number from 0 up to 1, the next of a row that a seed names. */
export type Chance = () => number;

/** A part of a JSON Schema, as the description of the routes has it. */
export interface Form {
  readonly type?: string | readonly string[];
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Form[];
  readonly oneOf?: readonly Form[];
  readonly allOf?: readonly Form[];
  readonly properties?: Readonly<Record<string, Form>>;
  readonly required?: readonly string[];
  readonly items?: Form | boolean;
  readonly prefixItems?: readonly Form[];
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly format?: string;
  readonly $ref?: string;
  readonly $defs?: Readonly<Record<string, Form>>;
}

const DEEPEST = 8;
const pick = <T>(chance: Chance, from: readonly T[]): T | undefined => from[Math.floor(chance() * from.length)];
const between = (chance: Chance, low: number, high: number): number => low + Math.floor(chance() * (high - low + 1));

const DAYS = ['2031-05-04', '2031-05-04T09:30:00Z'];

/** Something of this form, or near it: what a careless program would send. */
export function ofForm(form: Form, chance: Chance, defs: Form['$defs'] = form.$defs, depth = 0): unknown {
  if (depth > DEEPEST) return null;
  const within = (part: Form): unknown => ofForm(part, chance, defs, depth + 1);
  if (form.$ref !== undefined) return within(defs?.[form.$ref.split('/').at(-1) ?? ''] ?? {});
  if (form.const !== undefined) return form.const;
  if (form.enum) return pick(chance, form.enum);
  const choices = form.anyOf ?? form.oneOf;
  if (choices) return within(pick(chance, choices) ?? {});
  if (form.allOf) return Object.assign({}, ...form.allOf.map((part) => within(part)));
  const type = typeof form.type === 'string' ? form.type : pick(chance, form.type ?? []);
  switch (type) {
    case 'object':
      return Object.fromEntries(
        Object.entries(form.properties ?? {})
          .filter(([name]) => form.required?.includes(name) || chance() < 0.7)
          .map(([name, part]) => [name, within(part)]),
      );
    case 'array':
      if (form.prefixItems) return form.prefixItems.map(within);
      return Array.from({ length: between(chance, form.minItems ?? 0, Math.min(form.maxItems ?? 3, 4)) }, () =>
        within(typeof form.items === 'object' ? form.items : {}),
      );
    case 'number':
    case 'integer':
      return between(chance, Math.max(form.minimum ?? 0, -1000), Math.min(form.maximum ?? 100, 1000));
    case 'boolean':
      return chance() < 0.5;
    case 'null':
      return null;
    default:
      return form.format === 'uuid' ? randomUUID() : (pick(chance, ['a saw', '', '12', ...DAYS]) ?? '');
  }
}

const deep = (levels: number): unknown => Array.from({ length: levels }).reduce<unknown>((inner) => [inner], 0);

/** What nobody who is well would send; each made when it is wanted. */
const HOSTILE: readonly (() => unknown)[] = [
  ...[null, true, -1, 0, -0, 0.5, 1e308, -1e308, 5e-324, 2 ** 31, 2 ** 53, '', ' ', 'null', 'NaN'].map((v) => () => v),
  ...['0x1', '1e5', '٣', "'; DROP TABLE saw;--", '" OR 1=1', '%00', '../../../etc/passwd', '${7*7}', '=1+1'].map(
    (v) => () => v,
  ),
  ...['\u0000', '\ud800', '\u202e', '\ufeff', '\u2028', '<script>alert(1)</script>', '👩‍🔧'].map((v) => () => v),
  ...['0000-01-01', '9999-12-31T23:59:60Z', '2031-02-30', '2031-05-04T09:00:00+23:59'].map((v) => () => v),
  () => 'a'.repeat(100_000),
  () => '\n'.repeat(20_000),
  () => Array.from({ length: 20_000 }, () => 0),
  () => Array.from({ length: 500 }, () => ({})),
  () => Object.fromEntries(Array.from({ length: 3000 }, (_, i) => [`k${i}`, i])),
  () => deep(400),
  () => JSON.parse('{"__proto__": {"admin": true}, "constructor": {"prototype": {}}}') as unknown,
  () => ({ length: 1e9 }),
  () => ({ $gt: '' }),
  () => [],
  () => ({}),
  () => randomUUID(),
];

export const hostileValue = (chance: Chance): unknown => pick(chance, HOSTILE)?.();

/** A copy of a body with something in it put to another use: once, or a few times. */
export function spoiled(body: unknown, chance: Chance): unknown {
  let all: unknown = JSON.parse(JSON.stringify(body ?? null));
  for (let times = between(chance, 1, 3); times > 0; times--) all = spoiledOnce(all, chance);
  return all;
}

function spoiledOnce(value: unknown, chance: Chance): unknown {
  if (typeof value !== 'object' || value === null || chance() < 0.1) return hostileValue(chance);
  if (Array.isArray(value)) {
    if (value.length === 0) return [hostileValue(chance)];
    const at = between(chance, 0, value.length - 1);
    if (chance() < 0.15) return [...(value as unknown[]), ...(value as unknown[])];
    return value.map((one: unknown, i) => (i === at ? spoiledOnce(one, chance) : one));
  }
  const entries = Object.entries(value);
  const [name] = pick(chance, entries) ?? [''];
  if (chance() < 0.1) return Object.fromEntries(entries.filter(([key]) => key !== name));
  if (chance() < 0.1) return { ...value, [String(hostileValue(chance)).slice(0, 50)]: hostileValue(chance) };
  return Object.fromEntries(entries.map(([key, one]) => [key, key === name ? spoiledOnce(one, chance) : one]));
}
