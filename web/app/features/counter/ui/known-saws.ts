import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { AlikeSaw, KnownSaw } from '@odontis/contract/ticket';
import { sawInWords } from '@odontis/contract/saw-words';
import { Speech } from '../../../shared/speech/speech';

const AGREES: Record<string, string> = {
  owner: 'same owner',
  length: 'length',
  pitch: 'pitch',
  thickness: 'plate',
  depth: 'depth',
  marks: 'what is stamped on it',
  name: 'name',
};

/** Saws that were here before, each with what was done and said then; one is chosen by pressing it. */
@Component({
  selector: 'od-known-saws',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of saws(); track one.id) {
      <button
        type="button"
        [class.chosen]="one.id === chosen()"
        [attr.aria-pressed]="one.id === chosen()"
        [disabled]="one.inShop"
        (click)="picked.emit(one)"
      >
        <strong>{{ one.name }}, {{ words(one) }}</strong>
        @if (isAlike(one)) {
          <span>{{ one.customer }}{{ one.marksOnIt ? ' · ' + one.marksOnIt : '' }}; agrees in {{ agrees(one) }}</span>
        }
        <span class="quiet">{{ past(one) }}</span>
        @if (one.lastComplaint) {
          <span class="quiet">They said: {{ one.lastComplaint }}</span>
        }
        @if (one.lastNote) {
          <span class="quiet">We said: {{ one.lastNote }}</span>
        }
        @if (one.lastRefusal !== null) {
          <span class="stop-text">Declined then: {{ one.lastRefusal }}</span>
        }
      </button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin-bottom: 6px;
    }
    button {
      font: inherit;
      font-size: 14px;
      text-align: left;
      color: var(--text);
      background: var(--paper);
      border: 1px solid var(--rule);
      border-radius: 4px;
      padding: 6px 10px;
      max-width: 330px;
      cursor: pointer;
      display: grid;
      align-content: start;
    }
    .chosen {
      border-color: var(--ink);
      box-shadow: inset 0 0 0 2px var(--ink);
    }
    button:disabled {
      cursor: default;
      color: var(--text-quiet);
    }
  `,
})
export class KnownSaws {
  protected readonly speech = inject(Speech);
  readonly saws = input.required<readonly (KnownSaw | AlikeSaw)[]>();
  readonly chosen = input<number | null>(null);
  readonly picked = output<KnownSaw>();

  protected words = (saw: KnownSaw): string => sawInWords(saw, this.speech.speech());
  protected isAlike = (saw: KnownSaw | AlikeSaw): saw is AlikeSaw => 'share' in saw;
  protected agrees = (saw: AlikeSaw): string => saw.agrees.map((a) => AGREES[a] ?? a).join(', ');

  protected past(saw: KnownSaw): string {
    if (saw.inShop) return 'in the shop now';
    if (saw.visits === 0) return 'in the book, not worked here yet';
    if (saw.lastVisit === null) return '';
    const work =
      saw.lastWork === 'tune'
        ? `, tuned${saw.lastDepthMm ? `, ${this.speech.fine(saw.lastDepthMm)} off` : ''}`
        : saw.lastWork === 'sharpen'
          ? ', sharpened'
          : '';
    return `last ${this.speech.fullDay(saw.lastVisit)}${work}`;
  }
}
