import type { Family } from '@odontis/core/saw/all-families';

/** A part of a set as typed. */
export interface DraftPart {
  readonly id: string;
  readonly kind: 'outer' | 'chipper' | 'shim';
  readonly teeth: string;
  readonly plate: string;
  readonly cut: string;
}

/** A saw as it is typed: text where it was typed as text. */
export interface SawTold {
  readonly family: Family | '';
  /** A family's own answers by question; what is not a question of the family is not looked at. */
  readonly told: Readonly<Record<string, string>>;
  readonly parts: readonly DraftPart[];
}
