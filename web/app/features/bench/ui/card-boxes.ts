import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import type { Step } from '@odontis/core/work/step';
import { PlaceKeeper } from '../state/place-keeper';

/** The boxes that were ticked on the shop's card, entered in one go by who worked without a screen. */
@Component({
  selector: 'od-card-boxes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox],
  template: `
    @if (open()) {
      <fieldset>
        <legend>Boxes ticked on the card</legend>
        @for (one of left(); track one.step) {
          <mat-checkbox [checked]="ticked().has(one.step)" (change)="tick(one.step, $event.checked)">{{
            one.says
          }}</mat-checkbox>
        }
        <div>
          <button matButton="filled" type="button" [disabled]="ticked().size === 0" (click)="keep()">
            {{ ticked().size === 1 ? 'This step is done' : 'These ' + ticked().size + ' steps are done' }}
          </button>
          <button matButton type="button" (click)="open.set(false)">Leave it</button>
        </div>
      </fieldset>
    } @else if (left().length > 0) {
      <button matButton="outlined" type="button" (click)="open.set(true)">Enter the card’s boxes</button>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 10px;
    }
    fieldset {
      display: grid;
      gap: 2px;
      border: 1px solid var(--rule);
      padding: 8px;
    }
    div {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
  `,
})
export class CardBoxes {
  private readonly keeper = inject(PlaceKeeper);
  readonly titleOf = input.required<(step: Step) => string>();
  protected readonly open = signal(false);
  protected readonly ticked = signal<ReadonlySet<number>>(new Set());
  /** Steps with something still to do. */
  protected readonly left = computed(() => {
    const now = this.keeper.standing();
    if (!now) return [];
    const toDo = new Set(now.walk.filter((stop) => !now.done.has(stop.index)).map((stop) => stop.step));
    return now.steps.flatMap((step, i) => (toDo.has(i) ? [{ step: i, says: this.titleOf()(step) }] : []));
  });

  protected tick(step: number, on: boolean): void {
    const ticked = new Set(this.ticked());
    if (on) ticked.add(step);
    else ticked.delete(step);
    this.ticked.set(ticked);
  }

  protected keep(): void {
    this.keeper.enterCard(this.ticked());
    this.ticked.set(new Set());
    this.open.set(false);
  }
}
