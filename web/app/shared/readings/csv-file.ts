import Papa from 'papaparse';
import { offerFile } from '../ui/offer-file';
import type { CsvResult } from '@odontis/contract/readings-csv';
import { readingsFromRows, rowsFromReadings } from '@odontis/contract/readings-csv';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';

/** CSV text into rows of cells; papaparse finds the delimiter and takes quotes apart. */
export const cellsOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { delimitersToGuess: [',', ';', '\t', '|'] }).data;

/** CSV text into readings of a tooth line. */
export const parseReadings = (text: string, pitchMm: number): CsvResult => readingsFromRows(cellsOf(text), pitchMm);

/** Offer the readings as a file to keep. */
export function saveReadings(readings: readonly ToothReading[], name: string): void {
  offerFile(Papa.unparse(rowsFromReadings(readings)), 'text/csv', name);
}
