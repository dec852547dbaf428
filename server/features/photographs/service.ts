import pLimit from 'p-limit';
import sharp from 'sharp';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewPhotograph } from '@odontis/contract/notes';
import { PHOTOGRAPH_PX } from '@odontis/contract/notes';
import type { PictureHeader } from '@odontis/core/trace/picture-header';
import { pictureHeader } from '@odontis/core/trace/picture-header';
import type { Database } from '../../database/connect';
import { firstOfKey } from '../../database/made-once';
import { keepChange } from '../../database/keep-change';
import { Problem } from '../../http/problem';
import type { Who } from '../../http/who';
import { readDossier } from '../tickets/dossier';

/** A picture sent here was shrunk already; one this large was not. Pixels. */
const MOST_PIXELS = 24_000_000;
const MOST_PHOTOGRAPHS = 20;

/** Pictures read at once, and those that wait for it. */
const AT_ONCE = 2;
const MOST_WAITING = 30;
const LONGEST_S = 20;
const reading = pLimit(AT_ONCE);

/** What a camera writes, by its first bytes: a drawing that calls itself a picture may take an hour to draw. */
const PHOTOGRAPHED: ReadonlySet<string> = new Set<PictureHeader['format']>(['jpeg', 'png', 'webp']);

/**
 * The picture as it is kept: read, turned upright and written anew, so that
 * nothing of what the camera noted (place, time, owner) is left in it whoever sent it.
 */
async function cleaned(base64: string): Promise<{ bytes: Buffer; widthPx: number; heightPx: number }> {
  const sent = Buffer.from(base64, 'base64');
  const header = pictureHeader(sent);
  if (reading.pendingCount >= MOST_WAITING)
    throw new Problem('busy', 'Too many pictures are being read just now. Send this one again in a moment.');
  try {
    if (!header || !PHOTOGRAPHED.has(header.format)) throw new Error('no photograph');
    const { data, info } = await reading(() =>
      sharp(sent, { limitInputPixels: MOST_PIXELS })
        .rotate()
        .resize(PHOTOGRAPH_PX, PHOTOGRAPH_PX, { fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 82 })
        .timeout({ seconds: LONGEST_S })
        .toBuffer({ resolveWithObject: true }),
    );
    return { bytes: data, widthPx: info.width, heightPx: info.height };
  } catch {
    const message = 'This is no photograph that can be read: a JPEG, PNG or WebP picture is wanted.';
    throw new Problem('bad-input', message, [{ path: '/jpeg', message }]);
  }
}

export async function addPhotograph(
  db: Database,
  ticketId: number,
  wanted: NewPhotograph & { readonly key: string },
  by: number,
): Promise<Dossier> {
  const picture = await cleaned(wanted.jpeg);
  return db.sequelize.transaction(async (t) => {
    const ticket = await db.models.Ticket.findByPk(ticketId, { transaction: t, lock: t.LOCK.UPDATE });
    if (!ticket) throw new Problem('not-found', 'There is no such ticket.');
    if (!(await firstOfKey(db, 'photograph', wanted.key, t))) return readDossier(db, ticketId, t);
    if ((await db.models.Photograph.count({ where: { ticketId }, transaction: t })) >= MOST_PHOTOGRAPHS)
      throw new Problem('bad-input', `A ticket keeps ${MOST_PHOTOGRAPHS} photographs at most: take one away first.`);
    await db.models.Photograph.create(
      { ticketId, caption: wanted.caption, ...picture, takenBy: by },
      { transaction: t },
    );
    return readDossier(db, ticketId, t);
  });
}

export async function removePhotograph(db: Database, ticketId: number, id: number, who: Who): Promise<Dossier> {
  await db.sequelize.transaction(async (transaction) => {
    const gone = await db.models.Photograph.destroy({ where: { id, ticketId }, transaction });
    if (gone === 0) throw new Problem('not-found', 'That photograph is not there any more.');
    const told = { kind: 'photograph-removed', about: `ticket ${ticketId}, photograph ${id}` } as const;
    await keepChange(db, who, told, transaction);
  });
  return readDossier(db, ticketId);
}

export async function photographBytes(db: Database, id: number): Promise<Buffer> {
  const row = await db.models.Photograph.findByPk(id);
  if (!row) throw new Problem('not-found', 'There is no such photograph.');
  return row.bytes;
}
