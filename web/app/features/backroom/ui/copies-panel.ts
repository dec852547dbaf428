import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { COPY_TOO_OLD_H } from '@odontis/contract/copies';
import { DateTime } from 'luxon';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

const BYTES_A_MB = 1e6;

/** The shop's copies: the last good one and its age, told loudly when it is old, and one made now. */
@Component({
  selector: 'od-copies-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Notice],
  template: `
    <h2>Copies</h2>
    @if (copies.hasValue()) {
      @if (copies.value().kept === null) {
        <p>This shop makes no copies by itself: its database is kept elsewhere.</p>
      } @else {
        @if (newest(); as last) {
          <p>
            The last one is of {{ speech.fullDay(last.madeAt) }}, {{ age() }} old, {{ size(last.bytes)
            }}{{ last.encrypted ? ', encrypted' : '' }}. {{ copies.value().count }} of {{ copies.value().kept }} kept in
            {{ copies.value().folder }}.
          </p>
        }
        @if (tooOld()) {
          <od-notice weight="stop">{{
            newest()
              ? 'The last copy is more than a day old: make one now, and see that the shop’s computer runs at night.'
              : 'There is no copy yet: make one now. One is made every night from then on.'
          }}</od-notice>
        }
        <button matButton="outlined" type="button" [disabled]="copying()" (click)="copyNow()">
          {{ copying() ? 'Copying …' : 'Copy now' }}
        </button>
        @if (said(); as text) {
          <p role="status">{{ text }}</p>
        }
        <p class="quiet">
          A copy on the same disk helps against a slip, not against a dead disk: set ODONTIS_COPIES to a folder on
          another one, or take a copy along on a stick.
        </p>
      }
    } @else {
      <p class="quiet" role="status">Looking for copies …</p>
    }
  `,
})
export class CopiesPanel {
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  protected readonly copies = rxResource({ stream: () => this.api.copies() });
  protected readonly copying = signal(false);
  protected readonly said = signal('');
  protected readonly newest = computed(() => (this.copies.hasValue() ? this.copies.value().newest : null));
  private readonly ageHours = computed(() => {
    const last = this.newest();
    return last ? DateTime.now().diff(DateTime.fromISO(last.madeAt), 'hours').hours : null;
  });
  protected readonly age = computed(() => {
    const hours = this.ageHours() ?? 0;
    return hours < 1
      ? 'less than an hour'
      : hours < 48
        ? `${Math.round(hours)} hours`
        : `${Math.round(hours / 24)} days`;
  });
  protected readonly tooOld = computed(() => (this.ageHours() ?? Infinity) > COPY_TOO_OLD_H);
  protected size = (bytes: number): string => `${(bytes / BYTES_A_MB).toFixed(1)} MB`;

  protected copyNow(): void {
    this.copying.set(true);
    this.said.set('');
    this.api.copyNow().subscribe({
      next: (state) => {
        this.copies.set(state);
        this.said.set('Copied.');
        this.copying.set(false);
      },
      error: (error: unknown) => {
        this.said.set(toRefusal(error).detail);
        this.copying.set(false);
      },
    });
  }
}
