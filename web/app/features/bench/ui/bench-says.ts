import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { storeRoomFeature } from '../../../shared/state/store-room.feature';
import { BenchWalk } from '../state/bench-walk';
import { PlaceKeeper } from '../state/place-keeper';

/** Said at the vise and no stop: stopped for the day, gone on with another file, somebody else's order taken over. */
@Component({
  selector: 'od-bench-says',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, MatSelectModule, RouterLink],
  template: `
    @if (takenOver(); as who) {
      <p class="quiet">
        Planned for {{ who }}’s hand.
        <a [routerLink]="['/ticket', walk.ticketId(), 'plan']">Plan what is left for yours</a>, or go on as it is: each
        stop is kept under who presses it.
      </p>
    }
    @if (lastStop(); as last) {
      <p class="quiet">{{ last }}</p>
    }
    @if (fileNow(); as name) {
      <p class="quiet">With {{ name }} in place of the planned {{ walk.step()?.tool }}.</p>
    }
    <details>
      <summary>Stop for today, another file</summary>
      <form class="row" (submit)="$event.preventDefault(); stop()">
        <mat-form-field class="why" subscriptSizing="dynamic"
          ><mat-label>To remember, if anything</mat-label
          ><input matInput #left maxlength="300" [value]="note()" (input)="note.set(left.value)"
        /></mat-form-field>
        <button matButton="outlined" type="submit">Stop here for today</button>
      </form>
      @if (stopped()) {
        <p role="status">Kept: you stopped here. The saw opens at this stop again, on every screen.</p>
      }
      @if (files().length > 0) {
        <form class="row" (submit)="$event.preventDefault()">
          <mat-form-field class="why" subscriptSizing="dynamic"
            ><mat-label>From here on with</mat-label>
            <mat-select [value]="fileNow()" (selectionChange)="take($event.value)">
              @for (name of files(); track name) {
                <mat-option [value]="name">{{ name }}</mat-option>
              }
            </mat-select></mat-form-field
          >
        </form>
      }
    </details>
  `,
  styleUrl: './vise-part.scss',
})
export class BenchSays {
  private readonly store = inject(Store);
  private readonly speech = inject(Speech);
  private readonly keeper = inject(PlaceKeeper);
  private readonly me = this.store.selectSignal(shopFeature.selectPerson);
  private readonly shelves = this.store.selectSignal(storeRoomFeature.selectShelves);
  protected readonly walk = inject(BenchWalk);
  protected readonly note = signal('');
  private readonly planId = computed(() => this.walk.planId());
  protected readonly stopped = linkedSignal<number | null, boolean>({ source: this.planId, computation: () => false });
  /** Files taken up on this screen since the order was read. */
  private readonly taken = linkedSignal<number | null, readonly { stop: number; name: string }[]>({
    source: this.planId,
    computation: () => [],
  });

  protected readonly takenOver = computed(() => {
    const [accepted, me] = [this.walk.accepted(), this.me()];
    return accepted && me && accepted.acceptedBy !== me.name && accepted.order.strokes > 0 ? accepted.acceptedBy : null;
  });
  protected readonly lastStop = computed(() => {
    const last = this.walk.accepted()?.stopped.at(-1);
    if (!last) return null;
    const note = last.note === '' ? '' : `: ${last.note}`;
    return `${last.by} stopped at stop ${last.stop + 1} on ${this.speech.day(last.at)}${note}.`;
  });
  /** Files of the kind in hand: what the Store has, and the planned one. */
  protected readonly files = computed(() => {
    const tool = this.walk.step()?.tool;
    if (!tool || !this.walk.stop()?.strokes) return [];
    return [...new Set([tool, ...this.shelves().map(({ name }) => name)])];
  });
  protected readonly fileNow = computed(() => {
    const [step, here] = [this.walk.step(), this.walk.stop()];
    const own = [...(this.walk.accepted()?.files ?? []), ...this.taken()];
    const walk = this.walk.walk();
    const name = own.findLast(({ stop }) => walk[stop]?.step === here?.step)?.name;
    return name === undefined || name === step?.tool ? null : name;
  });

  protected stop(): void {
    this.keeper.say('stopped', this.note().trim());
    this.note.set('');
    this.stopped.set(true);
  }

  protected take(name: string): void {
    const [here] = this.keeper.next();
    if (!here) return;
    this.keeper.say('file', name);
    this.taken.update((own) => [...own, { stop: here.index, name }]);
  }
}
