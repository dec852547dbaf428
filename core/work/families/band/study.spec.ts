import type { planBand } from '../../../band/band-windows';
import { exampleRecord } from '../../../reference/examples';
import type { BandRecord } from '../../saw-record';
import { bandWork } from './work';

describe('the study of a band', () => {
  it('a band’s counted teeth outrank those reckoned', () => {
    const told = bandWork.ofRecord(exampleRecord<BandRecord>('band')) as {
      teeth: number;
      reckoned: number;
      work: ReturnType<typeof planBand>;
    };
    expect([told.teeth, told.reckoned]).toEqual([379, 378]);
    expect(told.work.circuits.length).toBe(3);
  });
});
