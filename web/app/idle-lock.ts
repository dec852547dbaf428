import { effect, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { recall, remember } from './shared/api/remembered';
import { doorFeature, DoorPage } from './shared/state/door.feature';

/** A look is taken so often whether a hand was on the screen. */
const LOOK_MS = 5000;
const MINUTE_MS = 60_000;

/** Locks the screen after the shop's while without a hand on it, in whichever of its windows. */
@Injectable({ providedIn: 'root' })
export class IdleLock {
  private readonly store = inject(Store);
  private readonly door = this.store.selectSignal(doorFeature.selectDoor);
  private watching: ReturnType<typeof setInterval> | undefined;
  private touchedAt = Date.now();

  constructor() {
    effect(() => {
      if (this.door()?.state === 'open') this.touched();
    });
  }

  /** A hand is on it: written down for the other windows, not more often than it is looked for. */
  touched(now = Date.now()): void {
    if (now - this.touchedAt >= LOOK_MS) remember('touched', String(now));
    this.touchedAt = now;
  }

  /** Begins to look, as long as the page is open. */
  watch(): void {
    this.watching ??= setInterval(() => this.look(Date.now()), LOOK_MS);
  }

  /** Locks where nobody was at it for as long as the shop says. */
  look(now: number): void {
    const door = this.door();
    if (door?.state !== 'open' || door.lockAfterMinutes === null || door.demo) return;
    const touchedAt = Math.max(this.touchedAt, Number(recall('touched')) || 0);
    if (now - touchedAt >= door.lockAfterMinutes * MINUTE_MS) this.store.dispatch(DoorPage.locked());
  }
}
