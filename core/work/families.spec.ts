import { plainFacts } from './plain-facts';
import { POWERED_BLADE_CAUTION } from '../circular/blade-geometry';
import { quantitiesOf } from '../evidence/quantities';
import { exampleRecord } from '../reference/examples';
import { FAMILIES, isPowered } from '../saw/all-families';
import { ORDINARY_SAWS, ordinarySaw } from '../saw/ordinary-saws';
import { FAMILY_WORK, workOf } from './families';
import type { WorkFacts } from './family-work';
import { PLAIN_WISH } from './family-work';
import { workOrder } from './order';

/** No number in a plan may be missing or without bound. */
function numbersAreFinite(value: unknown, at = ''): void {
  if (typeof value === 'number') expect(Number.isFinite(value)).withContext(at).toBeTrue();
  else if (value !== null && typeof value === 'object')
    for (const [key, one] of Object.entries(value)) numbersAreFinite(one, `${at}/${key}`);
}

describe('the plan of a saw record', () => {
  for (const name of ['back-saw', 'hand-saw', 'pull-saw', 'crosscut-saw', 'band', 'circular-saw', 'dado-set'])
    it(`${name}: every number in it is one`, () => {
      const record = exampleRecord(name);
      const plan = workOf(record.family).ofRecord(record);
      numbersAreFinite(plan);
      expect(plan).toEqual(jasmine.objectContaining({ family: record.family }));
    });
});

describe('the table of families', () => {
  const facts = (saw: WorkFacts['saw']): WorkFacts => plainFacts(saw, []);
  const saws = ORDINARY_SAWS.map(({ id }) => ordinarySaw(id));

  it('every family has its work, and may be gauged', () => {
    expect(Object.keys(FAMILY_WORK).sort()).toEqual([...FAMILIES].sort());
    for (const saw of saws) expect(workOf(saw.family).measured(saw)).toEqual(quantitiesOf(saw));
  });
  it('a line nobody measured is said so; a record of another family is refused', () => {
    const back = saws.find((saw) => saw.family === 'back');
    if (!back) throw new Error('There is no ordinary back saw.');
    expect(FAMILY_WORK.back.way === 'planned' && FAMILY_WORK.back.study(facts(back), PLAIN_WISH)).toEqual({
      ok: false,
      code: 'nothing-measured',
    });
    for (const saw of FAMILIES)
      expect(() => workOf(saw).ofRecord(exampleRecord(saw === 'band' ? 'circular-saw' : 'band'))).toThrowError(
        RangeError,
      );
  });

  it('a saw that goes round is planned without a reading, and begins with the caution of powered blades', () => {
    for (const saw of saws) {
      const work = workOf(saw.family);
      expect(isPowered(saw.family)).toBe(work.way === 'round');
      if (work.way !== 'round') continue;
      const studied = work.study(facts(saw), work.plain);
      if (!studied.ok) throw new Error(studied.says);
      const order = work.order(studied.study, null);
      expect(workOrder.parse(order)).toEqual(order);
      expect(order.steps[0]?.cautions).toContain(POWERED_BLADE_CAUTION);
      expect(order.minutes).toBeCloseTo(
        order.steps.reduce((sum, step) => sum + step.minutes, 0),
        9,
      );
    }
  });
});
