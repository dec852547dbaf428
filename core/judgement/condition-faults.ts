/** Rules nested deeper than this nobody reads. */
export const DEEPEST_RULE = 8;
/** Tests of facts in one rule. */
export const MOST_TESTS = 200;
/** Faults told of one rule: who has mended these may ask again. */
const MOST_FAULTS = 20;
const LONGEST_NAME = 60;
const MOST_CHOICES = 60;

/** Where in a condition, and what is wrong there. */
export interface ConditionFault {
  readonly path: (string | number)[];
  readonly message: string;
}

const SHAPES = 'A condition is all, any, not, or a test of one fact: is, has, atLeast, below or known.';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isName = (value: unknown): boolean =>
  typeof value === 'string' && value.trim() !== '' && value.length <= LONGEST_NAME;
const isPlain = (value: unknown): boolean =>
  typeof value === 'string' || (typeof value === 'number' && Number.isFinite(value));
const isLimit = (value: unknown): boolean =>
  (typeof value === 'number' && Number.isFinite(value)) ||
  (isObject(value) && Object.keys(value).length === 1 && isName(value['threshold']));

/** What each test compares its fact with. */
const TESTS = new Map<string, (value: unknown) => boolean>(
  Object.entries({
    is: (value: unknown) =>
      isPlain(value) ||
      typeof value === 'boolean' ||
      (Array.isArray(value) && value.length <= MOST_CHOICES && value.every(isPlain)),
    has: (value: unknown) => typeof value === 'string',
    atLeast: isLimit,
    below: isLimit,
    known: (value: unknown) => typeof value === 'boolean',
  }),
);

/**
 * What keeps a value from being a rule's condition, each with its place: unknown shapes, tests of the wrong
 * kind, and more of them or deeper ones than {@link MOST_TESTS} and {@link DEEPEST_RULE}. Looks at no more than it
 * takes to say so, however large the value: O(MOST_TESTS). Never throws.
 */
export function conditionFaults(value: unknown): ConditionFault[] {
  const faults: ConditionFault[] = [];
  const left: { readonly value: unknown; readonly path: (string | number)[] }[] = [{ value, path: [] }];
  let seen = 0;
  for (let next = left.shift(); next && faults.length < MOST_FAULTS; next = left.shift()) {
    const { path } = next;
    const say = (message: string): void => void faults.push({ path, message });
    if (++seen > 2 * MOST_TESTS || left.length > 2 * MOST_TESTS) {
      faults.push({ path: [], message: `A rule has at most ${MOST_TESTS} tests.` });
      break;
    }
    if (path.length > 2 * DEEPEST_RULE) {
      say(`A rule is nested at most ${DEEPEST_RULE} deep.`);
      continue;
    }
    const own = isObject(next.value) ? next.value : {};
    const [only, second] = Object.keys(own);
    if (second === undefined && (only === 'all' || only === 'any')) {
      const list = own[only];
      if (!Array.isArray(list)) say(`“${only}” wants a list of conditions.`);
      else
        left.push(
          ...list.slice(0, 2 * MOST_TESTS + 1).map((one: unknown, i) => ({ value: one, path: [...path, only, i] })),
        );
    } else if (second === undefined && only === 'not') left.push({ value: own[only], path: [...path, 'not'] });
    else {
      const names = Object.keys(own).filter((name) => name !== 'fact');
      const test = names.length === 1 && isName(own['fact']) ? TESTS.get(names[0] ?? '') : undefined;
      if (!test) say(SHAPES);
      else if (!test(own[names[0] ?? ''])) say(`“${names[0]}” is not compared with that.`);
    }
  }
  return faults;
}
