import { evenSaw } from '../reference/random-saw';
import { findReadingFaults } from './reading-faults';

const withChange = (tooth: number, change: object) =>
  evenSaw(9, 2).map((r) => (r.tooth === tooth ? { ...r, ...change } : r));
const codes = (readings: ReturnType<typeof evenSaw>): string[] =>
  findReadingFaults(readings, 2, 0.6).map((f) => `${f.tooth} ${f.code} ${f.weight}`);

describe('findReadingFaults', () => {
  it('finds nothing wrong with an even saw', () => expect(codes(evenSaw(9, 2))).toEqual([]));
  it('sees a slipped decimal in a height', () =>
    expect(codes(withChange(4, { yMm: -1 }))).toEqual(['4 height-jump look']));
  it('does not doubt the tooth keyed after a slip', () =>
    expect(codes(withChange(4, { yMm: -1 }).slice(0, 5))).toEqual(['4 height-jump look']));
  it('lets a tooth marked broken be short', () =>
    expect(codes(withChange(4, { yMm: -1, kind: 'broken' }))).toEqual([]));
  it('stops at places that do not rise', () =>
    expect(codes(withChange(4, { xMm: 1 }))).toEqual(['4 place-not-rising stop', '5 place-jump look']));
  it('stops at a skipped or a repeated tooth', () => {
    expect(codes(evenSaw(9, 2).filter((r) => r.tooth !== 5))).toContain('6 tooth-skipped stop');
    expect(codes(withChange(5, { tooth: 4 }))).toContain('4 tooth-repeated stop');
  });
  it('asks about set above half the plate', () =>
    expect(codes(withChange(3, { setMm: 0.31 }))).toEqual(['3 set-over-half-plate look']));
});
