import ICAL from 'ical.js';
import type { Contact } from '@odontis/contract/customer';

/** A customer as a vCard holds one. */
export interface Card {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly business: boolean;
  readonly note: string;
  readonly contacts: readonly Contact[];
}

/** Longest value kept of a card: what the contract takes of a typed one. */
const LONGEST = { name: 200, phone: 60, email: 200, note: 2000 } as const;

/**
 * One customer as vCard 4 (RFC 6350): a business as an organisation, its
 * people as cards of their own that name it, since a card holds one being.
 */
export function writeCards(card: Card): string {
  const cards = [
    one(card.name, card.phone, card.email, card.business ? 'org' : 'individual', null, card.note),
    ...card.contacts.map((c) => one(c.name, c.phone, c.email, 'individual', card.name, '')),
  ];
  return `${cards.join('\r\n')}\r\n`;
}

function one(name: string, phone: string, email: string, kind: string, org: string | null, note: string): string {
  const card = new ICAL.Component('vcard');
  const put = (property: string, value: string | null): void => {
    if (value !== null && value !== '') card.addPropertyWithValue(property, value);
  };
  put('version', '4.0');
  put('kind', kind);
  put('fn', name);
  put('org', org);
  put('tel', phone);
  put('email', email);
  put('note', note);
  return ICAL.stringify(card.toJSON());
}

export type CardsRead =
  { readonly ok: true; readonly cards: readonly Card[] } | { readonly ok: false; readonly message: string };

/**
 * Any number of vCards, versions 2.1 to 4.0, into customers. People of an
 * organisation become its contacts when its own card is in the file too. A card
 * without a name, or a file that is none, is told in a sentence and nothing is taken.
 */
export function readCards(text: string): CardsRead {
  const unfolded = text.replace(/^\uFEFF/, '').trim();
  if (!/^BEGIN:VCARD\s*$/im.test(unfolded))
    return { ok: false, message: 'This is not a vCard: it has no line "BEGIN:VCARD".' };
  if ((unfolded.match(/^BEGIN:VCARD/gim) ?? []).length !== (unfolded.match(/^END:VCARD/gim) ?? []).length)
    return { ok: false, message: 'A card in the file ends too early: "END:VCARD" is missing.' };
  if (hasEndlessHead(unfolded))
    return {
      ok: false,
      message: 'A line of the file goes on and on before its value: this is no vCard a telephone wrote.',
    };
  let parsed: unknown;
  try {
    parsed = ICAL.parse(plainOldCards(unfolded));
  } catch (error) {
    const says = error instanceof Error ? error.message.split('\n')[0] : '';
    return { ok: false, message: `The vCard cannot be read: ${says?.slice(0, 120)}.` };
  }
  const list = (Array.isArray((parsed as unknown[])[0]) ? parsed : [parsed]) as unknown[][];
  const read = list.map((jcal) => fieldsOf(new ICAL.Component(jcal as never)));
  const nameless = read.findIndex((card) => card.name === '');
  if (nameless >= 0) return { ok: false, message: `Card ${nameless + 1} of the file has no name.` };
  const orgs = new Map(read.filter((c) => c.business).map((c) => [c.name, { ...c, contacts: [] as Contact[] }]));
  const cards: Card[] = [...orgs.values()];
  for (const card of read) {
    if (card.business) continue;
    const home = orgs.get(card.org);
    if (home) home.contacts.push({ name: card.name, phone: card.phone, email: card.email });
    else cards.push({ ...card, contacts: [] });
  }
  return { ok: true, cards };
}

/**
 * Values written in quoted-printable (RFC 2045, as versions 2.1 do), put into plain
 * words: soft line breaks joined, =XX read in the line's own character set.
 */
