import type { Cut } from '../saw/families';
import type { LieWish } from './upright-line';

/** What is told of a picture and its saw before it is traced. */
export interface TraceWish extends LieWish {
  readonly mmPerPx: number;
  readonly scaleError?: number;
  /** Of a photograph: how far its marks leave any place of the grid uncertain, mm. */
  readonly placeErrorMm?: number;
  /** Which way the saw cuts; a pull saw's faces look to the handle. */
  readonly cuts?: Cut;
  /** Where the heel lies with the teeth up; unsaid, the faces tell. */
  readonly heel?: 'left' | 'right';
  /** One repeat of cutters and rakers where the saw has rakers, such as CCR; a raker's two tips are then one tooth. */
  readonly pattern?: string;
  /** Teeth may be filed askew: bevels are looked for. */
  readonly bevels?: boolean;
  /** The picture is a round blade's rim, laid out as a line. */
  readonly rim?: boolean;
  /** Heard now and then with the share of the work that is done. */
  readonly report?: (share: number) => void;
}
