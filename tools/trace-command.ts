import { closeSync, openSync, readFileSync, readSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { traceDxf } from '@odontis/contract/trace-dxf';
import { pictureHeader } from '@odontis/core/trace/picture-header';
import { believableDpi, MOST_TRACED_PIXELS, pictureFault, pictureFaultWords } from '@odontis/core/trace/picture-faults';
import { scaleFromDpi } from '@odontis/core/trace/scale';
import { traceSvg } from '@odontis/core/trace/trace-svg';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { DOUBT_WORDS, NOTE_WORDS, REFUSAL_WORDS } from '@odontis/core/trace/trace-words';
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import { parsePattern } from '@odontis/core/saw/tooth-pattern';
import { FAMILIES } from '@odontis/core/saw/all-families';

export interface TraceOptions {
  readonly dpi?: string;
  readonly family?: string;
  readonly heel?: string;
  readonly pattern?: string;
  readonly svg?: string;
  readonly dxf?: string;
}

/** Bytes read for a picture's size and resolution; a TIFF tells them at its end. */
const HEADER_BYTES = 1_000_000;

function headerBytes(file: string): Buffer {
  const opened = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(HEADER_BYTES);
    const first = bytes.subarray(0, readSync(opened, bytes, 0, HEADER_BYTES, 0));
    const tiff = first.length > 3 && ['II*\0', 'MM\0*'].includes(first.subarray(0, 4).toString('latin1'));
    return tiff ? readFileSync(file) : first;
  } finally {
    closeSync(opened);
  }
}

/** A picture file in grey, as it lies. Throws an Error with a sentence for what cannot be decoded. */
async function greyOf(where: string, name: string): Promise<GreyPicture> {
  try {
    const { data, info } = await sharp(where, {
      limitInputPixels: MOST_TRACED_PIXELS,
      failOn: 'truncated',
      sequentialRead: true,
    })
      .flatten({ background: '#ffffff' })
      .greyscale()
      .toColourspace('b-w')
      .raw({ depth: 'uchar' })
      .toBuffer({ resolveWithObject: true });
    return {
      widthPx: info.width,
      heightPx: info.height,
      grey: new Uint8Array(data.buffer, data.byteOffset, data.length),
    };
  } catch {
    throw new Error(pictureFaultWords('cut-short', name, null));
  }
}

/**
 * `odontis trace PICTURE`: the traced teeth and the line's summary, by the same
 * function of core/ as in the browser, ready to be printed as JSON. Throws an Error
 * with a sentence for what cannot be traced.
 */
export async function traceCommand(where: string, name: string, options: TraceOptions): Promise<object> {
  let header;
  try {
    header = pictureHeader(headerBytes(where));
  } catch {
    throw new Error(`${name} cannot be read: is it there?`);
  }
  const fault = pictureFault(header);
  if (fault || !header) throw new Error(pictureFaultWords(fault ?? 'not-a-picture', name, header));
  const dpi = options.dpi === undefined ? believableDpi(header) : Number(options.dpi);
  if (dpi === null)
    throw new Error(`${name} does not say its resolution. Say --dpi 600, or whatever the scanner was set to.`);
  if (!(dpi >= 50 && dpi <= 10_000)) throw new Error(`--dpi "${options.dpi}" is no resolution between 50 and 10000.`);
  const family = options.family;
  if (family !== undefined && !FAMILIES.some((known) => known === family))
    throw new Error(`--family "${family}" is not one of ${FAMILIES.join(', ')}.`);
  const { pattern } = options;
  if (pattern !== undefined && !parsePattern(pattern).ok)
    throw new Error(`--pattern "${pattern}" is no pattern of cutters and rakers, such as CCR.`);
  const heel = options.heel;
  if (heel !== undefined && heel !== 'left' && heel !== 'right')
    throw new Error('--heel is left or right, as the teeth point up.');
  const traced = traceTeeth(await greyOf(where, name), {
    ...scaleFromDpi(dpi),
    cuts: family === 'pull' ? 'pull' : 'push',
    ...(heel && { heel }),
    ...(pattern && { pattern }),
  });
  if (!traced.ok) throw new Error(`${name}: ${REFUSAL_WORDS[traced.code]}`);
  if (options.svg) writeFileSync(options.svg, traceSvg(traced));
  if (options.dxf) writeFileSync(options.dxf, traceDxf(traced));
  const { ok: _, frames: __, teeth, notes, ...line } = traced;
  return {
    format: 'odontis-trace',
    version: 1,
    units: 'mm and degrees',
    picture: { widthPx: header.widthPx, heightPx: header.heightPx, dpi },
    ...line,
    notes: notes.map((note) => ({ code: note, says: NOTE_WORDS[note] })),
    teeth: teeth.map(({ scan: ___, doubts, ...tooth }) => ({
      ...tooth,
      doubts: doubts.map((doubt) => ({ code: doubt, says: DOUBT_WORDS[doubt] })),
    })),
  };
}
