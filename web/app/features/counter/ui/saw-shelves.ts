import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { FAMILIES } from '@odontis/core/saw/all-families';
import { FAMILY_NAMES, ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import { SawGlyph } from './saw-glyph';

/** Saws by their pictures under their families' names; once one is chosen the others make room. */
@Component({
  selector: 'od-saw-shelves',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SawGlyph],
  template: `
    <div class="shelves" role="group" aria-label="Saw by picture">
      @for (shelf of shelved(); track shelf.family) {
        <div class="shelf" role="group" [attr.aria-label]="shelf.name">
          <span class="quiet">{{ shelf.name }}</span>
          <div class="glyphs">
            @for (one of shelf.patterns; track one.id) {
              <button
                type="button"
                [class.chosen]="pattern() === one.id"
                [attr.aria-pressed]="pattern() === one.id"
                (click)="chosen.emit(one.id)"
              >
                <od-saw-glyph [saw]="one.saw" />
                {{ one.saw.name }}
              </button>
            }
          </div>
        </div>
      }
    </div>
    @if (shelved().length < shelves.length) {
      <button type="button" class="link" (click)="browsing.set(true)">Another kind of saw</button>
    }
  `,
  styleUrl: './asks.scss',
})
export class SawShelves {
  readonly pattern = input.required<string>();
  readonly sawId = input.required<number | null>();
  readonly chosen = output<string>();
  protected readonly shelves = FAMILIES.map((family) => ({
    family,
    name: FAMILY_NAMES[family],
    patterns: ORDINARY_SAWS.filter((p) => p.saw.family === family),
  }));
  protected readonly browsing = linkedSignal<string, boolean>({
    source: () => `${this.pattern()} ${this.sawId() ?? ''}`,
    computation: () => false,
  });
  protected readonly shelved = computed(() => {
    if (this.browsing() || (this.pattern() === '' && this.sawId() === null)) return this.shelves;
    return this.shelves
      .map((shelf) => ({ ...shelf, patterns: shelf.patterns.filter((p) => p.id === this.pattern()) }))
      .filter((shelf) => shelf.patterns.length > 0);
  });
}
