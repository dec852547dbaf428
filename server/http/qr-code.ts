import { createRequire } from 'node:module';

// Its types know the browser's build alone.
const require = createRequire(import.meta.url);
const bwip = require('bwip-js/node') as { toSVG(options: { bcid: string; text: string; eclevel?: string }): string };

/** A QR code (ISO/IEC 18004) as SVG, one module a unit, a sixth of it may be lost. */
export const qrCode = (text: string): string => bwip.toSVG({ bcid: 'qrcode', text, eclevel: 'M' });
