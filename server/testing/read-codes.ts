import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { readBarcodes } from 'zxing-wasm/reader';
import { readyForCodes } from '../../tools/code-reader';

export const PDF_DOTS_PER_INCH = 200;

await readyForCodes();

/** The first page of a PDF as a printer's dots would show it, PNG. */
export async function pictureOfPdf(pdf: Buffer): Promise<Buffer> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const page = await document.getPage(1);
  const viewport = page.getViewport({ scale: PDF_DOTS_PER_INCH / 72 });
  interface Made {
    canvas: { toBuffer(type: string): Buffer };
    context: object;
  }
  const { canvas, context } = (document.canvasFactory as { create(w: number, h: number): Made }).create(
    viewport.width,
    viewport.height,
  );
  await page.render({ canvasContext: context as never, viewport }).promise;
  return canvas.toBuffer('image/png');
}

/** The text of every code in a picture, by an independent decoder. */
export async function codesIn(png: Buffer): Promise<string[]> {
  const found = await readBarcodes(new Uint8Array(png), { formats: ['QRCode'], tryHarder: true });
  return found.map((code) => code.text);
}
