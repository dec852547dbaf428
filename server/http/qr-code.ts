import { createRequire } from 'node:module';

// Its types know the browser's build alone.
const require = createRequire(import.meta.url);
const bwip = require('bwip-js/node') as { toSVG(options: { bcid: string; text: string; eclevel?: string }): string };

/** A QR code (ISO/IEC 18004) as SVG, one module a unit, a sixth of it may be lost. */
export const qrCode = (text: string): string => bwip.toSVG({ bcid: 'qrcode', text, eclevel: 'M' });

/** The same as its ink's path alone, and how many modules it has to a side. */
export function qrPath(text: string): { readonly path: string; readonly side: number } {
  const svg = qrCode(text);
  const side = Number(/viewBox="0 0 (\d+)/.exec(svg)?.[1]);
  return { path: /<path[^>]*\/>/.exec(svg)?.[0] ?? '', side };
}
