import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
// Its types know the browser's build alone.
const bwip = require('bwip-js/node') as {
  raw(options: {
    bcid: string;
    text: string;
    eclevel: string;
    version: number;
  }): [{ pixs: number[]; pixx: number; pixy: number }];
};

/** A QR code of version 1 (ISO/IEC 18004), 21 modules to a side, as its modules, true for ink, row by row. */
export function codeModules(text: string): boolean[][] {
  const [{ pixs, pixx, pixy }] = bwip.raw({ bcid: 'qrcode', text, eclevel: 'M', version: 1 });
  return Array.from({ length: pixy }, (_, j) => Array.from({ length: pixx }, (__, i) => pixs[j * pixx + i] === 1));
}
