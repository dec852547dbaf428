import type { Dossier } from '@odontis/contract/dossier';
import type { Outwork } from '@odontis/contract/outwork';
import type { MeasuringSheet } from '@odontis/contract/measuring-sheet';
import type { ShopBook } from '@odontis/contract/shop';
import { benchAids } from './bench-aids';
import { deliveryNote } from './delivery-note';
import { labelDrawing } from '../labels/label';
import type { SheetPaper } from './measuring-sheet';
import { measuringSheet } from './measuring-sheet';
import { printPdf } from './print';
import { quoteDocument } from './quote';
import { reportDocument } from './report';
import { shopCard } from './shop-card';
import { tagDocument, tagSheet } from './tag';

/** A paper that is wanted, with everything that stands on it: plain data, which goes over to another thread. */
export type Paper =
  | { readonly kind: 'tag' | 'card'; readonly dossier: Dossier; readonly book: ShopBook }
  | { readonly kind: 'report'; readonly dossier: Dossier; readonly book: ShopBook; readonly now: string }
  | { readonly kind: 'delivery-note'; readonly dossier: Dossier; readonly sent: Outwork; readonly book: ShopBook }
  | { readonly kind: 'tags'; readonly dossiers: readonly Dossier[]; readonly skip: number; readonly book: ShopBook }
  | { readonly kind: 'quote'; readonly dossiers: readonly Dossier[]; readonly book: ShopBook }
  | { readonly kind: 'aids'; readonly dossier: Dossier; readonly paper: SheetPaper }
  | { readonly kind: 'measuring-sheet'; readonly sheet: MeasuringSheet }
  | { readonly kind: 'labels'; readonly dossiers: readonly Dossier[]; readonly book: ShopBook };

/** The bytes of a PDF; of labels their drawings as SVG, joined by line ends. */
export function makePaper(paper: Paper): Promise<Uint8Array> {
  switch (paper.kind) {
    case 'tag':
      return printPdf(tagDocument(paper.dossier, paper.book));
    case 'report':
      return printPdf(reportDocument(paper.dossier, paper.book, paper.now));
    case 'card':
      return printPdf(shopCard(paper.dossier, paper.book));
    case 'delivery-note':
      return printPdf(deliveryNote(paper.dossier, paper.sent, paper.book));
    case 'tags':
      return printPdf(tagSheet([...paper.dossiers], paper.book, paper.skip));
    case 'quote':
      return printPdf(quoteDocument([...paper.dossiers], paper.book));
    case 'aids':
      return printPdf(benchAids(paper.dossier, paper.paper));
    case 'measuring-sheet':
      return printPdf(measuringSheet(paper.sheet));
    case 'labels':
      return Promise.resolve(
        Buffer.from(paper.dossiers.map((dossier) => labelDrawing(dossier, paper.book)).join('\n')),
      );
  }
}
