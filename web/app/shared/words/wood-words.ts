import type { Wood } from '@odontis/core/saw/families';

export const WOOD_WORDS: Record<Wood, string> = {
  'dry-hard': 'dry hardwood',
  'dry-soft': 'dry softwood',
  green: 'green wood',
};
