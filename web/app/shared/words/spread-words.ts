import type { SpreadVerdict } from '@odontis/core/circular/equalise';

/** How a spread of heights is called: 4 thou good, 5 acceptable, 12 too much. */
export const SPREAD_SAYS: Readonly<Record<SpreadVerdict, string>> = {
  good: 'good',
  acceptable: 'acceptable',
  uneven: 'uneven',
  'too-much': 'too much',
};
