import { STEP_KINDS } from '@odontis/core/work/step';
import { DONE_WORDS } from './deed-words';
import { againSays } from './visit-facts';

describe('what is told of a visit', () => {
  it('has a word for every kind of step that was done', () => {
    for (const kind of STEP_KINDS) expect(DONE_WORDS[kind]).withContext(kind).toMatch(/\S/);
  });
  it('two months, or the one they both are', () => {
    const reason = { what: '', formula: '', inputs: [], source: '' };
    expect(againSays({ from: 'May 2031', to: 'May 2031', reason })).toBe('In May 2031');
    expect(againSays({ from: 'May 2031', to: 'June 2031', reason })).toBe('Between May 2031 and June 2031');
  });
});
