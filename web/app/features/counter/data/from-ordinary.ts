import type { OrdinarySaw } from '@odontis/core/saw/ordinary-saws';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { toldOf } from '../../../shared/saw/told-of';
import type { CounterDraft } from './counter-draft';

/** An ordinary saw's sizes as the first words in every field. */
export const fromOrdinary = ({ id, saw }: OrdinarySaw, speech: ShopSpeech): Partial<CounterDraft> => ({
  sawId: null,
  pattern: id,
  marks: [],
  consents: [],
  wantsFiling: 'as-it-is',
  hardened: '',
  ...toldOf(saw, speech),
});
