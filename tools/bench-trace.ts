import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import cvModule from '@techstark/opencv-js';
import type { SeenCode } from '@odontis/core/photograph/find-strips';
import { readEdge } from '@odontis/core/photograph/read-edge';
import { readPhotograph } from '@odontis/core/photograph/read-photograph';
import { readRim } from '@odontis/core/photograph/read-rim';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import { codeModules } from '@odontis/core/reference/code-modules';
import { bladePhotograph, madeRim } from '@odontis/core/reference/made-blade-photograph';
import { edgePhotograph } from '@odontis/core/reference/made-edge-photograph';
import { madePhotograph } from '@odontis/core/reference/made-photograph';
import { randomPhotograph } from '@odontis/core/reference/random-photograph';
import { randomBlade, randomEdge } from '@odontis/core/reference/random-round-and-edge';
import { closeRim } from '@odontis/core/trace/close-rim';
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { madeLine, madeScan } from '../core/reference/made-scan';
import { againstTruth } from '../core/reference/trace-truth';
import { median } from './bench-core';
import { readyForCodes } from './code-reader';

/** The module is a thenable that never settles: it is looked at, not awaited. */
const library = (): Promise<void> =>
  new Promise((resolve) => {
    if (typeof cvModule.Mat === 'function') resolve();
    else cvModule.onRuntimeInitialized = () => resolve();
  });

const SCANS = [
  { name: '300 mm at 600 dots to the inch', lengthMm: 300, pitchMm: 1.8143, dpi: 600, plateMm: 15, spaceMm: 10 },
  { name: '700 mm at 1200 dots to the inch', lengthMm: 700, pitchMm: 4, dpi: 1200, plateMm: 15, spaceMm: 10 },
] as const;

/**
 * Tracing beside an image-processing library's threshold and contour alone (OpenCV,
 * Otsu and border following) on the same picture in the same run: the library's
 * work ends where ours begins to measure. Peak memory from processes of their own.
 */
export async function benchTrace(): Promise<void> {
  await library();
  console.log('\nTracing beside a library’s threshold and contour on the same picture, medians of one run');
  for (const { name, lengthMm, pitchMm, ...look } of SCANS) {
    const line = madeLine({
      teeth: Math.round(lengthMm / pitchMm),
      pitchMm,
      rakeDeg: -8,
      unevenMm: 0.06,
      unequalMm: 0.04,
      roundMm: 0.02,
    });
    const made = madeScan(line, { ...look, skewDeg: 1, dust: 200, noise: 3, endsMm: 0 });
    const { picture } = made;
    const result = traceTeeth(picture, { mmPerPx: made.mmPerPx });
    if (!result.ok) throw new Error(`not traced: ${result.code}`);
    const truth = againstTruth(line, made, result);
    const ours = await median(() => traceTeeth(picture, { mmPerPx: made.mmPerPx }), 9);
    const source = new cvModule.Mat(picture.heightPx, picture.widthPx, cvModule.CV_8UC1);
    source.data.set(picture.grey);
    const theirs = await median(() => {
      const [binary, order, contours] = [new cvModule.Mat(), new cvModule.Mat(), new cvModule.MatVector()];
      cvModule.threshold(source, binary, 0, 255, cvModule.THRESH_BINARY_INV | cvModule.THRESH_OTSU);
      cvModule.findContours(binary, contours, order, cvModule.RETR_EXTERNAL, cvModule.CHAIN_APPROX_NONE);
      for (const used of [binary, order, contours]) used.delete();
    }, 9);
    source.delete();
    console.log(
      `${name}, ${megapixels(picture)} million pixels, ${line.length} teeth: trace ${ours.toFixed(0)} ms, OpenCV ${theirs.toFixed(0)} ms, ${(ours / theirs).toFixed(2)} of it;` +
        ` missed ${truth.missed}, invented ${truth.invented}, tips ${truth.tipMm.toFixed(4)} mm, rake ${truth.rakeDeg.toFixed(2)}°`,
    );
    console.log(
      `  peak memory over the picture itself: ${memoryShare(picture.grey as Uint8Array, picture.widthPx, made.mmPerPx).toFixed(2)} of the picture`,
    );
  }
  await benchPhotograph();
}

const PRINTED = { printed: { along: 1, across: 1 } } as const;

