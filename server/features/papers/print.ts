import { createRequire } from 'node:module';
import path from 'node:path';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import PdfPrinter from 'pdfmake';

/**
 * The house's typeface, whole: Latin, Greek and Cyrillic, in the form PDF makers
 * want (.woff). Signs of other scripts come out as boxes; docs/formats.md says so.
 */
function fontFile(weight: 'Regular' | 'SemiBold'): string {
  const require = createRequire(import.meta.url);
  const folder = path.dirname(require.resolve('@ibm/plex-sans/package.json'));
  return path.join(folder, 'fonts', 'complete', 'woff', `IBMPlexSans-${weight}.woff`);
}

/** A document into the bytes of a PDF. */
export function printPdf(document: TDocumentDefinitions): Promise<Buffer> {
  const regular = fontFile('Regular');
  const bold = fontFile('SemiBold');
  const printer = new PdfPrinter({ Plex: { normal: regular, bold, italics: regular, bolditalics: bold } });
  return new Promise((resolve, reject) => {
    const pdf = printer.createPdfKitDocument({
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
