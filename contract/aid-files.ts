import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import type { AidPoint, BenchAid } from '@odontis/core/work/aids/bench-aid';

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign);
const d = (points: readonly AidPoint[]): string => `M${points.map(([x, y]) => `${x} ${y}`).join('L')}`;

/** An aid as SVG's own elements, in mm, its corner at a place of the sheet. */
export const aidMarks = (aid: BenchAid, x = 0, y = 0): string =>
  [
    `<g transform="translate(${x} ${y})" fill="none" stroke="#000" stroke-width="0.15">`,
    ...aid.cuts.map((cut) => `<path class="cut" d="${d(cut)}Z"/>`),
    ...aid.lines.map((line) => `<path class="line" d="${d(line)}"/>`),
    ...aid.holes.map(({ at, diameterMm }) => `<circle cx="${at[0]}" cy="${at[1]}" r="${diameterMm / 2}"/>`),
    ...aid.words.map(
      ({ at, says, sizeMm }) =>
        `<text x="${at[0]}" y="${at[1]}" font-size="${sizeMm}" fill="#000" stroke="none">${escaped(says)}</text>`,
    ),
    '</g>',
  ].join('');

/** The drawing at true scale: one unit is a millimetre, and its width and height say so. docs/formats.md describes it. */
export const aidSvg = (aid: BenchAid): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${aid.widthMm}mm" height="${aid.heightMm}mm" viewBox="0 0 ${aid.widthMm} ${aid.heightMm}"><title>${escaped(aid.title)}</title>${aidMarks(aid)}</svg>\n`;

export const AID_LAYERS = { cut: 'CUT', line: 'LINE' } as const;

/** The same as DXF in millimetres, y up: what is cut on one layer, what is scribed on another. Throws nothing. */
export function aidDxf(aid: BenchAid): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer(AID_LAYERS.cut, 7, 'CONTINUOUS');
  dxf.addLayer(AID_LAYERS.line, 1, 'CONTINUOUS');
  const up = (points: readonly AidPoint[]) => points.map(([x, y]) => ({ point: { x, y: aid.heightMm - y } }));
  for (const cut of aid.cuts) dxf.addLWPolyline(up([...cut, cut[0] as AidPoint]), { layerName: AID_LAYERS.cut });
  for (const line of aid.lines) dxf.addLWPolyline(up(line), { layerName: AID_LAYERS.line });
  for (const { at, diameterMm } of aid.holes)
    dxf.addCircle(point3d(at[0], aid.heightMm - at[1], 0), diameterMm / 2, { layerName: AID_LAYERS.cut });
  return dxf.stringify();
}
