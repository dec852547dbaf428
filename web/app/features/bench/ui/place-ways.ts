import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { PlaceWay } from '@odontis/core/work/place-keeping';
import { WINDOW_STOPS } from '@odontis/core/work/place-keeping';
import { PlaceKeeper } from '../state/place-keeper';

const WAYS: readonly { readonly way: PlaceWay; readonly says: string }[] = [
  { way: 'gullet', says: 'One by one' },
  { way: 'window', says: 'Windows' },
  { way: 'ear', says: 'By ear' },
  { way: 'pace', says: 'At a pace' },
];

/** How the place is kept while both hands hold the file; the shop book keeps what was chosen. */
@Component({
  selector: 'od-place-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(click)': 'letGo($event)' },
  imports: [MatButton, MatButtonToggle, MatButtonToggleGroup, MatFormFieldModule, MatInput],
  template: `
    @if (keeper.together() || keeper.gullets() !== null || keeper.listening() !== 'off') {
      <mat-button-toggle-group
        aria-label="How the place is kept"
        hideSingleSelectionIndicator
        [value]="keeper.gullets() === null ? keeper.keeping().way : keeper.way()"
        (change)="keeper.choose({ way: $event.value })"
      >
        @for (one of ways(); track one.way) {
          <mat-button-toggle [value]="one.way">{{ one.says }}</mat-button-toggle>
        }
      </mat-button-toggle-group>
      @switch (keeper.gullets() === null ? keeper.keeping().way : keeper.way()) {
        @case ('window') {
          <mat-form-field subscriptSizing="dynamic">
            <mat-label>To a window</mat-label>
            <input
              matInput
              type="number"
              inputmode="numeric"
              [min]="bounds.least"
              [max]="bounds.most"
              [value]="keeper.keeping().window"
              #wide
              (change)="window(wide)"
            />
          </mat-form-field>
          <p>A clamp, numbered or not, on the last of them shows where to stop.</p>
        }
        @case ('ear') {
          @if (keeper.listening() === 'off') {
            <button matButton="outlined" type="button" [disabled]="!keeper.canLearn()" (click)="keeper.listen()">
              Listen
            </button>
            <p>
              {{
                keeper.canLearn()
                  ? 'The microphone of this device hears your strokes. Nothing is kept or sent.'
                  : keeper.strokesHere()
                    ? 'Too few strokes are left in this step to learn from; press them one by one.'
                    : 'No file strokes in this step: press them one by one.'
              }}
            </p>
          } @else {
            <button matButton="outlined" type="button" (click)="keeper.deafen()">Stop listening</button>
            <p>A key, a tap, a pedal or two knocks on the vise answer it.</p>
          }
        }
        @case ('pace') {
          <p>{{ seconds() }} s for each, by your own past. A page left out of sight stops.</p>
        }
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    mat-button-toggle-group {
      display: grid;
      grid-template-columns: repeat(4, auto);
    }
    @media (max-width: 500px) {
      mat-button-toggle-group {
        grid-template-columns: 1fr 1fr;
      }
    }
    p {
      margin: 0;
      font-size: 14px;
      color: var(--text-quiet);
    }
  `,
})
export class PlaceWays {
  protected readonly keeper = inject(PlaceKeeper);
  /** A band's window is one of its own: pressed as a whole, or heard gullet by gullet. */
  protected readonly ways = computed(() =>
    this.keeper.gullets() === null ? WAYS : WAYS.filter(({ way }) => way === 'gullet' || way === 'ear'),
  );
  protected readonly bounds = WINDOW_STOPS;
  protected readonly seconds = computed(() => this.keeper.stopS().toFixed(1));

  /** A finger or a mouse that chose leaves the keys to the vise again; who chose by keys stays where they are. */
  protected letGo(event: MouseEvent): void {
    const on = document.activeElement;
    if (event.detail > 0 && on instanceof HTMLElement && on.tagName !== 'INPUT') on.blur();
  }

  /** A number out of bounds is brought within them. */
  protected window(input: HTMLInputElement): void {
    const wide = Math.round(Number(input.value));
    const within = Math.max(WINDOW_STOPS.least, Math.min(WINDOW_STOPS.most, wide || WINDOW_STOPS.usual));
    input.value = String(within);
    void this.keeper.choose({ window: within });
  }
}
