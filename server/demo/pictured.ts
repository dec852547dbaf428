import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import type { LengthGauge } from '@odontis/core/evidence/gauges';
import { takeLine } from '@odontis/core/evidence/take';

/** What was read of the pictures, tooth after tooth: mm and degrees, null where a picture did not tell. */
export interface PicturedReadings {
  readonly scan: readonly (readonly [
    xMm: number,
    yMm: number,
    rakeDeg: number | null,
    backDeg: number | null,
    turnDeg: number | null,
  ])[];
  readonly photograph: readonly (readonly [xMm: number, yMm: number, rakeDeg: number | null, backDeg: number | null])[];
  /** Set to its own side; left positive. */
  readonly edge: readonly number[];
  readonly blade: readonly (readonly [runoutMm: number, faceMm: number | null, gulletMm: number | null])[];
}

/** The kinds of pictures that saws of the demo were measured from. */
export type PictureKind = keyof PicturedReadings;
const PICTURES = path.resolve('server', 'demo', 'pictures');

/** What was read of the demo's pictures when they were made (`npm run demo-pictures`). */
export const picturedReadings = (): PicturedReadings =>
  JSON.parse(readFileSync(path.join(PICTURES, 'readings.json'), 'utf8')) as PicturedReadings;

/** A kept picture, small. */
export const pictureBytes = (kind: PictureKind): Buffer => readFileSync(path.join(PICTURES, `${kind}.jpg`));

const head = { part: null, setAside: false, corrects: null, simulated: false } as const;

function lineReadings(
  teeth: readonly (readonly [number, number, number | null, number | null, (number | null)?])[],
  gauge: 'scan' | 'photograph',
): Reading[] {
  const line = teeth.map(([xMm, yMm], i) => ({ tooth: i + 1, xMm, yMm, kind: 'tooth' as const }));
  const angles = teeth.flatMap(([, , rakeDeg, backDeg, turnDeg], i): Reading[] =>
    rakeDeg === null && backDeg === null
      ? []
      : [
          {
            ...head,
            key: randomUUID(),
            quantity: 'angles',
            place: i + 1,
            gauge: 'scan',
            value: { way: 'scan', rakeDeg, backDeg, ...(typeof turnDeg === 'number' && { turnDeg }) },
          },
        ],
  );
  return [...takeLine([], { teeth: line, places: true }, { gauge, simulated: false, mint: randomUUID }), ...angles];
}

const length = (
  quantity: LengthQuantity,
  place: number,
  value: number,
  gauge: LengthGauge = 'photograph',
): Reading => ({
  ...head,
  key: randomUUID(),
  quantity,
  place,
  value,
  gauge,
});

/** Readings of a saw that was measured from pictures, as they are taken on the measuring page. */
export function readPictured(kinds: readonly PictureKind[]): Reading[] {
  const read = picturedReadings();
  return kinds.flatMap((kind): Reading[] => {
    switch (kind) {
      case 'scan':
        return lineReadings(read.scan, 'scan');
      case 'photograph':
        return lineReadings(read.photograph, 'photograph');
      case 'edge':
        return read.edge.flatMap((set, i): Reading[] => [
          length('set', i + 1, Math.abs(set)),
          {
            ...head,
            key: randomUUID(),
            quantity: 'lean',
            place: i + 1,
            value: set < 0 ? 'right' : 'left',
            gauge: 'photograph',
          },
        ]);
      case 'blade':
        return read.blade.flatMap(([runout, face, gullet], i) => [
          length('runout', i + 1, runout),
          ...(face === null ? [] : [length('face-line', i + 1, face)]),
          ...(gullet === null ? [] : [length('gullet-depth', i + 1, gullet)]),
        ]);
    }
  });
}

/** What a kept picture is called. */
export const PICTURE_CAPTIONS: Readonly<Record<PictureKind, string>> = {
  scan: 'Teeth measured from scan.png',
  photograph: 'Teeth measured from photograph.jpg',
  edge: 'Set measured from along-the-points.jpg',
  blade: 'Teeth measured from blade.jpg',
};
