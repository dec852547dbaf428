import { ANGLE_WAYS, POINT_SIDES, SEATED_SECTIONS, waysOf } from '@odontis/core/angles/angle-reading';
import { partsFor } from '@odontis/core/gauge/quantities';
import type { Saw } from '@odontis/core/saw/saw';
import { LEANS } from '@odontis/core/saw/tooth-reading';
import type { Gauging, NewAngle } from './gauging';
import { angleFinding } from './gauging';
import { headingOf, numberIn, safeCell } from './csv-cells';
import type { CsvFault } from './readings-csv';

/**
 * Readings of angles as CSV, one a line: way and tooth, and the columns that the way
 * fills; degrees, turns signed by dx/dz. docs/formats.md is the format's description.
 */
export interface AngleCsvRow {
  readonly part: string | null;
  readonly tooth: number;
  readonly finding: NewAngle['finding'];
}
export type AnglesCsv =
  | { readonly ok: true; readonly rows: readonly AngleCsvRow[] }
  | { readonly ok: false; readonly faults: readonly CsvFault[] };

const COLUMNS = [
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
type Column = (typeof COLUMNS)[number];
const MOST_ROWS = 5000;

/** Whether a heading is that of readings of angles: it has a way and a tooth. */
export const isAnglesHeading = (cells: readonly string[]): boolean => {
  const names = cells.map(headingOf);
  return names.includes('way') && names.includes('tooth');
};
/** Rows of cells into readings of this saw's angles: all or nothing, every bad line named. */
export function anglesFromRows(cells: readonly (readonly string[])[], saw: Saw): AnglesCsv {
  const filled = cells.map((row, i) => ({ row, line: i + 1 })).filter(({ row }) => row.some((c) => c.trim() !== ''));
  const [head, ...body] = filled;
  const wrong = (message: string): AnglesCsv => ({ ok: false, faults: [{ line: head?.line ?? 1, message }] });
  if (!head) return wrong('The file is empty.');
  if (!isAnglesHeading(head.row)) return wrong('The columns way and tooth are wanted.');
  if (body.length === 0) return wrong('There is a heading but no reading under it.');
  if (body.length > MOST_ROWS) return wrong(`The file has ${body.length} rows; ${MOST_ROWS} are taken at most.`);
  const names = head.row.map(headingOf);
  const faults: CsvFault[] = [];
  const rows = body.flatMap(({ row, line }): AngleCsvRow[] => {
    const cell = (name: Column): string => (names.includes(name) ? (row[names.indexOf(name)] ?? '').trim() : '');
    const read = rowOf(cell, saw);
    if (typeof read !== 'string') return [read];
    faults.push({ line, message: read });
    return [];
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows };
}

/** One row, or what is wrong with it. */
function rowOf(cell: (name: Column) => string, saw: Saw): AngleCsvRow | string {
  const way = ANGLE_WAYS.find((one) => one === cell('way').toLowerCase());
  if (!way || !waysOf(saw).includes(way))
    return `"${cell('way').slice(0, 40)}" is not a way this saw's angles are read: ${waysOf(saw).join(', ')} are.`;
  const part = cell('part') === '' ? null : cell('part');
  if (!partsFor(saw, 'set').includes(part)) return `There is no part "${(part ?? '').slice(0, 40)}".`;
  const tooth = Number(cell('tooth'));
  if (!Number.isInteger(tooth) || tooth < 1) return `The tooth "${cell('tooth').slice(0, 40)}" is not a whole number.`;
  const bad = COLUMNS.find((name) => name.endsWith('_deg') && cell(name) !== '' && Number.isNaN(numberIn(cell(name))));
  if (bad) return `"${cell(bad).slice(0, 40)}" in ${bad} is not a number of degrees.`;
  const deg = (name: Column): number | null => (cell(name) === '' ? null : numberIn(cell(name)));
  const told = {
    way,
    rakeDeg: deg('rake_deg'),
    backDeg: deg('back_deg'),
    turnDeg: deg('turn_deg'),
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

/** A session's readings of angles as rows of cells, set aside and corrected ones too: nothing taken is left out. */
export function rowsFromAngles(gauging: Pick<Gauging, 'angles'>): string[][] {
  const deg = (value: number | null | undefined): string =>
    value === null || value === undefined ? '' : String(Number(value.toFixed(6)));
  return [
    [...COLUMNS, 'set_aside', 'corrects', 'key', 'taken_by', 'taken_at'],
    ...gauging.angles.map(({ finding: f, ...r }) => {
      const [file, bevel] = [f.way === 'file' ? f : null, f.way === 'bevel' ? f : null];
      const flanks = f.way === 'bevel' || f.way === 'scan' ? f : null;
      return [
        f.way,
        r.part ?? '',
        String(r.tooth),
        deg(flanks?.rakeDeg),
        deg(flanks?.backDeg),
        deg(file?.turnDeg ?? bevel?.turnDeg),
        deg(file?.rollDeg),
        deg(file?.slopeDeg),
        file?.section ?? '',
        file?.from ?? '',
        f.way === 'eye' ? f.point : '',
        r.setAside ? 'yes' : '',
        r.corrects ?? '',
        r.key,
        safeCell(r.by),
        r.at,
      ];
    }),
  ];
}
