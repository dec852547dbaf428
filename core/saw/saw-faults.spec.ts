import { ordinarySaw } from './ordinary-saws';
import { bladeMeasures } from './saw';
import type { SawOf } from './saw';
import { sawFaults } from './saw-faults';

describe('what cannot be of a blade or a set', () => {
  const blade = ordinarySaw('blade-combination') as SawOf<'circular'>;
  const set = ordinarySaw('dado') as SawOf<'dado'>;
  const says = (saw: Parameters<typeof sawFaults>[0]): string =>
    sawFaults(saw)
      .map((f) => f.message)
      .join(' ');

  it('an ordinary one has no fault', () => expect([says(blade), says(set)]).toEqual(['', '']));
  it('a pattern longer than its teeth, or with more rakers than scorers', () => {
    expect(says({ ...blade, ...bladeMeasures(250, 30, 4), pattern: 'CCCCR' })).toContain(
      'does not fit on a blade of 4',
    );
    expect(says({ ...blade, pattern: 'CRR' })).toContain('more rakers than scorers');
  });
  it('outer blades of two sets', () => {
    const parts = set.parts.map((part, i) => (i === 0 ? { ...part, teeth: 36 } : part));
    expect(says({ ...set, parts })).toContain('no pair, with 36 and 40 teeth');
  });
});
