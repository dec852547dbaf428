import DxfParser from 'dxf-parser';
import sharp from 'sharp';
import { madeLine, madeScan } from '@odontis/core/reference/made-scan';
import { traceSvg } from '@odontis/core/trace/trace-svg';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { DXF_LAYERS, traceDxf } from './trace-dxf';

describe('a trace as files that other programs open', () => {
  const made = madeScan(
    madeLine({ teeth: 40, pitchMm: 2.54, rakeDeg: -12, unevenMm: 0.05, flatMm: 0.1, missing: [12] }),
    { dpi: 600 },
  );
  const result = traceTeeth(made.picture, { mmPerPx: made.mmPerPx });
  if (!result.ok) throw new Error(result.code);
  const line = result;

  it('a DXF reader finds every tip and the outline where the trace has them, in millimetres', () => {
    const drawing = new DxfParser().parseSync(traceDxf(line));
    const on = (layer: string) => drawing?.entities.filter((e) => e.layer === layer) ?? [];
    const tips = on(DXF_LAYERS.tips) as unknown as { type: string; position: { x: number; y: number } }[];
    const standing = line.teeth.filter((t) => t.kind !== 'missing');
    expect(tips.map((t) => t.type)).toEqual(standing.map(() => 'POINT'));
    tips.forEach(({ position }, i) => {
      expect(position.x).toBeCloseTo(standing[i]?.xMm ?? NaN, 6);
      expect(position.y).toBeCloseTo(standing[i]?.yMm ?? NaN, 6);
    });
    const outline = on(DXF_LAYERS.outline)[0] as unknown as { type: string; vertices: { x: number; y: number }[] };
    expect(outline.type).toBe('LWPOLYLINE');
    const xs = outline.vertices.map((v) => v.x);
    expect(xs).toEqual([...xs].sort((a, b) => a - b));
    // The gap that a lost tooth leaves is deeper than a gullet.
    const heelPart = outline.vertices.filter((v) => v.x < 10 * 2.54).map((v) => v.y);
    expect(Math.min(...heelPart)).toBeCloseTo(-(line.summary.gulletMm?.value ?? 0), 0);
    expect(drawing?.header['$INSUNITS']).toBe(4);
  });

  it('an SVG drawn by another program is as large as the saw and shows ink where the tips are', async () => {
    const svg = traceSvg(line);
    const told = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg);
    expect(Number(told?.[1])).toBeCloseTo(line.summary.lengthMm + 10, 3);
    const { data, info } = await sharp(Buffer.from(svg), { density: 110 })
      .flatten({ background: '#fff' })
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const perMm = info.width / Number(told?.[1]);
    expect(info.height / perMm).toBeCloseTo(Number(told?.[2]), 0);
    const high = Math.max(...line.teeth.map((t) => t.yMm));
    for (const t of line.teeth) {
      const [x, y] = [Math.floor((t.xMm + 5) * perMm), Math.floor((high + 5 - t.yMm) * perMm)];
      const at = (dx: number, dy: number): number => data[((y + dy) * info.width + x + dx) * info.channels] ?? 255;
      const near = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => at(dx, dy)));
      expect(Math.min(...near))
        .withContext(`tooth ${t.tooth}`)
        .toBeLessThan(200);
    }
    expect([...svg.matchAll(/data-tooth="(\d+)"/g)].map((m) => Number(m[1]))).toEqual(line.teeth.map((t) => t.tooth));
  });
});
