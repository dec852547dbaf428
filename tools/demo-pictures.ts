import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { ofRim } from '@odontis/contract/lengths-of-trace';
import { PHOTOGRAPH_PX } from '@odontis/contract/notes';
import { setsOf } from '@odontis/core/photograph/edge-readings';
import { readEdge } from '@odontis/core/photograph/read-edge';
import { readPhotograph } from '@odontis/core/photograph/read-photograph';
import { readRim } from '@odontis/core/photograph/read-rim';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import { codeModules } from '@odontis/core/reference/code-modules';
import { bladePhotograph } from '@odontis/core/reference/made-blade-photograph';
import { edgePhotograph } from '@odontis/core/reference/made-edge-photograph';
import { madePhotograph } from '@odontis/core/reference/made-photograph';
import { madeScan } from '@odontis/core/reference/made-scan';
import { anglesOfTrace } from '@odontis/core/trace/angles-of-trace';
import { closeRim } from '@odontis/core/trace/close-rim';
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import type { TracedLine } from '@odontis/core/trace/traced-line';
import { turnsOfTrace } from '@odontis/core/trace/turns-of-trace';
import type { PicturedReadings } from '../server/demo/pictured';
import {
  BLADE,
  BLADE_WISH,
  bladeRim,
  PHOTOGRAPHED,
  photographedLine,
  photographedSets,
  SCANNED,
  scannedLine,
} from '@odontis/core/reference/pictured-saws';
import { readyForCodes } from './code-reader';
import { endWith } from './say';

/** Where the demo keeps its small pictures and what was read of the large ones; whole pictures go where WHOLE says. */
const KEPT = join(import.meta.dirname, '../server/demo/pictures');
const WHOLE = process.env['WHOLE'];
/** The printer is measured, the lens one of a telephone's. */
const PRINTED = { printed: { along: 1, across: 1 } } as const;
const FOCAL_PX = 3000;

const raw = ({ grey, widthPx, heightPx }: GreyPicture) =>
  sharp(grey, { raw: { width: widthPx, height: heightPx, channels: 1 } });

async function keep(name: string, picture: GreyPicture, shown: GreyPicture, dpi?: number): Promise<void> {
  await raw(shown)
    .resize(PHOTOGRAPH_PX, PHOTOGRAPH_PX, { fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 82 })
    .toFile(join(KEPT, `${name}.jpg`));
  if (!WHOLE) return;
  if (dpi === undefined)
    await raw(picture)
      .jpeg({ quality: 92 })
      .toFile(join(WHOLE, `${name}.jpg`));
  else
    await raw(picture)
      .withMetadata({ density: dpi })
      .png()
      .toFile(join(WHOLE, `${name}.png`));
}

const told = <T extends { readonly ok: boolean }>(what: string, found: T): Extract<T, { ok: true }> => {
  if (!found.ok) throw new Error(`The demo's ${what} gave nothing: ${JSON.stringify(found).slice(0, 200)}`);
  return found as Extract<T, { ok: true }>;
};
const to = (digits: number) => (value: number) => Number(value.toFixed(digits));
const [mm, deg] = [to(3), to(2)];
const orNull = (value: number | null | undefined): number | null =>
  value === null || value === undefined ? null : deg(value);

function flanks(line: TracedLine): Map<number, { rakeDeg: number | null; backDeg: number | null }> {
  return new Map(anglesOfTrace(line).map(({ tooth, finding }) => [tooth, finding]));
}

async function scan(): Promise<PicturedReadings['scan']> {
  const strip = {
    widthMm: SCANNED.plateMm * Math.tan((SCANNED.fleamDeg * Math.PI) / 180),
    grey: 112,
    backs: true,
  };
  const { picture, mmPerPx } = madeScan(scannedLine(), {
    dpi: SCANNED.dpi,
    plateMm: 12,
    strip,
    unevenLight: 0.12,
    noise: 2,
    rust: 20,
    mirrored: true,
    seed: 70,
  });
  await keep('scan', picture, picture, SCANNED.dpi);
  const line = told('scan', traceTeeth(picture, { mmPerPx, bevels: true }));
  const angles = flanks(line);
  const turns = new Map(turnsOfTrace(line, SCANNED.plateMm, false).map((t) => [t.tooth, t.turnDeg.value]));
  return line.teeth.map((t) => {
    const own = angles.get(t.tooth);
    return [mm(t.xMm), mm(t.yMm), orNull(own?.rakeDeg), orNull(own?.backDeg), orNull(turns.get(t.tooth))] as const;
  });
}

