import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { LITTLE_ROOM_BYTES } from '@odontis/contract/machine';
import { ShopApi } from '../../../shared/api/shop-api';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';

const BYTES_A_GB = 1e9;

/** The shop's computer: what runs on it since when, the room it has, and what it takes longest for. */
@Component({
  selector: 'od-machine-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice],
  template: `
    <h2>The shop’s computer</h2>
    @if (machine.hasValue()) {
      @let one = machine.value();
      <p>
        Odontis {{ one.version }} on Node {{ one.node }}, open since {{ speech.fullDay(one.startedAt) }}.
        {{ size(one.databaseBytes) }} of records{{
          one.disk ? ', ' + size(one.disk.freeBytes) + ' free of ' + size(one.disk.totalBytes) : ''
        }}.
      </p>
      @if (littleRoom()) {
        <od-notice weight="stop"
          >The disk is nearly full: make room, or copies and photographs will not be kept.</od-notice
        >
      }
      @if (one.slowest.length > 0) {
        <table class="plain">
          <tr>
            <th scope="col">Slowest</th>
            <th scope="col">Mean</th>
            <th scope="col">19 of 20 under</th>
            <th scope="col">Times</th>
          </tr>
          @for (route of one.slowest; track route.route) {
            <tr>
              <td>{{ route.route }}</td>
              <td>{{ route.meanMs.toFixed(0) }} ms</td>
              <td>{{ route.mostMs === null ? 'over 10 s' : route.mostMs.toFixed(0) + ' ms' }}</td>
              <td>{{ route.calls }}</td>
            </tr>
          }
        </table>
      }
    } @else {
      <p class="quiet" role="status">Asking the computer …</p>
    }
  `,
  styles: `
    td:first-child {
      overflow-wrap: anywhere;
    }
  `,
})
export class MachinePanel {
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  protected readonly machine = rxResource({ stream: () => this.api.machine() });
  protected readonly littleRoom = computed(() => {
    const disk = this.machine.hasValue() ? this.machine.value().disk : null;
    return disk !== null && disk.freeBytes < LITTLE_ROOM_BYTES;
  });

  protected size = (bytes: number): string =>
    bytes >= BYTES_A_GB ? `${(bytes / BYTES_A_GB).toFixed(1)} GB` : `${(bytes / 1e6).toFixed(0)} MB`;
}
