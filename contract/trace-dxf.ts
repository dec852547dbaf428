import { DxfWriter, Units } from '@tarikjabiri/dxf';
import { traceOutline } from '@odontis/core/trace/trace-outline';
import type { TracedLine } from '@odontis/core/trace/traced-line';

/** Layers of the drawing: the outline as one open polyline, a point at every tip. */
export const DXF_LAYERS = { outline: 'OUTLINE', tips: 'TIPS' } as const;
/** AutoCAD colour index: 7 is black or white, 1 the reader's first colour. */
const COLOUR = { outline: 7, tips: 1 } as const;

/** The trace as a DXF drawing in millimetres, heel at the origin, y up. docs/formats.md describes it. */
export function traceDxf(line: TracedLine): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer(DXF_LAYERS.outline, COLOUR.outline, 'CONTINUOUS');
  dxf.addLayer(DXF_LAYERS.tips, COLOUR.tips, 'CONTINUOUS');
  dxf.addLWPolyline(
    traceOutline(line).map(([x, y]) => ({ point: { x, y } })),
    { layerName: DXF_LAYERS.outline },
  );
  for (const t of line.teeth.filter((tooth) => tooth.kind !== 'missing'))
    dxf.addPoint(t.xMm, t.yMm, 0, { layerName: DXF_LAYERS.tips });
  return dxf.stringify();
}
