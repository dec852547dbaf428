import { TestBed } from '@angular/core/testing';
import type { MachineState } from '@odontis/contract/machine';
import { withStore } from '../../../testing/with-store';
import { MachinePanel } from './machine-panel';

const state: MachineState = {
  version: '0.1.0',
  node: '20.19.0',
  startedAt: '2031-05-04T07:00:00.000Z',
  disk: { freeBytes: 75e9, totalBytes: 252e9 },
  databaseBytes: 41e6,
  slowest: [
    { route: 'GET /tickets/:id/report.pdf', calls: 3, meanMs: 812.4, mostMs: 1000 },
    { route: 'POST /copies', calls: 1, meanMs: 14_000, mostMs: null },
  ],
};

describe('the shop’s computer on the back room’s page', () => {
  const shown = async (answer: MachineState): Promise<string> => {
    const { http } = withStore();
    const fixture = TestBed.createComponent(MachinePanel);
    await new Promise((resolve) => setTimeout(resolve, 25));
    http.expectOne('/api/machine').flush(answer);
    await fixture.whenStable();
    return (fixture.nativeElement as HTMLElement).textContent?.replace(/\s+/g, ' ') ?? '';
  };

  it('says what runs, the room there is and what is slow', async () => {
    const text = await shown(state);
    expect(text).toContain('Odontis 0.1.0 on Node 20.19.0');
    expect(text).toContain('41 MB of records, 75.0 GB free of 252.0 GB');
    expect(text).toContain('GET /tickets/:id/report.pdf812 ms1000 ms3');
    expect(text).toContain('over 10 s');
    expect(text).not.toContain('nearly full');
  });

  it('is loud when the disk is nearly full, and silent where the system does not say', async () => {
    expect(await shown({ ...state, disk: { freeBytes: 1e9, totalBytes: 252e9 } })).toContain('nearly full');
    TestBed.resetTestingModule();
    expect(await shown({ ...state, disk: null })).toContain('41 MB of records.');
  });
});
