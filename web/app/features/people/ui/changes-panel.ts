import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Change } from '@odontis/contract/changes';
import { DateTime } from 'luxon';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { CHANGE_WORDS } from '../../../shared/words/change-words';
import { sidesOf } from '../data/sides-of';

/** Who changed what, the newest first: nothing of it can be altered or taken out. */
@Component({
  selector: 'od-changes-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Notice],
  template: `
    <h2>Who changed what</h2>
    @if (refused(); as text) {
      <od-notice weight="stop">{{ text }}</od-notice>
    }
    @if (lines().length > 0) {
      <table class="plain">
        <tr>
          <th scope="col">When</th>
          <th scope="col">Who</th>
          <th scope="col">What</th>
        </tr>
        @for (one of lines(); track one.id) {
          <tr>
            <td>{{ speech.fullDay(one.at) }} {{ clock(one.at) }}</td>
            <td>
              {{ one.by ?? 'nobody' }}<br /><span class="quiet">{{ one.device }}</span>
            </td>
            <td>
              {{ words[one.kind] }}, {{ one.about }}
              @for (side of sidesOf(one); track $index) {
                <br /><span class="quiet">{{ side }}</span>
              }
            </td>
          </tr>
        }
      </table>
      @if (more()) {
        <button matButton="outlined" type="button" (click)="read()">Earlier ones</button>
      }
    } @else if (isRead()) {
      <p class="quiet">Nothing yet.</p>
    }
  `,
  styles: `
    h2 {
      margin: 22px 0 8px;
    }
    td {
      vertical-align: top;
      overflow-wrap: anywhere;
    }
  `,
})
export class ChangesPanel {
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  protected readonly words = CHANGE_WORDS;
  protected readonly sidesOf = sidesOf;
  protected readonly clock = (at: string): string => DateTime.fromISO(at).toFormat('HH:mm');
  protected readonly lines = signal<readonly Change[]>([]);
  protected readonly more = signal(false);
  protected readonly isRead = signal(false);
  protected readonly refused = signal<string | null>(null);

  constructor() {
    this.read();
  }

  protected read(): void {
    this.api.changes(this.lines().at(-1)?.id).subscribe({
      next: ({ changes, more }) => {
        this.lines.update((lines) => [...lines, ...changes]);
        this.more.set(more);
        this.isRead.set(true);
      },
      error: (error: unknown) => this.refused.set(toRefusal(error).detail),
    });
  }
}
