import { judgeBandCut } from './band-cut-verdict';
import type { BandAfter, BandCut } from './band-cut-verdict';

const SOUND: BandCut = { runs: 'true', binds: false, chatters: false };
const side = (meanMm: number) => ({ count: 8, meanMm, spreadMm: 0.004 });
const height = (place: number, valueMm: number) => ({ place, valueMm, errorMm: 0.01, count: 1 });
const after = (more: Partial<BandAfter> = {}): BandAfter => ({ set: null, heights: [], teeth: 400, ...more });
const advised = (cut: Partial<BandCut>, known: BandAfter = after()) =>
  judgeBandCut({ ...SOUND, ...cut }, known, 0.17).advice;

describe('a band’s test cut', () => {
  it('passes when it neither wanders, burns nor beats', () => {
    expect(judgeBandCut(SOUND, after(), 0.17).verdict).toBe('pass');
  });
  it('wanders to the side with more set, which is stoned; with even set it runs from its dull side; unread, it is asked', () => {
    const wide = judgeBandCut({ ...SOUND, runs: 'left' }, after({ set: { left: side(0.2), right: side(0.17) } }), 0.17);
    expect([wide.advice, wide.stoning.side]).toEqual([['stone'], 'left']);
    expect(advised({ runs: 'left' }, after({ set: { left: side(0.17), right: side(0.17) } }))).toEqual([
      'file-dull-side',
    ]);
    expect(advised({ runs: 'right' }, after({ set: { left: side(0.2), right: side(0.17) } }))).toEqual([
      'file-dull-side',
    ]);
    expect(advised({ runs: 'right' })).toEqual(['measure-set']);
  });
  it('burns in curves for want of set; with all the set it wants it is dull', () => {
    expect(advised({ binds: true }, after({ set: { left: side(0.1), right: side(0.12) } }))).toEqual(['add-set']);
    expect(advised({ binds: true }, after({ set: { left: side(0.18), right: side(0.18) } }))).toEqual(['file-again']);
    expect(advised({ binds: true })).toEqual(['measure-set']);
  });
  it('beats at the weld or at a tooth, by its place', () => {
    expect(advised({ chatters: true })).toEqual(['find-beat']);
    expect(advised({ chatters: true, beatAt: 399 })).toEqual(['dress-weld']);
    expect(advised({ chatters: true, beatAt: 2 })).toEqual(['dress-weld']);
    expect(advised({ chatters: true, beatAt: 120 })).toEqual(['measure-heights']);
    const level = [100, 110, 119, 120, 121, 130].map((place) => height(place, place === 119 ? 0.12 : 0));
    expect(advised({ chatters: true, beatAt: 120 }, after({ heights: level }))).toEqual(['blend-tooth']);
    expect(advised({ chatters: true, beatAt: 104 }, after({ heights: level }))).toEqual(['measure-heights']);
  });
});
