import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';

export interface Difference {
  readonly what: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Somebody else was faster: both versions side by side, nothing lost until one is chosen. */
@Component({
  selector: 'od-conflict',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `
    <section role="alert" aria-label="Changed by somebody else">
      <h2>Somebody else changed this meanwhile</h2>
      <table class="plain">
        <tr>
          <th scope="col">What</th>
          <th scope="col">Yours</th>
          <th scope="col">Theirs</th>
        </tr>
        @for (row of shown(); track row.what) {
          <tr>
            <th scope="row">{{ row.what }}</th>
            <td>{{ row.mine }}</td>
            <td>{{ row.theirs }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="3">Both are the same now.</td>
          </tr>
        }
      </table>
      @if (differences().length > 12) {
        <p class="quiet">and {{ differences().length - 12 }} more</p>
      }
      <button matButton="filled" (click)="keepMine.emit()">Keep yours</button>
      <button matButton="outlined" (click)="takeTheirs.emit()">Take theirs</button>
    </section>
  `,
  styles: `
    section {
      border: 2px solid var(--brass);
      background: var(--brass-wash);
      padding: 12px 16px;
    }
    button {
      margin: 8px 8px 0 0;
    }
  `,
})
export class Conflict {
  readonly differences = input.required<readonly Difference[]>();
  readonly keepMine = output();
  readonly takeTheirs = output();
  protected shown(): readonly Difference[] {
    return this.differences().slice(0, 12);
  }
}
