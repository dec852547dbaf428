import type { PictureHeader } from '@odontis/core/trace/picture-header';
import type { ScanClient } from '../../../workers/scan-client';

/** A picture that stays with its worker and is shown in tiles. */
export interface ShownPicture {
  readonly name: string;
  readonly client: ScanClient;
  readonly header: PictureHeader;
}
