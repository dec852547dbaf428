import { DraftPhotographs } from './draft-photographs';

describe('photographs of an intake', () => {
  const picture = new Blob(['x'.repeat(200)], { type: 'image/jpeg' });
  const key = (): string => crypto.randomUUID();
  const of = async (intake: string): Promise<number> => {
    const desk = new DraftPhotographs();
    await desk.recall(intake);
    return desk.all().length;
  };

  it('outlive a reload, and are never another intake’s', async () => {
    const [mine, theirs] = [key(), key()];
    const desk = new DraftPhotographs();
    await desk.recall(mine);
    await desk.add(picture, '');
    await desk.recall(theirs);
    expect(desk.all()).toEqual([]);
    expect([await of(mine), await of(theirs)]).toEqual([1, 0]);
  });

  it('go along with an intake that is taken up under another key, and away one by one', async () => {
    const [left, taken] = [key(), key()];
    const desk = new DraftPhotographs();
    await desk.recall(left);
    await desk.add(picture, 'toe');
    await desk.copy(left, taken);
    await desk.recall(taken);
    expect(desk.all()[0]?.caption).toBe('toe');
    await desk.remove(desk.all()[0]?.id ?? 0);
    expect([await of(left), await of(taken)]).toEqual([1, 0]);
  });
});
