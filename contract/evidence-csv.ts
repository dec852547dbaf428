import type { KeptReading, Reading } from '@odontis/core/evidence/reading';
import { isAngle, isLength } from '@odontis/core/evidence/reading';
import type { Session } from '@odontis/core/evidence/session';
import type { Saw } from '@odontis/core/saw/saw';
import type { EvidenceCsv } from './csv-held';
import { angleCells, ANGLE_COLUMNS, anglesFromRows, isAngleHeading } from './angle-csv';
import { safeCell } from './csv-cells';
import { isLengthHeading, lengthsFromRows } from './length-csv';
import { lineFromRows } from './line-csv';

/** The one reader of CSV: all or nothing, every bad line named. docs/formats.md describes the three headings. */
export function evidenceFromRows(rows: readonly (readonly string[])[], saw: Saw): EvidenceCsv {
  const filled = rows
    .map((cells, i) => ({ cells, line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [head] = filled;
  if (!head) return { ok: false, faults: [{ line: 1, message: 'The file is empty.' }] };
  if (isAngleHeading(head.cells)) return anglesFromRows(filled, saw);
  if (isLengthHeading(head.cells)) return lengthsFromRows(filled, saw);
  return lineFromRows(filled, saw.pitchMm);
}

/** A session as CSVs: every reading in the order taken, corrected and set-aside ones too; nothing taken is left out. */
export function rowsFromSession(session: Pick<Session, 'readings'>): { lengths: string[][]; angles: string[][] } {
  const lengths = session.readings
    .filter(isLength)
    .map((r) => [
      r.quantity,
      safeCell(r.part ?? ''),
      String(r.place),
      String(Number(r.value.toFixed(6))),
      r.gauge,
      ...howTaken(r),
    ]);
  const angles = session.readings.filter(isAngle).map((r) => [...angleCells(r), ...howTaken(r)]);
  return {
    lengths: lengths.length > 0 ? [['quantity', 'part', 'place', 'value_mm', 'gauge', ...HOW], ...lengths] : [],
    angles: angles.length > 0 ? [[...ANGLE_COLUMNS, ...HOW], ...angles] : [],
  };
}

const HOW = ['set_aside', 'simulated', 'corrects', 'key', 'taken_by', 'taken_at'];
const howTaken = (r: Reading & Partial<Pick<KeptReading, 'by' | 'at'>>): string[] => [
  r.setAside ? 'yes' : '',
  r.simulated ? 'yes' : '',
  r.corrects ?? '',
  r.key,
  safeCell(r.by ?? ''),
  r.at ?? '',
];
