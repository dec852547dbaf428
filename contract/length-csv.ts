import { LENGTH_GAUGES } from '@odontis/core/evidence/gauges';
import { LENGTH_QUANTITIES, partsFor, placesOf, QUANTITY_FACTS, quantitiesOf } from '@odontis/core/evidence/quantities';
import { MOST_READINGS } from '@odontis/core/evidence/reading';
import type { Saw } from '@odontis/core/saw/saw';
import type { LengthUnit } from '@odontis/core/units/length';
import { lengthFrom } from '@odontis/core/units/length';
import type { CsvLine } from './csv-cells';
import { headingOf, numberIn, wordsIn } from './csv-cells';
import type { CsvFault } from './csv-fault';
import type { EvidenceCsv, LengthRow } from './csv-held';

const UNITS: Readonly<Record<string, LengthUnit>> = { value_mm: 'mm', value_thou: 'thou', value_in: 'inch' };
const known = <T extends string>(all: readonly T[], text: string): T | undefined => all.find((one) => one === text);

/** Whether a heading is that of lengths place by place: it has a quantity or a value. */
export const isLengthHeading = (cells: readonly string[]): boolean =>
  cells.map(headingOf).some((name) => name === 'quantity' || name.startsWith('value'));

/**
 * Lengths of any family as CSV: columns quantity, place and value with its unit in the
 * heading (value_mm, value_thou, value_in), and optionally part and gauge, without which it
 * was read with the quantity's usual one. All or nothing, every bad line named. docs/formats.md describes it.
 */
export function lengthsFromRows(filled: readonly CsvLine[], saw: Saw): EvidenceCsv {
  const [head, ...body] = filled;
  const wrong = (message: string): EvidenceCsv => ({ ok: false, faults: [{ line: head?.line ?? 1, message }] });
  if (!head) return wrong('The file is empty.');
  const names = head.cells.map(headingOf);
  const at = (name: string): number => names.indexOf(name);
  const valueAt = names.findIndex((name) => name in UNITS);
  const unit = UNITS[names[valueAt] ?? ''];
  if (at('quantity') < 0 || at('place') < 0) return wrong('The columns quantity and place are wanted.');
  if (!unit) return wrong('There is no column for the values with their unit: value_mm, value_thou or value_in.');
  if (body.length === 0) return wrong('There is a heading but no reading under it.');
  if (body.length > MOST_READINGS)
    return wrong(`The file has ${body.length} rows; ${MOST_READINGS} are taken at most.`);
  const faults: CsvFault[] = [];
  const rows = body.map(({ cells, line }): LengthRow => {
    const cell = (name: string): string => (at(name) < 0 ? '' : (cells[at(name)] ?? '').trim());
    const say = (message: string): void => void faults.push({ line, message });
    const quantity = known(LENGTH_QUANTITIES, cell('quantity').toLowerCase());
    const usual = QUANTITY_FACTS[quantity ?? 'height'].gauge;
    const gauge = cell('gauge') === '' ? usual : known(LENGTH_GAUGES, cell('gauge').toLowerCase());
    const part = cell('part') === '' ? null : wordsIn(cell('part'));
    const place = numberIn(cell('place'));
    const value = numberIn(cells[valueAt] ?? '');
    if (!quantity || !quantitiesOf(saw).includes(quantity))
      say(`"${cell('quantity').slice(0, 40)}" is not measured on this saw: ${quantitiesOf(saw).join(', ')} are.`);
    else if (!partsFor(saw, quantity).includes(part)) say(`Part "${part ?? ''}" has no ${quantity}.`);
    else if (QUANTITY_FACTS[quantity].place === 'tooth' && !placesOf(saw, quantity, part).includes(place))
      say(`There is no ${quantity} at place "${cell('place').slice(0, 40)}".`);
    else if (Number.isNaN(place) || place < 0) say(`The place "${cell('place').slice(0, 40)}" is not a number.`);
    if (Number.isNaN(value)) say(`The value "${(cells[valueAt] ?? '').slice(0, 40)}" is not a number.`);
    if (!gauge) say(`The gauge "${cell('gauge').slice(0, 40)}" is not one of ${LENGTH_GAUGES.join(', ')}.`);
    return { quantity: quantity ?? 'height', part, place, valueMm: lengthFrom(value, unit), gauge: gauge ?? usual };
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, holds: 'lengths', rows };
}
