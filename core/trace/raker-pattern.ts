import { parsePattern, rolesAlong } from '../saw/tooth-pattern';
import type { ToothRole } from '../saw/tooth-pattern';
import { median } from '../units/median';
import type { TracedTooth } from './traced-line';

/** Whether a pattern has rakers at all: only then are two tips taken for one tooth's. */
export function hasRakers(pattern: string | undefined): boolean {
  const parsed = pattern === undefined ? null : parsePattern(pattern);
  return parsed?.ok === true && parsed.roles.includes('raker');
}

/**
 * Which teeth of a traced line are rakers. Two-tipped teeth are; where in its pattern
 * the line begins is the place that most of them agree with. Where no tooth has two
 * tips, rakers are the teeth that stand lowest under their neighbours. A tooth that the
 * pattern has for a raker, without the second tip that the others have, is one in doubt;
 * so is a two-tipped one where the pattern has a cutter. O(teeth times pattern).
 */
export function withRakers(teeth: readonly TracedTooth[], pattern: string): TracedTooth[] {
  const parsed = parsePattern(pattern);
  if (!parsed.ok || !parsed.roles.includes('raker')) return [...teeth];
  const paired = teeth.filter((t) => t.raker).length;
  const score = (roles: readonly ToothRole[]): number =>
    paired > 0
      ? teeth.filter((t, i) => t.raker && roles[i] === 'raker').length -
        teeth.filter((t, i) => !t.raker && t.kind === 'tooth' && roles[i] === 'raker').length
      : lowness(teeth, roles);
  const tries = parsed.roles.map((_, offset) => rolesAlong(parsed.roles, teeth.length, offset));
  const roles = tries.reduce((best, one) => (score(one) > score(best) ? one : best));
  return teeth.map((t, i): TracedTooth => {
    const wanted = roles[i] === 'raker';
    if (!!t.raker === wanted) return t;
    const raker = t.raker ?? singleTip(t);
    if (paired === 0 || t.kind !== 'tooth') return wanted ? { ...t, raker } : t;
    return { ...t, raker, doubts: [...t.doubts, 'off-pattern'] };
  });
}

/** The pattern as it reads from the heel of a traced line: the same letters, begun where the line begins. */
export function patternFromHeel(teeth: readonly TracedTooth[], pattern: string): string {
  const letters = pattern.replace(/\s+/g, '').toUpperCase();
  const begun = (offset: number): string => letters.slice(offset) + letters.slice(0, offset);
  const agrees = (text: string): number => teeth.filter((t, i) => (text[i % text.length] === 'R') === !!t.raker).length;
  const tries = [...letters].map((_, offset) => begun(offset));
  return tries.reduce((best, one) => (agrees(one) > agrees(best) ? one : best), letters);
}

const singleTip = (t: TracedTooth): NonNullable<TracedTooth['raker']> => ({
  widthMm: 0,
  notchMm: null,
  tipsMm: [[t.xMm, t.yMm]],
  depthMm: null,
  depthErrorMm: null,
});

/** How far the teeth called rakers stand under the cutters beside them, in the middle of all. mm. */
function lowness(teeth: readonly TracedTooth[], roles: readonly ToothRole[]): number {
  const under = teeth.flatMap((t, i) => {
    const [before, after] = [teeth[i - 1], teeth[i + 1]];
    const beside = [before, after].filter((n, k) => n?.kind === 'tooth' && roles[i + (k === 0 ? -1 : 1)] === 'cutter');
    if (roles[i] !== 'raker' || t.kind !== 'tooth' || beside.length === 0) return [];
    return [beside.reduce((s, n) => s + (n?.yMm ?? 0), 0) / beside.length - t.yMm];
  });
  return under.length === 0 ? -Infinity : median(under);
}