/** A telephone's twelve million pixels on strips over 680 mm: its parts one by one, and the process's peak memory; then a blade's and a line's along its points. */
async function benchPhotograph(): Promise<void> {
  await readyForCodes();
  const { line, scene } = randomPhotograph(1);
  const { picture } = madePhotograph(line, { ...scene, heightPx: 3000 }, codeModules);
  const parts = await timed(picture, {
    lay: (codes) => laid(readPhotograph(picture, codes, { plateMm: 1e-3, ...PRINTED })),
    trace: ({ picture: grid, mmPerPx, scaleError, placeErrorMm }) => {
      const trace = traceTeeth(grid, { mmPerPx, scaleError, placeErrorMm });
      if (!trace.ok || trace.teeth.length !== line.length) throw new Error('not traced');
    },
  });
  console.log(
    `A photograph of 12 million pixels, ${line.length} teeth: ${parts} (aim: all under 6000); ` +
      `a process that does it alone holds ${(peakOf(picture.grey as Uint8Array, picture.widthPx, 0, 'photograph') / 1e6).toFixed(0)} MB at its peak (aim: under 400)`,
  );
  const made = randomBlade(1);
  const { blade, scene: over } = made;
  const rimPicture = bladePhotograph(madeRim(blade), blade, over, codeModules);
  const round = await timed(rimPicture, {
    lay: (codes) => laid(readRim(rimPicture, codes, { plateMm: over.plateMm, round: blade, ...PRINTED })),
    trace: ({ picture: grid, mmPerPx, rim }) => {
      const trace = traceTeeth(grid, { mmPerPx, rim: true, teethPoint: 'up', heel: 'left' });
      if (!trace.ok || closeRim(trace, rim).teeth.length !== blade.teeth) throw new Error('not traced');
    },
  });
  console.log(
    `A blade of ${blade.diameterMm} mm on ${megapixels(rimPicture)} million pixels, ${blade.teeth} teeth: ${round}`,
  );
  const edge = randomEdge(1);
  const along = edgePhotograph(edge.line, edge.sets, edge.scene, codeModules);
  const { pitchMm } = edge;
  const { plateMm, overMm } = edge.scene;
  const read = await timed(along, {
    lay: (codes) => laid(readEdge(along, codes, { plateMm, edge: { pitchMm, overMm }, ...PRINTED })),
  });
  console.log(`A line along its points on ${megapixels(along)} million pixels, ${edge.sets.length} teeth: ${read}`);
}

const megapixels = ({ widthPx, heightPx }: GreyPicture): string => ((widthPx * heightPx) / 1e6).toFixed(1);

/** What was read of a picture. Throws Error where it was refused. */
function laid<T extends { readonly ok: boolean }>(read: T): Extract<T, { ok: true }> {
  if (!read.ok) throw new Error(`not laid: ${JSON.stringify(read)}`);
  return read as Extract<T, { ok: true }>;
}

/** The least of three runs of each part, in words. */
async function timed<T>(
  picture: GreyPicture,
  parts: { readonly lay: (codes: readonly SeenCode[]) => T; readonly trace?: (read: T) => void },
): Promise<string> {
  const took = { codes: [] as number[], lay: [] as number[], trace: [] as number[] };
  for (let run = 0; run < 3; run++) {
    const begun = performance.now();
    const codes = await seeCodes(picture);
    const coded = performance.now();
    const read = parts.lay(codes);
    const done = performance.now();
    parts.trace?.(read);
    took.codes.push(coded - begun);
    took.lay.push(done - coded);
    took.trace.push(performance.now() - done);
  }
  const least = (of: readonly number[]): string => Math.min(...of).toFixed(0);
  const traced = parts.trace ? `, traced ${least(took.trace)} ms` : '';
  return `codes found ${least(took.codes)} ms, dots, lens and ${parts.trace ? 'grid' : 'both walls'} ${least(took.lay)} ms${traced}`;
}

/** What the peak of a process that traces the picture is above that of one that only opens it, over the picture's size. */
const memoryShare = (grey: Uint8Array, widthPx: number, mmPerPx: number): number =>
  (peakOf(grey, widthPx, mmPerPx, 'true') - peakOf(grey, widthPx, mmPerPx, 'false')) / grey.length;

/** Peak memory, bytes, of a process of its own that opens the picture and does so much with it. */
function peakOf(grey: Uint8Array, widthPx: number, mmPerPx: number, does: 'true' | 'false' | 'photograph'): number {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-trace-'));
  try {
    const file = path.join(folder, 'picture.raw');
    writeFileSync(file, grey);
    const args = ['--import', 'tsx', 'tools/trace-memory.ts', file, String(widthPx), String(mmPerPx), does];
    return Number(execFileSync(process.execPath, args, { encoding: 'utf8' }));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
