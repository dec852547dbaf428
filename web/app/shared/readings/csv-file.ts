import Papa from 'papaparse';
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
  const blob = new Blob([Papa.unparse(rowsFromReadings(readings))], { type: 'text/csv;charset=utf-8' });
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
