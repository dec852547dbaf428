import { hollowLine, testDossier, testShop } from '../../testing/test-dossier';
import { baseDrawing, drawnTooth } from '../build-drawing';
import type { SawDrawing } from '../drawing';
import { layoutFor } from './layout';
import { proportionsSaid } from './proportions';

describe('the proportions a saw is drawn in', () => {
  const dossier = testDossier('plan');
  const drawing: SawDrawing = baseDrawing(dossier, hollowLine(24), drawnTooth(dossier, testShop().book.habits));
  const layout = layoutFor(drawing, 1200, 44);
  const alike = layout.toothPx / drawing.toothHeightMm;

  it('are said by how much: drawn four times as tall at a quarter of the teeth’s own scale along the line', () => {
    expect(proportionsSaid(drawing, layout, alike / 4)).toContain('teeth drawn 4.0 × as tall as they are');
    expect(proportionsSaid(drawing, layout, alike / 20)).toContain('drawn 20 ×');
    expect(proportionsSaid(drawing, layout, alike * 2)).toContain('drawn 0.5 ×');
    expect(proportionsSaid(drawing, layout, alike)).toContain('teeth in true proportion');
  });
  it('a plate has its own: 45 mm in so many px, its back apart', () => {
    const px = layout.plateBottom - layout.plateTop - 10;
    expect(proportionsSaid(drawing, layout, px / 45 / 0.3)).toContain('its plate 0.3 × as deep');
    expect(proportionsSaid(drawing, layout, px / 45)).toContain('its plate 1.0 × as deep');
  });
  it('where no tooth is read yet, none is drawn and none is spoken of', () => {
    const bare = baseDrawing(dossier, [], drawnTooth(dossier, testShop().book.habits));
    expect(proportionsSaid(bare, layout, 4)).toMatch(/^As in the vise, teeth up; its plate [\d.]+ × as deep as it is$/);
  });
  it('what goes round is said to be laid out, and has no plate that is deep', () => {
    expect(proportionsSaid({ ...drawing, held: 'rim' }, layout, alike)).toBe(
      'Rolled out flat; teeth in true proportion',
    );
    expect(proportionsSaid({ ...drawing, held: 'loop' }, layout, 1)).not.toContain('plate');
  });
});
