import { ReadingSheet } from './reading-sheet';

describe('ReadingSheet', () => {
  const sheet = (gaps: number[]): ReadingSheet => {
    const made = new ReadingSheet(2);
    gaps.forEach((gap) => made.key(gap));
    return made;
  };

  it('keys gaps under the straight edge one after the other, at the pitch, leaning by turns', () => {
    const { readings } = sheet([0, 0.1, 0.05]);
    expect(readings().map((r) => [r.tooth, r.xMm, r.yMm, r.lean])).toEqual([
      [1, 0, 0, 'left'],
      [2, 2, -0.1, 'right'],
      [3, 4, -0.05, 'left'],
    ]);
  });

  it('goes back one and corrects without moving the others', () => {
    const made = sheet([0, 0.1, 0.05]);
    made.goTo(1);
    made.key(0.2);
    expect(made.readings()[1]?.yMm).toBe(-0.2);
    expect(made.cursor()).toBe(2);
  });

  it('undoes and does again, step by step', () => {
    const made = sheet([0, 0.1]);
    made.undo();
    expect(made.readings().length).toBe(1);
    made.redo();
    expect(made.readings().length).toBe(2);
    made.undo();
    made.key(0.3);
    expect(made.canRedo()).toBeFalse();
    expect(made.readings()[1]?.yMm).toBe(-0.3);
  });

  it('fills the rest like the last one', () => {
    const made = sheet([0, 0.1]);
    made.fillTo(5);
    expect(made.readings().map((r) => r.yMm)).toEqual([0, -0.1, -0.1, -0.1, -0.1]);
    expect(made.readings().map((r) => r.xMm)).toEqual([0, 2, 4, 6, 8]);
  });

  it('marks a missing tooth and takes its set away', () => {
    const made = sheet([0, 0, 0]);
    made.setSide('right', 0.05);
    made.goTo(1);
    made.mark('missing');
    expect(made.readings()[1]).toEqual(jasmine.objectContaining({ kind: 'missing', setMm: null }));
    expect(made.readings()[0]?.setMm).toBeNull();
  });
});
