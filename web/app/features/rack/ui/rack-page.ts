import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { RackRow } from '@odontis/contract/ticket';
import { DateTime } from 'luxon';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { Keys, typing } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { pageOf, STAGE_WAITS, WAIT_WORDS } from '../../../shared/words/stage-words';
import { RACK_VIEWS } from '../data/rack-views';
import { RackEvents, rackFeature } from '../state/rack.feature';

interface Peg {
  readonly name: string;
  readonly late: boolean;
  readonly rows: readonly RackRow[];
}

/** Every saw in the shop by promised day, late ones first, each opening at its stage. */
@Component({
  selector: 'od-rack-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, Notice],
  templateUrl: './rack-page.html',
  styleUrl: './rack-page.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class RackPage {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly speech = inject(Speech);
  private readonly today = DateTime.now().toISODate();
  private readonly all = this.store.selectSignal(rackFeature.selectRows);
  private readonly person = this.store.selectSignal(shopFeature.selectPerson);
  /** Which saws are wanted, kept in the address. */
  readonly show = input<string>();
  protected readonly views = computed(() =>
    RACK_VIEWS.map((view) => ({
      ...view,
      count: this.all().filter((row) => view.takes(row, this.person()?.id ?? 0, this.today)).length,
    })),
  );
  protected readonly view = computed(() => this.views().find((v) => v.id === this.show()) ?? this.views()[0]);
  protected readonly rows = computed(() =>
    this.all().filter((row) => this.view()?.takes(row, this.person()?.id ?? 0, this.today)),
  );
  protected readonly loaded = this.store.selectSignal(rackFeature.selectLoaded);
  protected readonly refusal = this.store.selectSignal(rackFeature.selectRefusal);
  protected readonly waits = STAGE_WAITS;
  protected readonly waitWords = WAIT_WORDS;
  protected readonly at = signal(0);

  constructor() {
    this.store.dispatch(RackEvents.opened());
    inject(Keys).here.set([
      { keys: '↓ ↑', does: 'next saw, one back' },
      { keys: 'Enter', does: 'open it at its stage' },
    ]);
  }

  /** Late first, then a peg a day. */
  protected readonly pegs = computed<Peg[]>(() => {
    const late = this.rows().filter((row) => row.promisedOn < this.today);
    const days = [
      ...new Set(
        this.rows()
          .filter((row) => row.promisedOn >= this.today)
          .map((row) => row.promisedOn),
      ),
    ];
    const byDay = days.map((day) => ({
      name: day === this.today ? 'Today' : this.speech.day(day),
      late: false,
      rows: this.rows().filter((row) => row.promisedOn === day),
    }));
    return late.length > 0 ? [{ name: 'Late', late: true, rows: late }, ...byDay] : byDay;
  });

  protected page(row: RackRow): unknown[] {
    return ['/ticket', row.id, pageOf(row.stage)];
  }

  protected lateBy(row: RackRow): string {
    const days = Math.round(DateTime.fromISO(this.today).diff(DateTime.fromISO(row.promisedOn), 'days').days);
    return days === 1 ? 'since yesterday' : `for ${days} days`;
  }

  /** What is ready, or away, takes no more of the bench. */
  private atBench = (row: RackRow): boolean => !['check', 'handover'].includes(row.stage) && row.waitsFor !== 'grinder';

  protected minutesOn(peg: Peg): number {
    return peg.rows.reduce(
      (sum, row) =>
        sum + (this.atBench(row) ? (row.minutes ?? 0) * (1 - (row.stops ? row.stopsDone / row.stops : 0)) : 0),
      0,
    );
  }

  protected key(event: KeyboardEvent): void {
    if (typing(event)) return;
    const flat = this.rows();
    if (event.key === 'ArrowDown') this.at.update((i) => Math.min(flat.length - 1, i + 1));
    else if (event.key === 'ArrowUp') this.at.update((i) => Math.max(0, i - 1));
    else if (event.key === 'Enter' && event.target === document.body && flat[this.at()]) {
      void this.router.navigate(this.page(flat[this.at()] as RackRow));
    } else return;
    event.preventDefault();
  }

  /** Of a band or a blade nobody says points to the inch. */
  protected isToothed = (row: RackRow): boolean => ['hand', 'back', 'pull'].includes(row.family);

  protected isAt(row: RackRow): boolean {
    return this.rows()[this.at()] === row;
  }
}
