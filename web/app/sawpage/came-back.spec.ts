import { TestBed } from '@angular/core/testing';
import type { LastCheck } from '@odontis/contract/check';
import { testDossier } from '../testing/test-dossier';
import { withStore } from '../testing/with-store';
import { CameBack } from './came-back';

const round = {
  ...{ number: 2, edge: null, runs: 'true' as const, binds: false, chatters: false, beatAt: null, shavings: null },
  ...{ rakers: null, kerfMm: null, offLineMm: -0.2, overMm: 100, wall: null, floor: null, plate: null, again: null },
  ...{ note: '', verdict: 'pass' as const, setLeftMm: 0.08, setRightMm: 0.075, stoneSide: 'none' as const },
  ...{
    stonePasses: 0,
    ...{ stonedSide: null, stonedPasses: null },
    advice: ['passes'],
    by: 'First Hand',
    at: '2030-02-03T09:00:00.000Z',
  },
};
const last: LastCheck = { number: 1003, closedAt: '2030-02-05T09:00:00.000Z', note: 'Full strokes.', rounds: [round] };

describe('a saw that comes back complaining', () => {
  const shown = async (stage: 'measure' | 'plan'): Promise<string> => {
    const dossier = testDossier(stage);
    withStore(dossier);
    const fixture = TestBed.createComponent(CameBack);
    fixture.componentRef.setInput('dossier', { ...dossier, ticket: { ...dossier.ticket, complaint: 'It binds.' } });
    fixture.componentRef.setInput('last', last);
    await fixture.whenStable();
    return (fixture.nativeElement as HTMLElement).textContent?.replace(/\s+/g, ' ') ?? '';
  };

  it('stands beside its last check: the cut, the sets then, and what was told', async () => {
    const text = await shown('measure');
    expect(text).toContain('5 February 2030, no. 1003');
    expect(text).toContain('passed: ran true, did not bind, did not jump');
    expect(text).toContain('It binds.');
    expect(text).toContain('left 3.1 thou, right 3.0 thou');
    expect(text).toContain('not measured yet');
    expect(text).toContain('Full strokes.');
    expect(text).toContain('7.9 thou over');
  });
});
