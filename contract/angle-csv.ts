import { ANGLE_WAYS, angleFinding, POINT_SIDES, SEATED_SECTIONS, waysOf } from '@odontis/core/evidence/angle-finding';
import { partsFor } from '@odontis/core/evidence/quantities';
import type { AngleReading } from '@odontis/core/evidence/reading';
import { MOST_READINGS } from '@odontis/core/evidence/reading';
import { LEANS } from '@odontis/core/evidence/tooth-reading';
import type { Saw } from '@odontis/core/saw/saw';
import type { CsvLine } from './csv-cells';
import { headingOf, numberIn } from './csv-cells';
import type { CsvFault } from './csv-fault';
import type { AngleRow, EvidenceCsv } from './csv-held';

export const ANGLE_COLUMNS = [
  'way',
  'part',
  'tooth',
  'rake_deg',
  'back_deg',
  'turn_deg',
  'roll_deg',
  'slope_deg',
  'section',
  'handle',
  'point',
] as const;
type Column = (typeof ANGLE_COLUMNS)[number];

/** Whether a heading is that of readings of angles: it has a way and a tooth. */
export const isAngleHeading = (cells: readonly string[]): boolean => {
  const names = cells.map(headingOf);
  return names.includes('way') && names.includes('tooth');
};
/**
 * Readings of angles as CSV, one a line: way and tooth, and the columns that the way fills;
 * degrees, turns signed by dx/dz. All or nothing, every bad line named. docs/formats.md describes it.
 */
export function anglesFromRows(filled: readonly CsvLine[], saw: Saw): EvidenceCsv {
  const [head, ...body] = filled;
  const wrong = (message: string): EvidenceCsv => ({ ok: false, faults: [{ line: head?.line ?? 1, message }] });
  if (!head) return wrong('The file is empty.');
  if (body.length === 0) return wrong('There is a heading but no reading under it.');
  if (body.length > MOST_READINGS)
    return wrong(`The file has ${body.length} rows; ${MOST_READINGS} are taken at most.`);
  const names = head.cells.map(headingOf);
  const faults: CsvFault[] = [];
  const rows = body.flatMap(({ cells, line }): AngleRow[] => {
    const cell = (name: Column): string => (names.includes(name) ? (cells[names.indexOf(name)] ?? '').trim() : '');
    const read = rowOf(cell, saw);
    if (typeof read !== 'string') return [read];
    faults.push({ line, message: read });
    return [];
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, holds: 'angles', rows };
}

/** One row, or what is wrong with it. */
function rowOf(cell: (name: Column) => string, saw: Saw): AngleRow | string {
  const way = ANGLE_WAYS.find((one) => one === cell('way').toLowerCase());
  if (!way || !waysOf(saw).includes(way))
    return `"${cell('way').slice(0, 40)}" is not a way this saw's angles are read: ${waysOf(saw).join(', ')} are.`;
  const part = cell('part') === '' ? null : cell('part');
  if (!partsFor(saw, 'set').includes(part)) return `There is no part "${(part ?? '').slice(0, 40)}".`;
  const tooth = Number(cell('tooth'));
  if (!Number.isInteger(tooth) || tooth < 1) return `The tooth "${cell('tooth').slice(0, 40)}" is not a whole number.`;
  const bad = ANGLE_COLUMNS.find(
    (name) => name.endsWith('_deg') && cell(name) !== '' && Number.isNaN(numberIn(cell(name))),
  );
  if (bad) return `"${cell(bad).slice(0, 40)}" in ${bad} is not a number of degrees.`;
  const deg = (name: Column): number | null => (cell(name) === '' ? null : numberIn(cell(name)));
  const told = {
    way,
    rakeDeg: deg('rake_deg'),
    backDeg: deg('back_deg'),
    // A scan whose bevels did not show has no turn at all.
    ...((way !== 'scan' || deg('turn_deg') !== null) && { turnDeg: deg('turn_deg') }),
    rollDeg: deg('roll_deg'),
    slopeDeg: deg('slope_deg') ?? 0,
    section: SEATED_SECTIONS.find((one) => one === cell('section').toLowerCase()) ?? 'taper',
    from: LEANS.find((one) => one === cell('handle').toLowerCase()),
    point: POINT_SIDES.find((one) => one === cell('point').toLowerCase()),
  };
  const finding = angleFinding.safeParse(told);
  return finding.success
    ? { part, tooth, finding: finding.data }
    : `A reading by ${way} lacks something: ${finding.error.issues[0]?.message ?? ''}`;
}

/** A reading of angles as the cells of its columns. */
export function angleCells({ value: f, part, place }: AngleReading): string[] {
  const deg = (value: number | null | undefined): string =>
    value === null || value === undefined ? '' : String(Number(value.toFixed(6)));
  const file = f.way === 'file' ? f : null;
  const flanks = f.way === 'bevel' || f.way === 'scan' ? f : null;
  return [
    f.way,
    part ?? '',
    String(place),
    deg(flanks?.rakeDeg),
    deg(flanks?.backDeg),
    deg(file?.turnDeg ?? flanks?.turnDeg),
    deg(file?.rollDeg),
    deg(file?.slopeDeg),
    file?.section ?? '',
    file?.from ?? '',
    f.way === 'eye' ? f.point : '',
  ];
}
