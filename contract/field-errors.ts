import type * as z from 'zod';
import type { FieldProblem } from './problem';

/** JSON pointer of a Zod path: ['saw', 'perInch'] -> /saw/perInch (RFC 6901). */
export const pointer = (path: readonly PropertyKey[]): string =>
  path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

/**
 * Every field that does not fit, with its sentence. Of a union's branches the
 * one that came closest speaks: the fewest complaints.
 */
export function fieldErrors(error: z.core.$ZodError): FieldProblem[] {
  return flatten(error.issues, []);
}

function flatten(issues: readonly z.core.$ZodIssue[], above: readonly PropertyKey[]): FieldProblem[] {
  return issues.flatMap((issue): FieldProblem[] => {
    const path = [...above, ...issue.path];
    if (issue.code === 'invalid_union' && issue.errors.length > 0) {
      // A branch that is told keys it does not know was not the one that was meant.
      const meant = issue.errors.filter((branch) => !branch.some((one) => one.code === 'unrecognized_keys'));
      const branches = (meant.length > 0 ? meant : issue.errors).map((branch) => flatten(branch, path));
      return branches.reduce((best, branch) => (branch.length < best.length ? branch : best));
    }
    return [{ path: pointer(path), message: issue.message }];
  });
}
