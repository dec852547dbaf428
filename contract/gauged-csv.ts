import { GAUGES } from '@odontis/core/gauge/gauges';
import type { Gauge } from '@odontis/core/gauge/gauges';
import { partsFor, placesOf, QUANTITIES, QUANTITY_FACTS, quantitiesOf } from '@odontis/core/gauge/quantities';
import type { Quantity } from '@odontis/core/gauge/quantities';
import type { Saw } from '@odontis/core/saw/saw';
import { lengthFrom } from '@odontis/core/units/length';
import type { LengthUnit } from '@odontis/core/units/length';
import type { Gauging } from './gauging';
import { headingOf, numberIn, safeCell } from './csv-cells';
import type { CsvFault } from './readings-csv';

/**
 * Gauge readings of any family as CSV: columns quantity, place and value with its
 * unit in the heading (value_mm, value_thou, value_in), and optionally part and
 * gauge. docs/formats.md is the format's description.
 */
export interface GaugedRow {
  readonly quantity: Quantity;
  readonly part: string | null;
  readonly place: number;
  readonly valueMm: number;
  readonly gauge: Gauge;
}
export type GaugedCsv =
  | { readonly ok: true; readonly rows: readonly GaugedRow[] }
  | { readonly ok: false; readonly faults: readonly CsvFault[] };

const UNITS: Readonly<Record<string, LengthUnit>> = { value_mm: 'mm', value_thou: 'thou', value_in: 'inch' };
const MOST_ROWS = 5000;
const known = <T extends string>(all: readonly T[], text: string): T | undefined => all.find((one) => one === text);

/** Rows of cells into readings of this saw: all or nothing, every bad line named. */
export function gaugedFromRows(cells: readonly (readonly string[])[], saw: Saw, usual: Gauge): GaugedCsv {
  const filled = cells
    .map((row, i) => ({ row, line: i + 1 }))
    .filter(({ row }) => row.some((cell) => cell.trim() !== ''));
  const [head, ...body] = filled;
  const wrong = (message: string): GaugedCsv => ({ ok: false, faults: [{ line: head?.line ?? 1, message }] });
  if (!head) return wrong('The file is empty.');
  const names = head.row.map(headingOf);
  const at = (name: string): number => names.indexOf(name);
  const valueAt = names.findIndex((name) => name in UNITS);
  const unit = UNITS[names[valueAt] ?? ''];
  if (at('quantity') < 0 || at('place') < 0) return wrong('The columns quantity and place are wanted.');
  if (!unit) return wrong('There is no column for the values with their unit: value_mm, value_thou or value_in.');
  if (body.length === 0) return wrong('There is a heading but no reading under it.');
  if (body.length > MOST_ROWS) return wrong(`The file has ${body.length} rows; ${MOST_ROWS} are taken at most.`);
  const faults: CsvFault[] = [];
  const rows = body.map(({ row, line }): GaugedRow => {
    const cell = (name: string): string => (at(name) < 0 ? '' : (row[at(name)] ?? '').trim());
    const say = (message: string): void => void faults.push({ line, message });
    const quantity = known(QUANTITIES, cell('quantity').toLowerCase());
    const gauge = cell('gauge') === '' ? usual : known(GAUGES, cell('gauge').toLowerCase());
    const part = cell('part') === '' ? null : cell('part');
    const place = numberIn(cell('place'));
    const value = numberIn(row[valueAt] ?? '');
    if (!quantity || !quantitiesOf(saw).includes(quantity))
      say(`"${cell('quantity').slice(0, 40)}" is not measured on this saw: ${quantitiesOf(saw).join(', ')} are.`);
    else if (!partsFor(saw, quantity).includes(part)) say(`Part "${part ?? ''}" has no ${quantity}.`);
    else if (QUANTITY_FACTS[quantity].place === 'tooth' && !placesOf(saw, quantity, part).includes(place))
      say(`There is no ${quantity} at place "${cell('place').slice(0, 40)}".`);
    else if (Number.isNaN(place) || place < 0) say(`The place "${cell('place').slice(0, 40)}" is not a number.`);
    if (Number.isNaN(value)) say(`The value "${(row[valueAt] ?? '').slice(0, 40)}" is not a number.`);
    if (!gauge) say(`The gauge "${cell('gauge').slice(0, 40)}" is not one of ${GAUGES.join(', ')}.`);
    return { quantity: quantity ?? 'height', part, place, valueMm: lengthFrom(value, unit), gauge: gauge ?? usual };
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows };
}

/** A session's readings as rows of cells, set aside and corrected ones too: nothing taken is left out. */
export function rowsFromGauging(gauging: Pick<Gauging, 'readings'>): string[][] {
  return [
    ['quantity', 'part', 'place', 'value_mm', 'gauge', 'set_aside', 'corrects', 'key', 'taken_by', 'taken_at'],
    ...gauging.readings.map((r) => [
      r.quantity,
      r.part ?? '',
      String(r.place),
      String(Number(r.valueMm.toFixed(6))),
      r.gauge,
      r.setAside ? 'yes' : '',
      r.corrects ?? '',
      r.key,
      safeCell(r.by),
      r.at,
    ]),
  ];
}
