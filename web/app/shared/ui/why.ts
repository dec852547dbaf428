import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import type { Reason } from '@odontis/core/reason/reason';
import { Speech } from '../speech/speech';

const SLIP_PX = 352;

/** "Why?" beside a number: formula, this saw's values, source, and what changes otherwise. */
@Component({
  selector: 'od-why',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details #slip (toggle)="turned(slip)">
      <summary>
        <span class="visually-hidden">{{ reason().what }}: </span>why?
      </summary>
      @if (open()) {
        <div class="slip" [class.to-left]="toLeft()">
          <strong>{{ reason().what }}</strong>
          <p>{{ reason().formula }}</p>
          <table class="plain">
            @for (input of reason().inputs; track input.name) {
              <tr>
                <th scope="row">{{ input.name }}</th>
                <td class="figure">{{ speech.reasonInput(input) }}</td>
              </tr>
            }
          </table>
          @if (reason().otherwise) {
            <p>{{ reason().otherwise }}</p>
          }
          <p class="quiet">{{ reason().source }}</p>
        </div>
      }
    </details>
  `,
  styles: `
    :host {
      display: inline-block;
      position: relative;
    }
    summary {
      cursor: pointer;
      color: var(--ink);
      text-decoration: underline dotted;
      list-style: none;
      padding: 2px 4px;
    }
    .slip {
      position: absolute;
      z-index: 20;
      left: 0;
      width: 340px;
      padding: 10px 12px;
      background: var(--paper);
      border: 1px solid var(--ink);
      box-shadow: 0 6px 18px rgb(0 0 0 / 25%);
      font:
        400 14px/1.35 'IBM Plex Sans',
        sans-serif;
      white-space: normal;
    }
    .to-left {
      left: auto;
      right: 0;
    }
    @media (max-width: 760px) {
      .slip {
        position: fixed;
        inset: auto 12px 12px;
        width: auto;
        max-height: 70vh;
        overflow-y: auto;
      }
    }
  `,
})
export class Why {
  protected readonly speech = inject(Speech);
  readonly reason = input.required<Reason>();
  protected readonly toLeft = signal(false);

  /** What nobody has opened is not worked out: a page has dozens of them, and its handle moves every one. */
  protected readonly open = signal(false);

  /** The slip opens to the side that has room for it. */
  protected turned(details: HTMLDetailsElement): void {
    this.open.set(details.open);
    this.toLeft.set(details.getBoundingClientRect().left + SLIP_PX > document.documentElement.clientWidth);
  }
}
