import DxfParser from 'dxf-parser';
import { fileBlock, fleamCard } from '@odontis/core/work/aids/aids-of-order';
import { AID_LAYERS, aidDxf, aidSvg } from './aid-files';

describe('aids as drawings for other programs', () => {
  const card = fleamCard(20);

  it('SVG says its size in millimetres, one unit each, and has every line', () => {
    const svg = aidSvg(card);
    expect(svg).toContain('width="150mm" height="70mm" viewBox="0 0 150 70"');
    const paths = [...svg.matchAll(/class="line" d="M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)"/g)].map((m) =>
      m.slice(1).map(Number),
    );
    expect(paths).toEqual(card.lines.map((line) => line.flat()));
  });

  it('DXF read by a reader of its own: millimetres, y up, cut and scribed apart, the hole as wide as it is', () => {
    const block = fileBlock(12, 7.1, 'a & b');
    const read = new DxfParser().parseSync(aidDxf(block));
    const layers = read?.entities.map((entity) => entity.layer) ?? [];
    expect(layers.filter((layer) => layer === AID_LAYERS.cut).length).toBe(block.cuts.length + block.holes.length);
    expect(layers.filter((layer) => layer === AID_LAYERS.line).length).toBe(block.lines.length);
    const circle = read?.entities.find((entity) => entity.type === 'CIRCLE') as unknown as {
      radius: number;
      center: { x: number; y: number };
    };
    expect(2 * circle.radius).toBeCloseTo(block.holes[0]?.diameterMm ?? NaN, 4);
    expect(circle.center).toEqual(jasmine.objectContaining({ x: 20, y: 20 }));
  });
});
