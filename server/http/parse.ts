import type { z } from 'zod';
import { Problem } from './problem';

/** JSON pointer of a Zod path: ['saw', 'perInch'] -> /saw/perInch. */
export const pointer = (path: readonly PropertyKey[]): string =>
  path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

/** Input against its contract, or a Problem naming every field that does not fit. */
export function parse<S extends z.ZodType>(schema: S, value: unknown): z.output<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const errors = flatten(result.error.issues, []).map((issue) => ({ path: pointer(issue.path), message: issue.message }));
  const first = errors[0];
  const more = errors.length > 1 ? ` (and ${errors.length - 1} more)` : '';
  throw new Problem('bad-input', first ? `${first.message}${more}` : 'The input does not fit.', errors.slice(0, 200));
}

interface Found {
  readonly path: readonly PropertyKey[];
  readonly message: string;
}

/** Of a union's branches the one that came closest speaks: the fewest complaints. */
function flatten(issues: readonly z.core.$ZodIssue[], above: readonly PropertyKey[]): Found[] {
  return issues.flatMap((issue): Found[] => {
    const path = [...above, ...issue.path];
    if (issue.code === 'invalid_union' && issue.errors.length > 0) {
      const branches = issue.errors.map((branch) => flatten(branch, path));
      return branches.reduce((best, branch) => (branch.length < best.length ? branch : best));
    }
    return [{ path, message: issue.message }];
  });
}
