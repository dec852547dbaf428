import Papa from 'papaparse';
import type { EvidenceCsv } from '@odontis/contract/csv-held';
import { evidenceFromRows } from '@odontis/contract/evidence-csv';
import { rowsFromLine } from '@odontis/contract/line-csv';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { Saw } from '@odontis/core/saw/saw';
import { offerFile } from '../ui/offer-file';

/** CSV text into rows of cells; papaparse finds the delimiter and takes quotes apart. */
const cellsOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { delimitersToGuess: [',', ';', '\t', '|'] }).data;

/** CSV text into whatever of this saw its heading says it holds. */
export const readCsv = (text: string, saw: Saw): EvidenceCsv => evidenceFromRows(cellsOf(text), saw);

/** Offer a tooth line as a file to keep. */
export function saveLine(teeth: readonly ToothReading[], name: string): void {
  offerFile(Papa.unparse(rowsFromLine(teeth)), 'text/csv', name);
}
