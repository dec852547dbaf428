import type { Moisture, Timber } from './all-families';
import type { Wood } from './families';

/** What the counter's word for the wood says of it; green wood is soft while it is wet, and of no one timber. */
const WOOD_FACTS: Record<Wood, { readonly moisture: Moisture; readonly timber: Timber }> = {
  'dry-hard': { moisture: 'dry', timber: 'hard' },
  'dry-soft': { moisture: 'dry', timber: 'soft' },
  green: { moisture: 'green', timber: 'medium' },
};

/** A wood as the table of set reads it. */
export const woodFacts = (wood: Wood): { readonly moisture: Moisture; readonly timber: Timber } => WOOD_FACTS[wood];
