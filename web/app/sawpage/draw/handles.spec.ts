import { hollowLine, testDossier, testShop } from '../../testing/test-dossier';
import { baseDrawing, drawnTooth } from '../build-drawing';
import type { SawDrawing } from '../drawing';
import { handlesOf } from './handles';
import { layoutFor } from './layout';

describe('what a saw is held by, drawn', () => {
  const dossier = testDossier('plan');
  const drawing: SawDrawing = baseDrawing(dossier, hollowLine(24), drawnTooth(dossier, testShop().book.habits));
  const layout = layoutFor(drawing, 1200, 44);
  const held = (how: SawDrawing['held']) =>
    handlesOf({ ...drawing, held: how }, layout, { from: layout.left, to: layout.right });

  it('one handle at the heel, beside the plate; grips and frames over it, one at either end', () => {
    for (const how of ['closed', 'open', 'straight', 'pull'] as const)
      expect(held(how).map(({ end, over }) => [end, over])).toEqual([[layout.left, false]]);
    expect(held('one-man').map(({ over }) => over)).toEqual([false, true]);
    expect(held('two-man').length).toBe(2);
    expect(held('framed').length).toBe(3);
  });
  it('nothing holds a band or a blade', () => {
    expect([...held('loop'), ...held('rim')]).toEqual([]);
  });
  it('a rail runs no further than the sheet shows, however near it is looked at', () => {
    const near = handlesOf({ ...drawing, held: 'framed' }, layout, { from: -9000, to: 9000 });
    const ends = near.map(({ path }) => path).find((path) => path.includes('H')) ?? '';
    expect(ends).toContain(`M${layout.left - 4} `);
    expect(ends).toContain(`H${layout.right + 4} `);
  });
});
