import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import type { TDocumentDefinitions, TFontFamilyTypes } from 'pdfmake/interfaces';
import PdfPrinter from 'pdfmake';

/**
 * The house's typeface, whole: Latin, Greek and Cyrillic, in the form PDF makers
 * want (.woff). Signs of other scripts come out as boxes; docs/formats.md says so.
 */
function font(weight: 'Regular' | 'SemiBold'): Buffer {
  const require = createRequire(import.meta.url);
  const folder = path.dirname(require.resolve('@ibm/plex-sans/package.json'));
  return readFileSync(path.join(folder, 'fonts', 'complete', 'woff', `IBMPlexSans-${weight}.woff`));
}

/** Fonts are read once a thread. */
let printer: PdfPrinter | undefined;
function thePrinter(): PdfPrinter {
  if (printer) return printer;
  const [regular, bold] = [font('Regular'), font('SemiBold')];
  // The types know names of files alone; pdfmake hands a font on as it is given, and its bytes are one, too.
  const files = { normal: regular, bold, italics: regular, bolditalics: bold } as unknown as TFontFamilyTypes;
  printer = new PdfPrinter({ Plex: files });
  return printer;
}

/** A document into the bytes of a PDF. Takes the thread for a second and more: papers are made beside the server's loop. */
export function printPdf(document: TDocumentDefinitions): Promise<Buffer> {
  const made = thePrinter();
  return new Promise((resolve, reject) => {
    const pdf = made.createPdfKitDocument({
      ...document,
      defaultStyle: { font: 'Plex', fontSize: 10, ...document.defaultStyle },
    });
    const chunks: Buffer[] = [];
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
    pdf.end();
  });
}

/** Points of a PDF from mm: 72 to the inch. */
export const pt = (mm: number): number => (mm * 72) / 25.4;

/** A ruler of given length, 1 mm ticks: lay a rule on it to check the printer's scale. */
export function rulerSvg(lengthMm: number): string {
  const ticks = Array.from({ length: lengthMm + 1 }, (_, mm) => {
    const high = mm % 10 === 0 ? 3 : mm % 5 === 0 ? 2.2 : 1.4;
    return `<line x1="${mm}" y1="4" x2="${mm}" y2="${4 - high}" stroke="#222" stroke-width="0.12"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-0.1 0 ${lengthMm + 0.2} 4.1">${ticks.join('')}</svg>`;
}