function plainQuotedLines(text: string): string {
  const lines = text.split(/\r\n|\n|\r/);
  const plain: string[] = [];
  for (let i = 0; i < lines.length; i++) {
    // Looked for in what is a head by its length: the pattern tries every way to part it.
    const said = (lines[i] as string).slice(0, LONGEST_HEAD);
    const head = /^([A-Za-z]+)((?:;[^:;]*)*);?(?:ENCODING=)?QUOTED-PRINTABLE([^:]*):/i.exec(said);
    if (!head) {
      plain.push(lines[i] as string);
      continue;
    }
    const parts = [(lines[i] as string).slice(head[0].length)];
    while (parts.at(-1)?.endsWith('=') && i + 1 < lines.length) {
      parts[parts.length - 1] = parts.at(-1)?.slice(0, -1) ?? '';
      parts.push(lines[++i] as string);
    }
    const value = parts.join('');
    const charset = /CHARSET=([\w-]+)/i.exec(head[0])?.[1] ?? 'utf-8';
    const bytes = Buffer.from(
      value.replace(/=([0-9A-F]{2})/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16))),
      'latin1',
    );
    plain.push(`${head[1]}:${decoded(bytes, charset).replace(/\r?\n/g, '\\n').replace(/,/g, '\\,')}`);
  }
  return plain.join('\r\n');
}

/** A property's name and parameters are shorter. */
const LONGEST_HEAD = 500;

/**
 * Whether the name and parameters of some line, folded or not, are longer than any real one: a reader goes
 * through them again for every one. O(length).
 */
function hasEndlessHead(text: string): boolean {
  let head = 0;
  for (const line of text.split(/\r\n|\n|\r/)) {
    const folded = line.startsWith(' ') || line.startsWith('\t');
    if (!folded) head = 0;
    if (head < 0) continue;
    const colon = line.indexOf(':');
    head += colon < 0 ? line.length : colon;
    if (head > LONGEST_HEAD) return true;
    if (colon >= 0) head = -1;
  }
  return false;
}

/** Bytes in a named character set; one nobody knows is read as Latin-1, which every byte has a place in. */
function decoded(bytes: Buffer, charset: string): string {
  try {
    return new TextDecoder(charset).decode(bytes);
  } catch {
    return bytes.toString('latin1');
  }
}

/** Cards of version 2.1 write parameters bare (TEL;WORK:...), which later grammars do not know: they are dropped. */
function plainOldCards(text: string): string {
  if (!/^VERSION:2\.1/im.test(text)) return text;
  return plainQuotedLines(text).replace(
    /^([A-Za-z]+)((?:;[A-Za-z0-9-]+(?:=[^:;\r\n]*)?)+):/gm,
    (line, name: string, parameters: string) => {
      const kept = parameters.split(';').filter((p) => p.includes('=') && !/^(ENCODING|CHARSET)=/i.test(p));
      return /ENCODING=(QUOTED-PRINTABLE|B)/i.test(line)
        ? `X-ENCODED-${name}:`
        : `${name}${kept.join(';') ? `;${kept.join(';')}` : ''}:`;
    },
  );
}

function fieldsOf(card: ICAL.Component): Card & { readonly org: string } {
  const first = (property: string): string => {
    const value: unknown = card.getFirstPropertyValue(property);
    const flat = Array.isArray(value) ? value.flat().join(';').replace(/;+$/, '') : value;
    return typeof flat === 'string' ? flat.replace(/\u0000/g, '').trim() : '';
  };
  const fn = first('fn');
  const n: unknown = card.getFirstPropertyValue('n');
  const parts = Array.isArray(n) ? (n as (string | string[])[]).map((p) => [p].flat().join(' ')) : [];
  const org = first('org');
  const name = (fn || [parts[1], parts[0]].filter(Boolean).join(' ') || org).slice(0, LONGEST.name);
  const email = first('email')
    .replace(/^mailto:/i, '')
    .slice(0, LONGEST.email);
  return {
    name,
    org,
    business: first('kind').toLowerCase() === 'org' || (org !== '' && org === name),
    phone: first('tel').replace(/^tel:/i, '').slice(0, LONGEST.phone),
    email: /^[^@\s]+@[^@\s]+$/.test(email) ? email : '',
    note: first('note').slice(0, LONGEST.note),
    contacts: [],
  };
}