async function photograph(): Promise<PicturedReadings['photograph']> {
  const { picture } = madePhotograph(
    photographedLine(),
    {
      widthPx: 4000,
      heightPx: 1300,
      focalPx: FOCAL_PX,
      heightMm: 590,
      k1: -0.05,
      k2: 0.01,
      tiltXDeg: 9,
      tiltYDeg: -3,
      rollDeg: 1,
      strips: 3,
      noise: 2,
      blurPx: 0.7,
      unevenLight: 0.2,
      plateMm: PHOTOGRAPHED.plateMm,
      plateGrey: 75,
      plateDeepMm: 60,
      seed: 67,
    },
    codeModules,
  );
  const known = { ...PRINTED, plateMm: PHOTOGRAPHED.plateMm };
  const read = told('photograph', readPhotograph(picture, await seeCodes(picture), known));
  await keep('photograph', picture, read.picture);
  const { mmPerPx, scaleError, placeErrorMm } = read;
  const line = told('photograph', traceTeeth(read.picture, { mmPerPx, scaleError, placeErrorMm, teethPoint: 'up' }));
  const angles = flanks(line);
  return line.teeth.map((t) => {
    const own = angles.get(t.tooth);
    return [mm(t.xMm), mm(t.yMm), orNull(own?.rakeDeg), orNull(own?.backDeg)] as const;
  });
}

async function edge(): Promise<PicturedReadings['edge']> {
  const overMm = 7;
  const picture = edgePhotograph(
    photographedLine(),
    photographedSets(),
    {
      widthPx: 4000,
      heightPx: 1300,
      focalPx: FOCAL_PX,
      heightMm: 230,
      lookAt: [128, 0],
      k1: -0.05,
      k2: 0.01,
      tiltXDeg: 0.4,
      tiltYDeg: -2,
      rollDeg: 0.5,
      strips: 1,
      noise: 2,
      blurPx: 0.7,
      unevenLight: 0.15,
      plateMm: PHOTOGRAPHED.plateMm,
      overMm,
      seed: 68,
    },
    codeModules,
  );
  const known = { ...PRINTED, plateMm: PHOTOGRAPHED.plateMm, edge: { pitchMm: PHOTOGRAPHED.pitchMm, overMm } };
  const read = told('photograph along the points', readEdge(picture, await seeCodes(picture), known));
  await keep('edge', picture, read.picture);
  return setsOf(read.teeth, 1, 'left').map(({ setMm, lean }) => mm(lean === 'right' ? -setMm : setMm));
}

async function blade(): Promise<PicturedReadings['blade']> {
  const picture = bladePhotograph(
    bladeRim(),
    BLADE_WISH,
    {
      widthPx: 3000,
      heightPx: 3000,
      focalPx: 3000,
      heightMm: 345,
      k1: -0.05,
      k2: 0.01,
      tiltXDeg: 3,
      tiltYDeg: -2,
      rollDeg: 1,
      noise: 2,
      blurPx: 0.7,
      unevenLight: 0.15,
      plateMm: BLADE.plateMm,
      bladeAt: [0.8, -0.6],
      seed: 89,
    },
    codeModules,
  );
  const read = told(
    'blade',
    readRim(picture, await seeCodes(picture), { ...PRINTED, plateMm: BLADE.plateMm, round: BLADE }),
  );
  await keep('blade', picture, picture);
  const { mmPerPx, scaleError, placeErrorMm } = read;
  const traced = told(
    'blade',
    traceTeeth(read.picture, { mmPerPx, scaleError, placeErrorMm, rim: true, teethPoint: 'up', heel: 'left' }),
  );
  const line = closeRim(traced, read.rim);
  const firstMm = line.teeth[0]?.yMm ?? 0;
  return line.teeth.map(
    (t) =>
      [
        mm(ofRim(t, 'runout', line.rim, firstMm) ?? NaN),
        orNull(ofRim(t, 'face-line', line.rim, firstMm)),
        orNull(t.gulletMm),
      ] as const,
  );
}

/** Makes the demo's pictures and writes down what is read of them. */
async function make(): Promise<void> {
  mkdirSync(KEPT, { recursive: true });
  await readyForCodes();
  const readings: PicturedReadings = {
    scan: await scan(),
    photograph: await photograph(),
    edge: await edge(),
    blade: await blade(),
  };
  const rows = Object.entries(readings).map(
    ([name, teeth]) =>
      `  ${JSON.stringify(name)}: [\n${(teeth as unknown[]).map((t) => `    ${JSON.stringify(t)}`).join(',\n')}\n  ]`,
  );
  writeFileSync(join(KEPT, 'readings.json'), `{\n${rows.join(',\n')}\n}\n`);
  console.log(
    Object.entries(readings)
      .map(([name, teeth]) => `${name}: ${teeth.length} teeth`)
      .join(', '),
  );
}

make().catch(endWith);
