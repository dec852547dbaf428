import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { SHAVINGS } from '@odontis/core/raker/shavings';
import type { Shavings } from '@odontis/core/raker/shavings';
import type { Again, Floor, PlateLook, Wall } from '@odontis/core/testcut/cut-looks';
import { FLOORS, WALLS } from '@odontis/core/testcut/cut-looks';
import { Speech } from '../../../shared/speech/speech';
import { DUST_WORDS, FLOOR_WORDS, RIBBON_WORDS, WALL_WORDS } from '../../../shared/words/cause-words';

/** What a cut was looked at for beyond how it runs; null where nobody looked. Lengths as they are typed. */
export interface CutLooked {
  readonly kerf: string;
  readonly off: string;
  readonly offTo: 'left' | 'right';
  readonly over: string;
  readonly wall: Wall | null;
  readonly floor: Floor | null;
  readonly shavings: Shavings | null;
  readonly plate: PlateLook | null;
  readonly again: Again | null;
}
export const NOT_LOOKED: CutLooked = {
  ...{ kerf: '', off: '', offTo: 'left', over: '' },
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
  readonly changed = output<Partial<CutLooked>>();
  protected readonly speech = inject(Speech);
  protected readonly walls = WALLS;
  protected readonly floors = FLOORS;
  protected readonly shavings = SHAVINGS;
  protected readonly wallWords = WALL_WORDS;
  protected readonly floorWords = FLOOR_WORDS;
  protected readonly shavingWords = computed(() => (this.rakers() ? RIBBON_WORDS : DUST_WORDS));

  /** A look taken back by pressing it again. */
  protected toggled<K extends 'wall' | 'floor' | 'shavings' | 'plate' | 'again'>(key: K, value: CutLooked[K]): void {
    this.changed.emit({ [key]: this.looked()[key] === value ? null : value });
  }
}
