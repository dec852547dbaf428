import { traceOutline } from './trace-outline';
import type { TracedLine } from './traced-line';

/** Space round the drawing, mm. */
const MARGIN_MM = 5;
const micron = (value: number): string => String(Number(value.toFixed(4)));

/**
 * The trace as an SVG (W3C SVG 1.1) at true size: one unit is a millimetre. The
 * outline is one path, every tooth a small cross that carries its numbers as data
 * attributes. Text that could hold markup is none of it. docs/formats.md describes it.
 */
export function traceSvg(line: TracedLine): string {
  const outline = traceOutline(line);
  const ys = outline.map(([, y]) => y);
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const width = line.summary.lengthMm + 2 * MARGIN_MM;
  const height = high - low + 2 * MARGIN_MM;
  const at = (x: number, y: number): string => `${micron(x + MARGIN_MM)},${micron(high + MARGIN_MM - y)}`;
  const number = (value: number | null): string => (value === null ? '' : micron(value));
  const teeth = line.teeth.map(
    (t) =>
      `  <path class="tooth" d="M${at(t.xMm - 0.15, t.yMm)} L${at(t.xMm + 0.15, t.yMm)} M${at(t.xMm, t.yMm - 0.15)} L${at(t.xMm, t.yMm + 0.15)}" data-tooth="${t.tooth}" data-kind="${t.kind}" data-x-mm="${micron(t.xMm)}" data-y-mm="${micron(t.yMm)}" data-flat-mm="${micron(t.flatMm)}" data-rake-deg="${number(t.rakeDeg)}" data-back-deg="${number(t.backDeg)}" data-gullet-mm="${number(t.gulletMm)}"/>`,
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${micron(width)}mm" height="${micron(height)}mm" viewBox="0 0 ${micron(width)} ${micron(height)}">`,
    ' <g fill="none" stroke="#000" stroke-width="0.05">',
    `  <path class="outline" d="M${outline.map(([x, y]) => at(x, y)).join(' L')}"/>`,
    ...teeth,
    ' </g>',
    '</svg>',
    '',
  ].join('\n');
}
