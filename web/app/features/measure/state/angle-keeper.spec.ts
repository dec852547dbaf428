import { TestBed } from '@angular/core/testing';
import type { NewAngle } from '@odontis/contract/gauging';
import { TicketPageEvents } from '../../../shared/state/ticket.feature';
import { testDossier } from '../../../testing/test-dossier';
import type { Bench } from '../../../testing/with-store';
import { withStore } from '../../../testing/with-store';
import { AngleKeeper, asMeant } from './angle-keeper';
import { SessionKeeper } from './session-keeper';

describe('angles of a saw’s teeth as they are read', () => {
  let bench: Bench;
  let keeper: AngleKeeper;
  beforeEach(() => {
    localStorage.clear();
    bench = withStore(testDossier('measure'), undefined, [SessionKeeper, AngleKeeper]);
    keeper = TestBed.inject(AngleKeeper);
    TestBed.tick();
  });
  afterEach(() => {
    bench.http.match(() => true);
    localStorage.clear();
  });
  const bevel = (turnDeg: number, rakeDeg: number | null = null): NewAngle['finding'] => ({
    way: 'bevel',
    rakeDeg,
    backDeg: null,
    turnDeg,
  });

  it('a reading lands on the present tooth and goes on; what they say moves with it', () => {
    expect(keeper.way()).toBe('file');
    keeper.goTo(5);
    expect(keeper.take(bevel(24, -14))).toBeTrue();
    expect(keeper.take(bevel(-26, -16))).toBeTrue();
    expect(keeper.tooth()).toBe(7);
    expect(keeper.says()?.all.fleamDeg?.value).toBeCloseTo(25, 9);
    // Tooth 6 has both its gullets: its face turned to the left of its back’s.
    expect(keeper.sides()[5]?.point).toBe('left');
    keeper.takeBack();
    expect(keeper.tooth()).toBe(6);
    expect(keeper.readings().length).toBe(3);
    expect(keeper.says()?.all.fleamDeg?.value).toBeCloseTo(24, 9);
  });

  it('an angle to the plate taken for one off square is set aside, asked about and settled with its side kept', () => {
    expect(keeper.take(bevel(-65))).toBeFalse();
    expect(keeper.tooth()).toBe(1);
    const asked = keeper.asked();
    if (!asked) throw new Error('nothing asked');
    keeper.settle(asked.reading, asMeant(asked.reading.finding, asked.doubt));
    expect(keeper.readings().map((r) => [r.finding.way === 'bevel' && r.finding.turnDeg, r.setAside])).toEqual([
      [-65, true],
      [-25, false],
    ]);
    expect(keeper.setAside()).toEqual([]);
    expect(keeper.tooth()).toBe(2);
  });

  it('points said to alternate fill the rest; one seen against it stands out', () => {
    keeper.take({ way: 'eye', point: 'right' });
    const filled = keeper.alternate('right');
    expect(filled).toBe(keeper.teeth() - 1);
    // Leans go left first, so tooth 1 alone has its point on the wrong side.
    expect(keeper.sidesSay().disagree.map((s) => s.tooth)).toEqual([1]);
    expect(keeper.sidesSay().known).toBe(keeper.teeth());
  });

  it('a session of before is shown behind: its points on the same strip, its angles beside', () => {
    const angles = [1, 2, 3].map((tooth) => ({
      key: crypto.randomUUID(),
      part: null,
      tooth,
      finding: bevel(tooth % 2 ? -22 : 22, -12),
      setAside: false,
      corrects: null,
      by: 'First Hand',
      at: '2031-05-01T09:00:00.000Z',
    }));
    const dossier = testDossier('measure');
    const gauging = {
      id: 4,
      key: crypto.randomUUID(),
      kind: 'before' as const,
      by: 'First Hand',
      startedAt: '2031-05-01T09:00:00.000Z',
      finishedAt: '2031-05-01T10:00:00.000Z',
      note: '',
      readings: [],
      angles,
    };
    bench.store.dispatch(TicketPageEvents.theirsTaken({ dossier: { ...dossier, gaugings: [gauging] } }));
    expect(keeper.saysBehind()).toBeNull();
    TestBed.inject(SessionKeeper).behind.set(4);
    expect(keeper.saysBehind()?.all.fleamDeg?.value).toBeCloseTo(22, 9);
    expect(
      keeper
        .sidesBehind()
        .map((s) => s.point)
        .slice(0, 4),
    ).toEqual([null, 'right', 'left', null]);
    expect(keeper.readings()).toEqual([]);
  });
});
