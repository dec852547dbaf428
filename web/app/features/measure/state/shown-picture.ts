import type { PictureHeader } from '@odontis/core/trace/picture-header';
import type { PictureClient } from '../../../workers/picture-client';

/** A picture that stays with its worker and is shown in tiles. */
export interface ShownPicture {
  readonly name: string;
  readonly client: PictureClient;
  readonly header: PictureHeader;
}
