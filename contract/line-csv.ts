import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { LEANS, TOOTH_KINDS } from '@odontis/core/evidence/tooth-reading';
import type { LengthUnit } from '@odontis/core/units/length';
import { lengthFrom } from '@odontis/core/units/length';
import { MOST_TEETH } from '@odontis/core/evidence/reading';
import { numberIn, safeCell, wordsIn } from './csv-cells';
import type { CsvFault } from './csv-fault';
import type { CsvLine } from './csv-cells';
import type { EvidenceCsv } from './csv-held';
import { toothLine } from './tooth-line';

const UNITS: Record<string, LengthUnit> = { mm: 'mm', thou: 'thou', in: 'inch' };
type Length = 'x' | 'y' | 'set';
type Column = { readonly at: number; readonly unit: LengthUnit };

interface Heading {
  readonly lengths: Partial<Record<Length, Column>>;
  readonly words: Partial<Record<'tooth' | 'lean' | 'kind' | 'note', number>>;
}

/** The heading row, or what is wrong with it. */
function readHeading(cells: readonly string[]): Heading | CsvFault[] {
  const faults: CsvFault[] = [];
  const lengths: Heading['lengths'] = {};
  const words: Heading['words'] = {};
  cells.forEach((cell, at) => {
    const name = cell
      .replace(/^\uFEFF/, '')
      .trim()
      .toLowerCase();
    const length = /^(x|y|set)(?:_(\w+))?$/.exec(name);
    if (length) {
      const unit = UNITS[length[2] ?? ''];
      const column = length[1] as Length;
      if (!unit)
        faults.push({
          line: 1,
          message: `Column "${name}" says no unit: write ${column}_mm, ${column}_thou or ${column}_in.`,
        });
      else lengths[column] = { at, unit };
    } else if (name === 'tooth' || name === 'lean' || name === 'kind' || name === 'note') words[name] = at;
    else if (name !== '')
      faults.push({
        line: 1,
        message: `Column "${name}" is not known. Known are tooth, x_mm, y_mm, lean, set_mm, kind and note.`,
      });
  });
  if (words.tooth === undefined) faults.push({ line: 1, message: 'There is no column "tooth".' });
  if (!lengths.y && !faults.some((f) => f.message.includes('"y"')))
    faults.push({ line: 1, message: 'There is no column for the heights, such as y_mm.' });
  return faults.length > 0 ? faults : { lengths, words };
}

/**
 * A tooth line as CSV: columns tooth, x, y and optionally lean, set, kind, note, heel first,
 * the unit in the heading of every length (x_mm, y_thou, set_in). Where a place is not
 * measured (no x column) the teeth stand at the given pitch. docs/formats.md describes it.
 */
export function lineFromRows(filled: readonly CsvLine[], pitchMm: number): EvidenceCsv {
  const [head, ...body] = filled;
  const wrong = (line: number, message: string): EvidenceCsv => ({ ok: false, faults: [{ line, message }] });
  if (!head) return wrong(1, 'The file is empty.');
  const heading = readHeading(head.cells);
  if (Array.isArray(heading)) return { ok: false, faults: heading };
  if (body.length === 0) return wrong(head.line, 'There is a heading but no tooth under it.');
  if (body.length > MOST_TEETH)
    return wrong(MOST_TEETH + 2, `The file has ${body.length} rows; a saw has at most ${MOST_TEETH} teeth here.`);
  const faults: CsvFault[] = [];
  const teeth = body.map(({ cells, line }, index) => readRow(heading, cells, line, index, pitchMm, faults));
  if (faults.length === 0) {
    const checked = toothLine.safeParse(teeth);
    if (checked.success) return { ok: true, holds: 'line', teeth, places: heading.lengths.x !== undefined };
    for (const issue of checked.error.issues) {
      faults.push({ line: body[Number(issue.path[0])]?.line ?? 1, message: issue.message });
    }
  }
  return { ok: false, faults };
}

function readRow(
  heading: Heading,
  cells: readonly string[],
  line: number,
  index: number,
  pitchMm: number,
  faults: CsvFault[],
): ToothReading {
  const { lengths, words } = heading;
  const cell = (at: number | undefined): string => (at === undefined ? '' : (cells[at] ?? '').trim());
  const say = (message: string): void => void faults.push({ line, message });
  const length = (column: Column | undefined, name: string, fallback: number | null): number | null => {
    const text = cell(column?.at);
    if (!column || text === '') return fallback;
    const value = numberIn(text);
    if (Number.isNaN(value)) say(`${name} is "${text.slice(0, 40)}", which is not a number.`);
    return lengthFrom(value, column.unit);
  };
  const oneOf = <T extends string>(allowed: readonly T[], text: string, name: string, fallback: T | null): T | null => {
    if (text === '') return fallback;
    const found = allowed.find((word) => word === text.toLowerCase());
    if (!found) say(`${name} is "${text.slice(0, 40)}"; it must be ${allowed.join(', ')} or empty.`);
    return found ?? fallback;
  };
  const tooth = numberIn(cell(words.tooth));
  if (!Number.isInteger(tooth))
    say(`The tooth's number is "${cell(words.tooth).slice(0, 40)}", which is not a whole number.`);
  const kind = oneOf(TOOTH_KINDS, cell(words.kind), 'kind', 'tooth') ?? 'tooth';
  const xMm = length(lengths.x, 'x', lengths.x ? null : index * pitchMm);
  const yMm = length(lengths.y, 'y', kind === 'missing' ? 0 : null);
  if (xMm === null) say('x is empty. Leave the whole column out to place the teeth by the pitch.');
  if (yMm === null) say('y is empty. A tooth that is not there is kind "missing".');
  const note = wordsIn(cell(words.note));
  return {
    tooth,
    xMm: xMm ?? NaN,
    yMm: yMm ?? NaN,
    lean: oneOf(LEANS, cell(words.lean), 'lean', null),
    setMm: length(lengths.set, 'set', null),
    kind,
    note: note === '' ? null : note,
  };
}

/** A tooth line as rows of cells, lengths in mm to the micrometre. */
export function rowsFromLine(readings: readonly ToothReading[]): string[][] {
  const mm = (value: number | null | undefined): string =>
    value === null || value === undefined ? '' : String(Number(value.toFixed(6)));
  return [
    ['tooth', 'x_mm', 'y_mm', 'lean', 'set_mm', 'kind', 'note'],
    ...readings.map((r) => [
      String(r.tooth),
      mm(r.xMm),
      mm(r.yMm),
      r.lean ?? '',
      mm(r.setMm),
      r.kind,
      safeCell(r.note ?? ''),
    ]),
  ];
}
