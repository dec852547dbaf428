import { TestBed } from '@angular/core/testing';
import type { Dossier } from '@odontis/contract/dossier';
import { hollowLine, testDossier } from '../../testing/test-dossier';
import { refusalBody, withStore } from '../../testing/with-store';
import type { Bench } from '../../testing/with-store';
import { ReadingKeeper } from './reading-keeper';

const AFTER_A_REST = 900;
const rest = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, AFTER_A_REST));

describe('a line of readings and the server', () => {
  let bench: Bench;
  let keeper: ReadingKeeper;

  const open = (dossier: Dossier): void => {
    localStorage.clear();
    bench = withStore(dossier, undefined, [ReadingKeeper]);
    keeper = TestBed.inject(ReadingKeeper);
    keeper.open('before', () => []);
    TestBed.tick();
  };
  const key = (mm: number): void => {
    keeper.sheet()?.key(mm);
    TestBed.tick();
  };
  const call = () => bench.http.expectOne('/api/tickets/9/readings/before');
  const kept = (version: number, n: number): Dossier => ({
    ...testDossier('measure'),
    measurings: [
      {
        id: 1,
        kind: 'before',
        round: 1,
        sitting: 1,
        gauge: 'straight-edge',
        was: [],
        version,
        by: 'x',
        changedAt: '',
        finished: false,
        readings: hollowLine(n),
      },
    ],
  });

  it('sends nothing until something is keyed, then the whole line after a rest', async () => {
    open(testDossier('measure'));
    await rest();
    bench.http.expectNone('/api/tickets/9/readings/before');
    key(0);
    key(0.1);
    await rest();
    const sent = call();
    expect(sent.request.body.version).toBe(0);
    expect(sent.request.body.readings.length).toBe(2);
    expect(sent.request.body.finish).toBeFalse();
    sent.flush(kept(1, 2));
    TestBed.tick();
    expect(keeper.unsaved()).toBeFalse();
    key(0.2);
    await rest();
    expect(call().request.body.version).toBe(1);
  });

  it('keeps what was typed in the browser until the server has it', async () => {
    open(testDossier('measure'));
    key(0.3);
    const unsent = JSON.parse(localStorage.getItem('odontis.unsent.before.9') ?? '{}') as { readings: unknown[] };
    expect(unsent.readings.length).toBe(1);
    await rest();
    call().flush(kept(1, 1));
    TestBed.tick();
    expect(localStorage.getItem('odontis.unsent.before.9')).toBeNull();
  });

  it('does not send over somebody else’s line: shows both, and keeps or takes as told', async () => {
    open(testDossier('measure'));
    key(0);
    key(0.1);
    await rest();
    const theirs = kept(5, 3);
    call().flush(refusalBody('edited-elsewhere', 'Changed.', { current: theirs }), {
      status: 409,
      statusText: 'Conflict',
    });
    TestBed.tick();
    expect(keeper.differences().map((d) => d.what)).toContain('Tooth 3');
    await rest();
    bench.http.expectNone('/api/tickets/9/readings/before');
    keeper.keepMine();
    expect(call().request.body.version).toBe(5);
    keeper.takeTheirs();
  });

  it('takes theirs with their version', async () => {
    open(testDossier('measure'));
    key(0);
    await rest();
    call().flush(refusalBody('edited-elsewhere', 'Changed.', { current: kept(5, 3) }), {
      status: 409,
      statusText: 'Conflict',
    });
    TestBed.tick();
    keeper.takeTheirs();
    TestBed.tick();
    expect(keeper.readings().length).toBe(3);
    expect(keeper.unsaved()).toBeFalse();
    key(0);
    await rest();
    expect(call().request.body.version).toBe(5);
  });
});
