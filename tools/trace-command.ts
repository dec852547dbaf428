import { closeSync, openSync, readFileSync, readSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { traceDxf } from '@odontis/contract/trace-dxf';
import { RULER_MM } from '@odontis/core/photograph/measuring-strip';
import { setsOf, summariseSets } from '@odontis/core/photograph/edge-readings';
import type { SeenCode } from '@odontis/core/photograph/find-strips';
import {
  edgeWords,
  PHOTOGRAPH_FAULT_WORDS,
  PHOTOGRAPH_REFUSAL_WORDS,
  photographWords,
} from '@odontis/core/photograph/photograph-words';
import { readEdge } from '@odontis/core/photograph/read-edge';
import type { LaidGrid } from '@odontis/core/photograph/read-photograph';
import { readPhotograph } from '@odontis/core/photograph/read-photograph';
import { readRim } from '@odontis/core/photograph/read-rim';
import type { PhotographWish } from '@odontis/core/photograph/see-marks';
import { mayBePhotograph, showsStrips, USUAL_PLATE_MM } from '@odontis/core/photograph/see-marks';
import { BLADE_TEETH } from '@odontis/core/saw/saw';
import type { RimGrid } from '@odontis/core/trace/close-rim';
import { closeRim } from '@odontis/core/trace/close-rim';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import type { PictureHeader } from '@odontis/core/trace/picture-header';
import { pictureHeader } from '@odontis/core/trace/picture-header';
import { believableDpi, MOST_TRACED_PIXELS, pictureFault, pictureFaultWords } from '@odontis/core/trace/picture-faults';
import { scaleFromDpi } from '@odontis/core/trace/scale';
import { traceSvg } from '@odontis/core/trace/trace-svg';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { DOUBT_WORDS, NOTE_WORDS, REFUSAL_WORDS } from '@odontis/core/trace/trace-words';
import type { TraceWish } from '@odontis/core/trace/trace-wish';
import type { TraceRefusal } from '@odontis/core/trace/traced-line';
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import { parsePattern } from '@odontis/core/saw/tooth-pattern';
import { FAMILIES } from '@odontis/core/saw/all-families';

import { readyForCodes } from './code-reader';

// Over 250 lines: one command, from its words to its answer.

export interface TraceOptions {
  readonly dpi?: string;
  readonly family?: string;
  readonly heel?: string;
  readonly pattern?: string;
  readonly svg?: string;
  readonly dxf?: string;
  /** Of a photograph: the plate's thickness, mm, and the sheet's two rulers as measured. */
  readonly plate?: string;
  readonly rulers?: string;
  /** Of a round blade: diameter and bore, mm, and its teeth; of a saw seen along its points: its pitch and how far they stand over the strips, mm. */
  readonly round?: string;
  readonly along?: string;
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

/** A picture to be traced: a scan as it lies, or a photograph laid on its grid, with what the answer says of it. */
interface Laid {
  readonly picture: GreyPicture;
  readonly scale: Pick<TraceWish, 'mmPerPx' | 'scaleError' | 'placeErrorMm' | 'teethPoint'>;
  readonly tells: object;
  readonly refusals: Readonly<Record<TraceRefusal, string>>;
  /** Of a round blade: how its rim was laid out. */
  readonly rim?: RimGrid;
}

/** What is told of a photograph. */
const knownOf = (options: TraceOptions): PhotographWish => ({
  ...(options.plate && { plateMm: plateOf(options.plate) }),
  ...(options.rulers && { printed: printedOf(options.rulers) }),
});

async function codesIn(picture: GreyPicture): Promise<SeenCode[]> {
  if (!mayBePhotograph(picture)) return [];
  await readyForCodes();
  return seeCodes(picture);
}

/** Numbers between crosses, such as 250x30x50, each within its own bounds. */
function crossed(option: string, text: string, bounds: readonly (readonly [number, number])[], like: string): number[] {
  const numbers = text.split('x').map(Number);
  const fits = bounds.every(([least, most], i) => (numbers[i] ?? NaN) >= least && (numbers[i] ?? NaN) <= most);
  if (numbers.length !== bounds.length || !fits) throw new Error(`--${option} "${text}" is not such as ${like}.`);
  return numbers;
}

/** A photograph of a round blade among its round strips, its rim laid out. */
async function rimOf(picture: GreyPicture, name: string, round: string, options: TraceOptions): Promise<Laid> {
  const [diameterMm, boreMm, teeth] = crossed(
    'round',
    round,
    [
      [50, 2000],
      [3, 200],
      [BLADE_TEETH.least, BLADE_TEETH.most],
    ],
    '250x30x50: diameter and bore in mm, and teeth',
  ) as [number, number, number];
  const wish = { ...knownOf(options), round: { diameterMm, boreMm, teeth } };
  const read = readRim(picture, await codesIn(picture), wish);
  if (!read.ok) throw new Error(`${name}: ${{ ...PHOTOGRAPH_REFUSAL_WORDS, ...PHOTOGRAPH_FAULT_WORDS }[read.code]}`);
  return { ...laidOf(read), rim: read.rim };
}

/** A photograph along the points: set and lean of every tooth. */
async function setsIn(picture: GreyPicture, name: string, along: string, options: TraceOptions): Promise<object> {
  const [pitchMm, overMm] = crossed(
    'along',
    along,
    [
      [0.5, 60],
      [0.5, 60],
    ],
    '3.63x5: pitch, and the points over the strips, mm',
  ) as [number, number];
  const known = knownOf(options);
  const read = readEdge(picture, await codesIn(picture), { ...known, edge: { pitchMm, overMm } });
  if (!read.ok) throw new Error(`${name}: ${PHOTOGRAPH_FAULT_WORDS[read.code]}`);
  const plateMm = known.plateMm ?? USUAL_PLATE_MM;
  const heel = options.heel === 'right' ? 'right' : 'left';
  const teeth = setsOf(read.teeth, 1, heel);
  return {
    format: 'odontis-set',
    version: 1,
    units: 'mm',
    picture: { photograph: { ...read.facts, mmPerPx: read.mmPerPx, says: [edgeWords(read, plateMm)] } },
    summary: summariseSets(teeth, plateMm, read.sideErrorMm),
    teeth,
  };
}

/** A picture that says no resolution is a photograph where it shows measuring strips. */
async function photographOf(picture: GreyPicture, name: string, options: TraceOptions): Promise<Laid | null> {
  const codes = await codesIn(picture);
  if (!showsStrips(codes)) return null;
  const read = readPhotograph(picture, codes, knownOf(options));
  if (!read.ok) throw new Error(`${name}: ${PHOTOGRAPH_FAULT_WORDS[read.code]}`);
  return laidOf(read);
}

function laidOf(read: LaidGrid): Laid {
  const { picture: laid, mmPerPx, scaleError, placeErrorMm, facts } = read;
  const { seen, warnings } = photographWords(read, 0);
  return {
    picture: laid,
    // On the grid the strips are over the points.
    scale: { mmPerPx, scaleError, placeErrorMm, teethPoint: 'up' },
    tells: {
      widthPx: laid.widthPx,
      heightPx: laid.heightPx,
      photograph: { ...facts, mmPerPx, says: [seen, ...warnings] },
    },
    refusals: PHOTOGRAPH_REFUSAL_WORDS,
  };
}

function plateOf(text: string): number {
  const mm = Number(text);
  if (!(mm >= 0.2 && mm <= 6)) throw new Error(`--plate "${text}" is no thickness between 0.2 and 6 mm.`);
  return mm;
}

/** Both rulers as measured, such as 239.6x149.9. */
function printedOf(text: string): { along: number; across: number } {
  const [along, across] = text.split('x').map(Number);
  const printed = { along: (along ?? NaN) / RULER_MM.along, across: (across ?? NaN) / RULER_MM.across };
  const near = (share: number): boolean => share > 0.95 && share < 1.05;
  if (!near(printed.along) || !near(printed.across))
    throw new Error(`--rulers "${text}" are not the sheet's two rulers as measured, such as 239.6x149.9 mm.`);
  return printed;
}

async function laidPicture(where: string, name: string, options: TraceOptions, header: PictureHeader): Promise<Laid> {
  const dpi = options.dpi === undefined ? believableDpi(header) : Number(options.dpi);
  if (dpi !== null && !(dpi >= 50 && dpi <= 10_000))
    throw new Error(`--dpi "${options.dpi}" is no resolution between 50 and 10000.`);
  const picture = await greyOf(where, name);
  if (options.round) return rimOf(picture, name, options.round, options);
  if (dpi !== null) {
    const { widthPx, heightPx } = header;
    return { picture, scale: scaleFromDpi(dpi), tells: { widthPx, heightPx, dpi }, refusals: REFUSAL_WORDS };
  }
  const photograph = await photographOf(picture, name, options);
  if (!photograph)
    throw new Error(
      `${name} does not say its resolution and shows no measuring strips. Say --dpi 600, or whatever the scanner was set to.`,
    );
  return photograph;
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
  const family = options.family;
  if (family !== undefined && !FAMILIES.some((known) => known === family))
    throw new Error(`--family "${family}" is not one of ${FAMILIES.join(', ')}.`);
  const { pattern } = options;
  if (pattern !== undefined && !parsePattern(pattern).ok)
    throw new Error(`--pattern "${pattern}" is no pattern of cutters and rakers, such as CCR.`);
  const heel = options.heel;
  if (heel !== undefined && heel !== 'left' && heel !== 'right')
    throw new Error('--heel is left or right, as the teeth point up.');
  if (options.along) return setsIn(await greyOf(where, name), name, options.along, options);
  const { picture, scale, tells, refusals, rim } = await laidPicture(where, name, options, header);
  const found = traceTeeth(picture, {
    ...scale,
    cuts: family === 'pull' ? 'pull' : 'push',
    ...(heel && { heel }),
    ...(pattern && { pattern }),
    ...(rim && ({ rim: true, heel: 'left', cuts: 'push' } as const)),
  });
  const traced = rim && found.ok ? { ...closeRim(found, rim), ok: true as const } : found;
  if (!traced.ok) throw new Error(`${name}: ${refusals[traced.code]}`);
  if (options.svg) writeFileSync(options.svg, traceSvg(traced));
  if (options.dxf) writeFileSync(options.dxf, traceDxf(traced));
  const { ok: _, frames: __, teeth, notes, ...line } = traced;
  return {
    format: 'odontis-trace',
    version: 1,
    units: 'mm and degrees',
    picture: tells,
    ...line,
    notes: notes.map((note) => ({ code: note, says: NOTE_WORDS[note] })),
    teeth: teeth.map(({ scan: ___, doubts, ...tooth }) => ({
      ...tooth,
      doubts: doubts.map((doubt) => ({ code: doubt, says: DOUBT_WORDS[doubt] })),
    })),
  };
}
