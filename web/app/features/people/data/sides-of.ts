import type { Change } from '@odontis/contract/changes';
import { flatten } from '../../../shared/conflict/flatten';

/** Most lines of a change that are shown; a shop book taken over whole has hundreds. */
const MOST = 12;

/** What was and what is, a line for each value that differs. */
export function sidesOf({ before, after }: Pick<Change, 'before' | 'after'>): string[] {
  const [was, is] = [flatten({ '': before ?? '' }), flatten({ '': after ?? '' })];
  const plain = (what: string): string => what.replace(/^, /, '');
  const lines = [...new Set([...was.keys(), ...is.keys()])]
    .map((what) => ({ what: plain(what), was: was.get(what) ?? '', is: is.get(what) ?? '' }))
    .filter((line) => line.was !== line.is)
    .map(
      ({ what, was: old, is: now }) =>
        `${what === '' ? '' : `${what}: `}${old === '' ? now : `${old} → ${now || 'none'}`}`,
    );
  return lines.length > MOST ? [...lines.slice(0, MOST), `and ${lines.length - MOST} more`] : lines;
}
