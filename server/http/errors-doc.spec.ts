import { readFileSync } from 'node:fs';
import { PROBLEM_CODES } from '@odontis/contract/problem';

describe('docs/errors.md', () => {
  it('lists exactly the codes of the contract', () => {
    const listed = [...readFileSync('docs/errors.md', 'utf8').matchAll(/^## `([a-z-]+)`$/gm)].map((m) => m[1]);
    expect(listed.sort()).toEqual([...PROBLEM_CODES].sort());
  });
});
