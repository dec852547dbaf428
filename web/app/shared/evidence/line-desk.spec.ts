import { TestBed } from '@angular/core/testing';
import { testDossier } from '../../testing/test-dossier';
import { withStore } from '../../testing/with-store';
import { EvidenceDesk } from './evidence-desk';
import { LineDesk } from './line-desk';

describe('a tooth line being keyed', () => {
  let desk: LineDesk;
  const start = (gaps: number[] = []): LineDesk => {
    localStorage.clear();
    withStore(testDossier('measure'), undefined, [EvidenceDesk, LineDesk]);
    desk = TestBed.inject(LineDesk);
    TestBed.tick();
    gaps.forEach((gap) => desk.key(gap));
    return desk;
  };
  afterEach(() => localStorage.clear());
  const heights = (): number[] => desk.readings().map((r) => r.yMm);

  it('gaps under the straight edge one after the other, teeth at the pitch that was told', () => {
    start([0, 0.1, 0.05]);
    expect(desk.readings().map((r) => [r.tooth, r.xMm, r.yMm])).toEqual([
      [1, 0, 0],
      [2, 2, -0.1],
      [3, 4, -0.05],
    ]);
    // Nobody measured a place: none is in the record.
    expect(
      new Set(
        TestBed.inject(EvidenceDesk)
          .readings()
          .map((r) => r.quantity),
      ),
    ).toEqual(new Set(['height']));
  });

  it('goes back one and corrects without moving the others; the old value stays in the record', () => {
    start([0, 0.1, 0.05]);
    desk.goTo(1);
    desk.key(0.2);
    expect(heights()).toEqual([0, -0.2, -0.05]);
    expect(desk.cursor()).toBe(2);
    const read = TestBed.inject(EvidenceDesk).readings();
    expect(read.map((r) => r.value)).toEqual([0, -0.1, -0.05, -0.2]);
    expect(read[3]?.corrects).toBe(read[1]?.key ?? '');
  });

  it('undoes and does again, step by step; a new value ends what could be done again', () => {
    start([0, 0.1]);
    desk.undo();
    expect(heights()).toEqual([0]);
    desk.redo();
    expect(heights()).toEqual([0, -0.1]);
    desk.goTo(1);
    desk.key(0.3);
    desk.undo();
    expect(heights()).toEqual([0, -0.1]);
    desk.undo();
    expect(heights()).toEqual([0]);
    desk.key(0.4);
    expect(desk.canRedo()).toBeFalse();
    expect(heights()).toEqual([0, -0.4]);
  });

  it('a measured place moves what lies between, and the pitch goes on from it', () => {
    start([0, 0, 0, 0]);
    desk.chooseColumn('place');
    desk.goTo(0);
    desk.key(0);
    desk.goTo(2);
    desk.key(4.4);
    expect(desk.readings().map((r) => Number(r.xMm.toFixed(6)))).toEqual([0, 2.2, 4.4, 6.4]);
  });

  it('the rest like the last one, which its readings say was by eye', () => {
    start([0, 0.1]);
    desk.fillTo(5);
    expect(heights()).toEqual([0, -0.1, -0.1, -0.1, -0.1]);
    expect(
      TestBed.inject(EvidenceDesk)
        .readings()
        .map((r) => r.gauge),
    ).toEqual(['straight-edge', 'straight-edge', 'eye', 'eye', 'eye']);
  });

  it('a missing tooth has no height and no set; keyed again it stands', () => {
    start([0, 0, 0]);
    desk.setsOfSide('right', [0.05]);
    desk.goTo(1);
    desk.mark('missing');
    expect(desk.readings()[1]).toEqual(jasmine.objectContaining({ kind: 'missing', setMm: null }));
    desk.goTo(1);
    desk.key(0.1);
    expect(desk.readings()[1]).toEqual(jasmine.objectContaining({ kind: 'tooth', yMm: -0.1 }));
  });

  it('sets of a few teeth of a side; fewer typed the next time, the others are taken back', () => {
    start([0, 0, 0, 0, 0, 0]);
    desk.setsOfSide('left', [0.06, 0.07, 0.08]);
    desk.setsOfSide('left', [0.05]);
    expect(desk.readings().map((r) => r.setMm)).toEqual([0.05, null, null, null, null, null]);
  });

  it('a whole line out of a file takes the place of what was keyed, and undo brings that back', () => {
    start([0, 0.1, 0.2]);
    const teeth = [0, -0.3].map((yMm, i) => ({ tooth: i + 1, xMm: 2.1 * i, yMm, kind: 'tooth' as const }));
    desk.takeLine({ teeth, places: true }, 'scan');
    expect(desk.readings().map((r) => [r.xMm, r.yMm])).toEqual([
      [0, 0],
      [2.1, -0.3],
    ]);
    desk.undo();
    expect(heights()).toEqual([0, -0.1, -0.2]);
    expect(desk.readings()[1]?.xMm).toBe(2);
  });

  it('the last tooth dropped is the last no more', () => {
    start([0, 0.1, 0.2]);
    desk.dropLast();
    expect(heights()).toEqual([0, -0.1]);
    expect(desk.cursor()).toBe(2);
  });
});
