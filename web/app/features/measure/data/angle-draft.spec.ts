import type { AngleWay } from '@odontis/core/evidence/angle-finding';
import type { AngleDraft } from './angle-draft';
import { EMPTY_DRAFT, readDraft } from './angle-draft';

const SPEECH = { rakeSpeech: 'lean-back', fleamSpeech: 'off-square' } as const;
const read = (draft: Partial<AngleDraft>, way: AngleWay = 'file', cuts: 'push' | 'pull' = 'push') =>
  readDraft({ ...EMPTY_DRAFT, ...draft }, way, 'taper', cuts, SPEECH);
const says = (draft: Partial<AngleDraft>, way?: AngleWay): string => {
  const found = read(draft, way);
  return found.ok ? '' : found.says;
};

describe('what is typed of an angle', () => {
  it('a seated file: the block’s fall is its roll, the side and the tip make the turn’s sign, no dip is level', () => {
    const found = read({ fall: '15', fleam: '65 to the plate', from: 'right' });
    expect(found.ok && found.finding).toEqual({
      way: 'file',
      section: 'taper',
      rollDeg: 15,
      turnDeg: -25,
      slopeDeg: 0,
      from: 'right',
    });
  });

  it('a bevel: what is left empty was not read; a lean back is spoken without its sign', () => {
    const found = read({ rake: '15', fleam: '20', from: 'left', tip: 'against' }, 'bevel');
    expect(found.ok && found.finding).toEqual({ way: 'bevel', rakeDeg: -15, backDeg: null, turnDeg: -20 });
  });

  it('along the cut is to the heel on a pull saw: the turn’s sign is the other', () => {
    const turn = (cuts: 'push' | 'pull'): number | undefined => {
      const found = read({ fall: '5', fleam: '12' }, 'file', cuts);
      return found.ok && found.finding.way === 'file' ? found.finding.turnDeg : undefined;
    };
    expect([turn('push'), turn('pull')]).toEqual([-12, 12]);
  });

  it('says what is missing or wrong, with what was typed', () => {
    expect(says({ fleam: '20' })).toBe('The block’s fall is not typed yet.');
    expect(says({ fall: '10', fleam: 'steep' })).toMatch(/The turn "steep" is not an angle.*75 to the plate/);
    expect(says({ fall: '10', fleam: '20', dip: '-3' })).toMatch(/dip "-3"/);
    expect(says({}, 'bevel')).toBe('Type one angle at least.');
    expect(says({ back: '100' }, 'bevel')).toMatch(/The back "100"/);
  });
});
