import * as z from 'zod';
import { RESULTS } from '@odontis/core/work/deeds';
import { PREPARINGS } from '@odontis/core/work/preparing';
import { bounded, uuid, version } from './fields';

const kind = z.enum(PREPARINGS, {
  error: 'Say what was prepared: cleaned, straightened, re-seated, tightened, or its handle taken off.',
});
const result = z.enum(RESULTS, { error: 'It came out, or it did not.' });
const minutes = bounded(0, 10_000, 'The minutes it took', 'minutes').nullable();

/** Something done before measuring. */
export const newPreparation = z.object({
  /** Made on the screen: sent twice, it was done once. */
  key: uuid('What was done needs a key of its own.'),
  version,
  kind,
  result,
  minutes,
});
export type NewPreparation = z.infer<typeof newPreparation>;
/** As a page says it; its key is made where it is sent. */
export type PreparationSaid = Omit<NewPreparation, 'key'>;

export const preparation = z
  .object({ id: z.int(), kind, result, minutes: z.number().nullable(), by: z.string(), at: z.string() })
  .readonly();
export type Preparation = z.infer<typeof preparation>;
