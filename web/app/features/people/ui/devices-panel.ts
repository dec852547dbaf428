import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Store } from '@ngrx/store';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { doorFeature } from '../../../shared/state/door.feature';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

/** The screens that were let in, and who sits at them; any of them can be ended. */
@Component({
  selector: 'od-devices-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Notice],
  template: `
    <h2>Screens let in</h2>
    @if (trustPage()) {
      <p>
        <a href="/trust" target="_blank" rel="noopener">Let a tablet or telephone in</a>: it trusts this shop once, by a
        code to point its camera at.
      </p>
    }
    @if (refused(); as text) {
      <od-notice weight="stop">{{ text }}</od-notice>
    }
    @if (devices.hasValue()) {
      <ul>
        @for (one of devices.value(); track one.id) {
          <li>
            <span
              ><strong>{{ one.name }}</strong
              >{{ one.own ? ', this one' : '' }}<br /><span class="quiet"
                >{{ one.person ? (one.locked ? 'locked, last ' : '') + one.person : 'nobody' }} · let in by
                {{ one.trustedBy }}, {{ speech.fullDay(one.trustedAt) }}</span
              ></span
            >
            @if (!one.own) {
              <button matButton="outlined" type="button" (click)="end(one.id)">Let in no more</button>
            }
          </li>
        }
      </ul>
    } @else {
      <p class="quiet" role="status">Looking for screens …</p>
    }
  `,
  styles: `
    h2 {
      margin: 22px 0 8px;
    }
    ul {
      list-style: none;
      padding: 0;
      margin: 0;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 6px 12px;
      align-items: center;
      border-top: 1px solid var(--rule);
      padding: 8px 0;
    }
  `,
})
export class DevicesPanel {
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  private readonly door = inject(Store).selectSignal(doorFeature.selectDoor);
  protected readonly trustPage = computed(() => this.door()?.trustPage ?? false);
  protected readonly devices = rxResource({ stream: () => this.api.devices() });
  protected readonly refused = signal<string | null>(null);

  protected end(id: number): void {
    this.api.endDevice(id).subscribe({
      next: (left) => this.devices.set(left),
      error: (error: unknown) => this.refused.set(toRefusal(error).detail),
    });
  }
}
