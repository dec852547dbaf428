import Papa from 'papaparse';
import { offerFile } from '../ui/offer-file';
import type { CsvResult } from '@odontis/contract/readings-csv';
import { readingsFromRows, rowsFromReadings } from '@odontis/contract/readings-csv';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';

/** CSV text into readings; papaparse finds the delimiter and takes quotes apart. */
export function parseReadings(text: string, pitchMm: number): CsvResult {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), {
    delimitersToGuess: [',', ';', '\t', '|'],
  });
  return readingsFromRows(parsed.data, pitchMm);
}

/** Offer the readings as a file to keep. */
export function saveReadings(readings: readonly ToothReading[], name: string): void {
  offerFile(Papa.unparse(rowsFromReadings(readings)), 'text/csv', name);
}
