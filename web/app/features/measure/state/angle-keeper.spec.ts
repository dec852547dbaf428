import { TestBed } from '@angular/core/testing';
import type { AngleFinding } from '@odontis/core/evidence/angle-finding';
import { TicketPageEvents } from '../../../shared/state/ticket.feature';
import { testDossier, testSession } from '../../../testing/test-dossier';
import type { Bench } from '../../../testing/with-store';
import { withStore } from '../../../testing/with-store';
import { AngleKeeper, asMeant } from './angle-keeper';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';

describe('angles of a saw’s teeth as they are read', () => {
  let bench: Bench;
  let keeper: AngleKeeper;
  beforeEach(() => {
    localStorage.clear();
    bench = withStore(testDossier('measure'), undefined, [EvidenceDesk, AngleKeeper]);
    keeper = TestBed.inject(AngleKeeper);
    TestBed.tick();
  });
  afterEach(() => {
    bench.http.match(() => true);
    localStorage.clear();
  });
  const bevel = (turnDeg: number, rakeDeg: number | null = null): AngleFinding => ({
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
    keeper.settle(asked.reading, asMeant(asked.reading.value, asked.doubt));
    expect(keeper.readings().map((r) => [r.value.way === 'bevel' && r.value.turnDeg, r.setAside])).toEqual([
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
    expect(keeper.summariseSides().disagree.map((s) => s.tooth)).toEqual([1]);
    expect(keeper.summariseSides().known).toBe(keeper.teeth());
  });

  it('a session of before is shown behind: its points on the same strip, its angles beside', () => {
    const dossier = testDossier('measure');
    const session = testSession([], {
      readings: [1, 2, 3].map((tooth) => ({
        key: crypto.randomUUID(),
        quantity: 'angles',
        part: null,
        place: tooth,
        value: bevel(tooth % 2 ? -22 : 22, -12),
        gauge: 'bevel',
        setAside: false,
        corrects: null,
        simulated: false,
        by: 'First Hand',
        at: '2031-05-01T09:00:00.000Z',
      })),
    });
    bench.store.dispatch(
      TicketPageEvents.theirsTaken({ dossier: { ...dossier, sessions: [session] }, request: 'load' }),
    );
    expect(keeper.saysBehind()).toBeNull();
    TestBed.inject(EvidenceDesk).showBehind(session.key);
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
