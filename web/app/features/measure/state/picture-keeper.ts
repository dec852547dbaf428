import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { PHOTOGRAPH_PX } from '@odontis/contract/notes';
import { base64Of } from '../../../shared/photographs/draft-photographs';
import { TicketPageEvents } from '../../../shared/state/ticket.feature';
import { PictureStopped } from '../../../workers/picture-client';
import type { ShownPicture } from './shown-picture';

const LONGEST_CAPTION = 200;

/** Pictures that were measured from stay with the ticket, made small. */
@Injectable()
export class PictureKeeper {
  private readonly store = inject(Store);

  /** `measured`: what was measured from them. */
  async keep(ticketId: number, pictures: readonly ShownPicture[], measured: string): Promise<void> {
    for (const { client, name } of pictures) {
      const small = await client.keep(PHOTOGRAPH_PX).catch((error: unknown) => {
        if (error instanceof PictureStopped) return null;
        throw error;
      });
      if (!small) continue;
      const caption = `${measured} measured from ${name}`.slice(0, LONGEST_CAPTION);
      const photograph = { caption, jpeg: await base64Of(small) };
      this.store.dispatch(TicketPageEvents.photographAdded({ id: ticketId, photograph }));
    }
  }
}
