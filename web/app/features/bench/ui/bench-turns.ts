import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Result } from '@odontis/core/work/deeds';
import { WITH_RESULT } from '@odontis/core/work/deeds';
import { BenchWalk } from '../state/bench-walk';
import { PlaceKeeper } from '../state/place-keeper';

/** Other turns at the vise than next: to any tooth, this one again, left out with why; and how a step on the whole saw went. */
@Component({
  selector: 'od-bench-turns',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput],
  template: `
    @if (asksResult()) {
      <div class="row">
        <mat-button-toggle-group
          hideSingleSelectionIndicator
          aria-label="How it went"
          [value]="result()"
          (change)="result.set($event.value)"
        >
          <mat-button-toggle value="came-out">it came out</mat-button-toggle>
          <mat-button-toggle value="did-not">it did not</mat-button-toggle>
        </mat-button-toggle-group>
        <mat-form-field class="few" subscriptSizing="dynamic"
          ><mat-label>Minutes</mat-label
          ><input matInput #took inputmode="decimal" [value]="minutes()" (input)="minutes.set(took.value)"
        /></mat-form-field>
        <button
          matButton="outlined"
          type="button"
          [disabled]="result() === null && minutes() === ''"
          (click)="doneSo()"
        >
          Done so: next
        </button>
      </div>
    }
    <details [open]="open()" (toggle)="open.set($any($event.target).open)">
      <summary>Elsewhere, again, left out</summary>
      <form class="row" (submit)="$event.preventDefault(); go(wanted.value); wanted.value = ''">
        <mat-form-field class="few" subscriptSizing="dynamic"
          ><mat-label>{{ called() }}</mat-label
          ><input matInput #wanted inputmode="numeric"
        /></mat-form-field>
        <button matButton="outlined" type="submit">Go there</button>
      </form>
      <form class="row" (submit)="$event.preventDefault()">
        <mat-form-field class="why" subscriptSizing="dynamic"
          ><mat-label>Why it is left out</mat-label
          ><input matInput #left maxlength="300" [value]="reason()" (input)="reason.set(left.value)"
        /></mat-form-field>
        <button matButton="outlined" type="button" (click)="skip(false)">Leave this one out</button>
        @if (rest().length > 1) {
          <button matButton="outlined" type="button" (click)="skip(true)">
            The {{ rest().length }} left of this step
          </button>
        }
      </form>
      @if (fault(); as text) {
        <p class="stop-text" role="alert">{{ text }}</p>
      }
    </details>
  `,
  styleUrl: './vise-part.scss',
})
export class BenchTurns {
  private readonly walk = inject(BenchWalk);
  private readonly keeper = inject(PlaceKeeper);
  protected readonly open = signal(false);
  protected readonly reason = signal('');
  protected readonly fault = signal('');
  /** Said of the step in hand, and of no other. */
  private readonly stepIndex = computed(() => this.walk.stepIndex());
  protected readonly result = linkedSignal<number, Result | null>({ source: this.stepIndex, computation: () => null });
  protected readonly minutes = linkedSignal<number, string>({ source: this.stepIndex, computation: () => '' });

  protected readonly asksResult = computed(() => {
    const step = this.walk.step();
    return !!step && step.unit === 'whole' && WITH_RESULT.has(step.kind);
  });
  protected readonly called = computed(() => {
    const unit = this.walk.step()?.unit;
    return unit === 'gullet'
      ? 'Gullet'
      : unit === 'whole' || unit === undefined
        ? 'Tooth'
        : unit === 'window'
          ? 'Tooth in it'
          : 'Tooth';
  });
  /** What is still to do of the step in hand. */
  protected readonly rest = computed(() =>
    this.walk.walk().filter((stop) => stop.step === this.stepIndex() && !this.walk.done().has(stop.index)),
  );

  protected doneSo(): void {
    const typed = this.minutes().trim();
    const minutes = Number(typed.replace(',', '.'));
    const bad = typed !== '' && !(minutes >= 0 && minutes <= 10_000);
    this.fault.set(bad ? `"${typed}" are no minutes.` : '');
    if (bad) return this.open.set(true);
    const result = this.result();
    this.keeper.doneWith({ ...(result && { result }), ...(typed !== '' && { minutes }) });
  }

  protected go(typed: string): void {
    const tooth = Number(typed);
    const own = this.walk.walk().filter((stop) => stop.step === this.stepIndex());
    const there = own.find((stop) => tooth >= stop.at && tooth <= (stop.to ?? stop.at));
    if (typed.trim() === '' || !there) return this.fault.set(`"${typed}" is not worked in this step.`);
    this.fault.set('');
    if (this.walk.done().has(there.index)) this.keeper.again(there);
    this.walk.goFrom(there.index);
  }

  protected skip(all: boolean): void {
    const [reason, stop] = [this.reason().trim(), this.walk.stop()];
    if (reason === '') return this.fault.set('Write why: the report says it.');
    this.fault.set('');
    if (stop) this.keeper.skip(all ? this.rest() : [stop], reason);
    this.reason.set('');
  }
}
