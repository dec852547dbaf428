import { exampleRecord } from '../../reference/examples';
import type { StraightRecord } from '../saw-record';
import { orderOfRecord } from './of-record';

describe('a straight saw’s order from its record', () => {
  it('tells the cut before and as planned, and whether a broken tooth is worth chasing', () => {
    const told = orderOfRecord(exampleRecord<StraightRecord>('hand-saw'));
    expect(told.chase[0]).toEqual(jasmine.objectContaining({ tooth: 12, advice: 'blend' }));
    expect(told.cut?.planned?.shareWorking).toBeGreaterThanOrEqual(told.cut?.before.shareWorking ?? NaN);
    expect(told.cut?.planned?.hopMm).toBeLessThan(told.cut?.before.hopMm ?? NaN);
  });

  it('a depth of one’s own is taken, one beyond the tooth refused', () => {
    const record = exampleRecord<StraightRecord>('back-saw');
    expect(orderOfRecord(record, 0.3).order.choice.depthMm).toBe(0.3);
    expect(() => orderOfRecord(record, 30)).toThrowError(RangeError);
  });
});
