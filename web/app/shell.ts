import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  linkedSignal,
  signal,
} from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import type { ChangeOver, FirstOwner, SignIn } from '@odontis/contract/door';
import { DoorPage as DoorView } from './shared/door/door-page';
import { IdleLock } from './idle-lock';
import { NewerVersion } from './newer-version';
import { recall, remember } from './shared/api/remembered';
import { doorFeature, DoorPage } from './shared/state/door.feature';
import { shopFeature } from './shared/state/shop.feature';
import { Keys, typing } from './shared/ui/keys';
import { TagFinder } from './shared/tag/tag-finder';
import { Notice } from './shared/ui/notice';

/** The board above every page: where to go, who is here, light or dark, the keys. */
@Component({
  selector: 'od-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, DoorView, TagFinder, RouterOutlet, RouterLink, RouterLinkActive, Notice],
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
  host: { '(document:keydown)': 'key($event)', '(document:pointerdown)': 'touched()' },
})
export class Shell {
  private readonly store = inject(Store);
  private readonly idle = inject(IdleLock);
  protected readonly newer = inject(NewerVersion);
  protected readonly keys = inject(Keys);
  protected readonly book = this.store.selectSignal(shopFeature.selectBook);
  protected readonly door = this.store.selectSignal(doorFeature.selectDoor);
  protected readonly here = this.store.selectSignal(doorFeature.selectHere);
  protected readonly doorBusy = this.store.selectSignal(doorFeature.selectBusy);
  protected readonly doorRefusal = this.store.selectSignal(doorFeature.selectRefusal);
  private readonly shopRefusal = this.store.selectSignal(shopFeature.selectRefusal);
  /** Another is to take over, while somebody is in. */
  protected readonly changing = signal(false);
  /** The page is built once somebody came in, and stays behind a locked door as it is. */
  protected readonly entered = linkedSignal<boolean, boolean>({
    source: () => this.here() !== null && this.book() !== null,
    computation: (isIn, before) => isIn || (before?.value === true && this.door()?.state === 'locked'),
  });
  protected readonly doorShown = computed(() => this.door() !== null && (this.here() === null || this.changing()));
  protected readonly away = computed(() => {
    if (this.entered() || this.doorShown()) return null;
    return (this.door() === null ? this.doorRefusal() : this.shopRefusal())?.detail ?? null;
  });
  protected readonly dark = signal(recall('sheet') === 'dark');

  constructor() {
    this.store.dispatch(DoorPage.opened());
    this.idle.watch();
    effect(() => {
      const sheet = this.dark() ? 'dark' : 'light';
      document.documentElement.dataset['sheet'] = sheet;
      remember('sheet', sheet);
    });
    const hear = (event: KeyboardEvent): void => this.covered(event);
    window.addEventListener('keydown', hear, { capture: true });
    inject(DestroyRef).onDestroy(() => window.removeEventListener('keydown', hear, { capture: true }));
    // Whoever came in is at the page again.
    effect(() => {
      if (this.here()?.key) this.changing.set(false);
    });
  }

  protected ownerMade(owner: FirstOwner): void {
    this.store.dispatch(DoorPage.ownerMade({ owner }));
  }
  protected signedIn(signIn: SignIn): void {
    this.store.dispatch(DoorPage.signedIn({ signIn }));
  }
  protected demoEntered(personId: number): void {
    this.store.dispatch(DoorPage.demoEntered({ personId }));
  }
  protected changedOver(change: ChangeOver): void {
    this.store.dispatch(DoorPage.changedOver({ change }));
  }
  protected locked(): void {
    this.changing.set(false);
    this.store.dispatch(DoorPage.locked());
  }
  protected signedOut(): void {
    this.changing.set(false);
    this.store.dispatch(DoorPage.signedOut());
  }

  protected again(): void {
    this.store.dispatch(DoorPage.opened());
  }

  protected touched(): void {
    this.idle.touched();
  }

  /** Before anything else hears it: a covered page hears nothing. */
  private covered(event: KeyboardEvent): void {
    this.idle.touched();
    if (!this.doorShown()) return;
    if (event.key === 'Escape') this.changing.set(false);
    const target = event.target as Element | null;
    if (!target?.closest('od-door-page, header')) event.stopPropagation();
  }

  protected key(event: KeyboardEvent): void {
    if (this.doorShown()) return;
    if (event.key === '?' && !typing(event)) this.keys.open.update((open) => !open);
    else if (event.key === 'Escape' && this.keys.open()) this.keys.open.set(false);
  }
}
