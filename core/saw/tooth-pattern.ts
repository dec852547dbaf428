/** What a tooth is there for: cutters score, rakers plane out what they have scored. */
export const TOOTH_ROLES = ['cutter', 'raker'] as const;
export type ToothRole = (typeof TOOTH_ROLES)[number];

export type PatternResult =
  { readonly ok: true; readonly roles: readonly ToothRole[] } | { readonly ok: false; readonly code: 'not-a-pattern' };

/** Longer patterns than this are slips. */
export const LONGEST_PATTERN = 40;

/**
 * One repeat of a tooth pattern: "CCR", "CCCCR", or "C" for a plain line
 * (geometry section 7). Small letters and blanks between are taken. It needs a
 * cutter: a line of rakers alone cuts nothing.
 */
export function parsePattern(text: string): PatternResult {
  const plain = text.replace(/\s+/g, '').toUpperCase();
  if (!/^[CR]+$/.test(plain) || plain.length > LONGEST_PATTERN || !plain.includes('C'))
    return { ok: false, code: 'not-a-pattern' };
  return { ok: true, roles: [...plain].map((letter) => (letter === 'C' ? 'cutter' : 'raker')) };
}

/**
 * The role of each of `teeth` teeth, the pattern repeated. `offset` is where in
 * the pattern tooth 1 stands, so that first and last groups may be short, which
 * is normal.
 */
export function rolesAlong(pattern: readonly ToothRole[], teeth: number, offset = 0): ToothRole[] {
  if (pattern.length === 0) throw new RangeError('A pattern has one tooth at least.');
  const start = ((offset % pattern.length) + pattern.length) % pattern.length;
  return Array.from({ length: teeth }, (_, i) => pattern[(start + i) % pattern.length] as ToothRole);
}

/** The pattern as it reads from the first tooth, where that stands `offset` letters into it. Example: CCCCR from 2 -> CCRCC. */
export function patternFrom(pattern: string, offset: number): string {
  const start = ((offset % pattern.length) + pattern.length) % pattern.length;
  return pattern.slice(start) + pattern.slice(0, start);
}

/** How many letters into its pattern a line begins that reads so from its first tooth; null where it is another pattern. */
export function offsetOf(pattern: string, reads: string): number | null {
  for (let offset = 0; offset < pattern.length; offset++) if (patternFrom(pattern, offset) === reads) return offset;
  return null;
}

/**
 * The group of each tooth: a run of cutters is one, counted from 0; a raker is
 * -1. Spacing is judged inside a group, not across a raker. Example: CCRCCR ->
 * 0 0 -1 1 1 -1.
 */
export function groupsOf(roles: readonly ToothRole[]): Int32Array {
  const groups = new Int32Array(roles.length);
  let group = -1;
  roles.forEach((role, i) => {
    if (role === 'raker') groups[i] = -1;
    else {
      if (i === 0 || roles[i - 1] === 'raker') group++;
      groups[i] = group;
    }
  });
  return groups;
}
