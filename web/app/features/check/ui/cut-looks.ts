import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Shavings } from '@odontis/core/raker/shavings';
import type { Again, Floor, PlateLook, Wall } from '@odontis/core/testcut/cut-looks';
import { parseLength } from '@odontis/core/units/length';
import type { Speech } from '../../../shared/speech/speech';
import {
  AGAIN_WORDS,
  DUST_WORDS,
  FLOOR_WORDS,
  PLATE_WORDS,
  RIBBON_WORDS,
  WALL_WORDS,
} from '../../../shared/words/cause-words';

/** What a cut was looked at for beyond how it runs; null where nobody looked. Lengths as they are typed. */
export interface CutLooked {
  readonly kerf: string;
  readonly off: string;
  /** To which side; null before somebody says it. */
  readonly offTo: 'left' | 'right' | null;
  readonly over: string;
  readonly wall: Wall | null;
  readonly floor: Floor | null;
  readonly shavings: Shavings | null;
  readonly plate: PlateLook | null;
  readonly again: Again | null;
}
export const NOT_LOOKED: CutLooked = {
  ...{ kerf: '', off: '', offTo: null, over: '' },
  ...{ wall: null, floor: null, shavings: null, plate: null, again: null },
};

/** The kerf by feeler, the line it left, wall, floor and shavings by eye: as much of it as anybody looks at. */
@Component({
  selector: 'od-cut-looks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, MatFormFieldModule, MatInput],
  templateUrl: './cut-looks.html',
  styleUrl: './check-page.scss',
})
export class CutLooks {
  readonly looked = input.required<CutLooked>();
  /** It has rakers, it is set, it ran to a side, it is held in the hand. */
  readonly rakers = input.required<boolean>();
  readonly isSet = input.required<boolean>();
  readonly ran = input.required<boolean>();
  readonly byHand = input.required<boolean>();
  /** What cannot be of the lengths that were typed, beside them. */
  readonly slip = input<string | null>(null);
  readonly changed = output<Partial<CutLooked>>();

  /** Every look in words: what was said of it, and what pressing a word changes; pressed again it is taken back. */
  protected readonly looks = computed(() => {
    const looked = this.looked();
    const look = <K extends keyof CutLooked, W extends CutLooked[K] & string>(
      name: string,
      key: K,
      words: Readonly<Record<W, string>>,
    ) => ({
      name,
      words: Object.entries<string>(words).map(([word, says]) => {
        const said = looked[key] === word;
        return { says, said, toggled: { [key]: said ? null : word } as Partial<CutLooked> };
      }),
    });
    return [
      look('Walls', 'wall', WALL_WORDS),
      look('Floor', 'floor', FLOOR_WORDS),
      look('It throws', 'shavings', this.rakers() ? RIBBON_WORDS : DUST_WORDS),
      look('Plate, looked along', 'plate', PLATE_WORDS),
      ...(this.ran() && this.byHand() ? [look('Cut again, nothing done', 'again', AGAIN_WORDS)] : []),
    ];
  });
}

/** The lengths of a cut as they were typed, in mm; null where nothing stands or it cannot be read, which `slip` says. */
export function lengthsOf(
  { kerf, off, offTo, over }: CutLooked,
  plateMm: number,
  { unit, plate }: Pick<Speech, 'unit' | 'plate'>,
): {
  readonly kerfMm: number | null;
  readonly offLine: { readonly mm: number; readonly overMm: number } | null;
  readonly slip: string | null;
} {
  const read = [kerf, off, over].map((text) => ({ text, as: text.trim() === '' ? null : parseLength(text, unit()) }));
  const [kerfMm, sized, overMm] = read.map(({ as }) => (as?.ok ? as.mm : null));
  const bad = read.find(({ as }) => as?.ok === false);
  const told = typeof sized === 'number' && typeof overMm === 'number';
  const slip = bad
    ? `"${bad.text}" is no length. Type a number, such as 2.5 or 0.6 mm.`
    : typeof kerfMm === 'number' && kerfMm < plateMm
      ? `A kerf is not narrower than its plate, which is ${plate(plateMm)}: put the feeler in again.`
      : (sized === null) !== (overMm === null)
        ? 'How far it left its line is told over a length: type both.'
        : told
          ? (offLineSlip(sized, overMm, plate) ?? (offTo === null ? 'Say to which side it left its line.' : null))
          : null;
  return {
    kerfMm: kerfMm ?? null,
    offLine: told && slip === null ? { mm: offTo === 'left' ? sized : -sized, overMm } : null,
    slip,
  };
}

/** A drift is told over a length of cut that shows one, and is less than it. mm. */
const OVER_MM = { least: 5, most: 1000 } as const;
function offLineSlip(offMm: number, overMm: number, plate: Speech['plate']): string | null {
  if (overMm < OVER_MM.least || overMm > OVER_MM.most)
    return `Over ${plate(overMm)} no drift is told: a length from ${plate(OVER_MM.least)} to ${plate(OVER_MM.most)} is meant; write its unit beside it, such as 100 mm.`;
  if (offMm < 0) return 'How far it left its line is a length without a sign: to which side is said beside it.';
  if (offMm >= overMm) return `It cannot leave its line by ${plate(offMm)} over ${plate(overMm)}: the other way round?`;
  return null;
}
