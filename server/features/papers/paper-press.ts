import { Thread } from '../../beside/thread';
import type { Paper } from './paper';

const press = new Thread<Paper, Uint8Array>(
  'server/features/papers/paper-worker',
  'Too many papers are being made just now. Ask for this one again in a moment.',
);

/** A paper made beside the server's loop. Throws Problem `busy` where too many wait. */
export const pressed = async (paper: Paper): Promise<Buffer> => Buffer.from(await press.run(paper));
