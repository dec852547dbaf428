import type { RackRow } from '@odontis/contract/ticket';
import { of, throwError } from 'rxjs';
import { forgetKept, keepAtHand, sawsAtHand } from './saws-at-hand';
import type { ShopApi } from './shop-api';

const row = (id: number, stage: RackRow['stage'], promisedOn: string): RackRow =>
  ({ id, stage, promisedOn }) as RackRow;

describe('saws at hand without a network', () => {
  it('are those worked next, the soonest first, no more than a few days of them', () => {
    const rows = [row(1, 'handover', '2031-05-01'), row(2, 'bench', '2031-05-03'), row(3, 'measure', '2031-05-02')];
    expect(sawsAtHand(rows)).toEqual([3, 2]);
    expect(sawsAtHand(Array.from({ length: 90 }, (_, i) => row(i, 'plan', '2031-05-01'))).length).toBe(24);
  });

  it('are read one after the other, past one that is refused; not at all where nothing is kept', () => {
    const asked: number[] = [];
    const ticket = (id: number) => {
      asked.push(id);
      return id === 2 ? throwError(() => new Error('x')) : of({});
    };
    const api = { ticket } as unknown as ShopApi;
    const rows = [1, 2, 3].map((id) => row(id, 'bench', '2031-05-01'));
    keepAtHand(api, rows, false);
    expect(asked).toEqual([]);
    keepAtHand(api, rows, true);
    expect(asked).toEqual([1, 2, 3]);
  });

  it('go with who leaves; the program itself stays', async () => {
    const names = ['ngsw:/:1:data:dynamic:saws:cache', 'ngsw:/:1:assets:program:cache'];
    for (const name of names) await caches.open(name);
    await forgetKept();
    expect(await Promise.all(names.map((name) => caches.has(name)))).toEqual([false, true]);
    await caches.delete(names[1] ?? '');
  });
});
