import { MatButton } from '@angular/material/button';
import { MatSelectModule } from '@angular/material/select';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { recall, remember } from './shared/api/remembered';
import { ShopPage, shopFeature } from './shared/state/shop.feature';
import { Keys, typing } from './shared/ui/keys';
import { TagFinder } from './shared/tag/tag-finder';
import { Notice } from './shared/ui/notice';

/** The board above every page: where to go, who is here, light or dark, the keys. */
@Component({
  selector: 'od-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatFormFieldModule,
    MatSelectModule,
    TagFinder,
    RouterOutlet,
    RouterLink,
    RouterLinkActive,
    Notice,
  ],
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class Shell {
  private readonly store = inject(Store);
  protected readonly keys = inject(Keys);
  protected readonly book = this.store.selectSignal(shopFeature.selectBook);
  protected readonly people = this.store.selectSignal(shopFeature.selectPeople);
  protected readonly person = this.store.selectSignal(shopFeature.selectPerson);
  protected readonly loaded = computed(() => this.book() !== null);
  private readonly refusal = this.store.selectSignal(shopFeature.selectRefusal);
  protected readonly away = computed(() => (this.loaded() ? null : (this.refusal()?.detail ?? null)));
  protected readonly dark = signal(recall('sheet') === 'dark');

  constructor() {
    this.store.dispatch(ShopPage.opened());
    effect(() => {
      const sheet = this.dark() ? 'dark' : 'light';
      document.documentElement.dataset['sheet'] = sheet;
      remember('sheet', sheet);
    });
  }

  protected choose(id: number | string): void {
    this.store.dispatch(ShopPage.personChosen({ id: Number(id) }));
  }

  protected again(): void {
    this.store.dispatch(ShopPage.opened());
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === '?' && !typing(event)) this.keys.open.update((open) => !open);
    else if (event.key === 'Escape' && this.keys.open()) this.keys.open.set(false);
  }
}
