import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { DomSanitizer } from '@angular/platform-browser';
import type { SafeUrl } from '@angular/platform-browser';
import { RouterLink } from '@angular/router';
import type { LabelPrinter, OutboxMessage } from '@odontis/contract/notes';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { NOTE_STATES } from '../../../shared/words/stage-words';
import { Speech } from '../../../shared/speech/speech';
import { doorFeature } from '../../../shared/state/door.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { CopiesPanel } from './copies-panel';
import { MachinePanel } from './machine-panel';

const EMPTY: LabelPrinter = { labelsLeft: 0, printed: [] };
const KINDS = { ready: 'Ready', question: 'Question', refusal: 'Refusal', price: 'New price' } as const;

/** What stands behind the counter: the shop's copies, and the label printer's tray and the outbox, both stand-ins that show what would happen. */
@Component({
  selector: 'od-backroom-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, RouterLink, Notice, CopiesPanel, MachinePanel],
  template: `
    <main>
      <h1>Back room</h1>
      <p class="quiet">
        Outbox and label printer are stand-ins: nothing leaves this machine. They show what a real carrier and a real
        printer would do.
      </p>
      @if (refused(); as no) {
        <od-notice weight="stop">{{ no }}</od-notice>
      }
      <section aria-label="Outbox">
        <h2>Outbox</h2>
        @if (outbox.hasValue()) {
          @if (outbox.value().length === 0) {
            <p>No note has been written. Notes are written from a ticket’s counter slip.</p>
          } @else {
            <button matButton="outlined" (click)="carry()" [disabled]="waiting() === 0">
              Hand {{ waiting() }} to the carrier
            </button>
          }
          @for (one of outbox.value(); track one.id) {
            <article>
              <strong>{{ kinds[one.kind] }}</strong> to {{ one.customer }}, {{ one.sentTo }} ·
              <a [routerLink]="['/ticket', one.ticketId]">no. {{ one.number }}</a> ·
              <span class="quiet">{{ one.by }}, {{ speech.fullDay(one.at) }} · {{ stateWords[one.state] }}</span>
              <p>{{ one.body }}</p>
            </article>
          }
        } @else {
          <p class="quiet" role="status">Looking into the outbox …</p>
        }
      </section>
      @if (asOwner()) {
        <section aria-label="Copies"><od-copies-panel /></section>
        <section aria-label="The shop’s computer"><od-machine-panel /></section>
      }
      <section aria-label="Label printer">
        <h2>Label printer</h2>
        @if (printer.hasValue()) {
          <p>
            {{ printer.value().labelsLeft }} labels left on the roll.
            <button matButton="outlined" (click)="load()">Load a new roll</button>
          </p>
          @if (printer.value().printed.length === 0) {
            <p>Nothing has been printed yet. Labels are printed when a saw is taken in.</p>
          }
          <div class="tray">
            @for (one of printer.value().printed; track one.id) {
              <figure>
                <img [src]="picture(one.drawing)" [alt]="'Label of ticket ' + one.number" />
                <figcaption class="quiet">{{ one.by }}, {{ speech.fullDay(one.at) }}</figcaption>
              </figure>
            }
          </div>
        } @else {
          <p class="quiet" role="status">Asking the printer …</p>
        }
      </section>
    </main>
  `,
  styles: `
    main {
      padding: 14px 20px 40px;
    }
    main {
      display: grid;
      grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
      gap: 0 32px;
      align-items: start;
    }
    h1,
    main > p,
    od-notice {
      grid-column: 1 / -1;
    }
    section {
      border-top: 1px solid var(--rule);
      margin-top: 12px;
      padding-top: 10px;
    }
    /* Notes are many: what stands beside them is three things, one under the other. */
    section:first-of-type {
      grid-row: span 3;
    }
    @media (max-width: 900px) {
      main {
        grid-template-columns: 1fr;
      }
      section:first-of-type {
        grid-row: auto;
        order: 1;
      }
    }
    article {
      border-left: 4px solid var(--steel);
      padding: 4px 10px;
      margin: 8px 0;
      max-width: 90ch;
    }
    .tray {
      display: flex;
      flex-wrap: wrap;
      gap: 14px;
    }
    figure {
      margin: 0;
    }
    img {
      border: 1px solid var(--rule);
      border-radius: 4px;
    }
  `,
})
export class BackroomPage {
  private readonly api = inject(ShopApi);
  private readonly trust = inject(DomSanitizer);
  protected readonly speech = inject(Speech);
  protected readonly asOwner = inject(Store).selectSignal(doorFeature.selectIsOwner);
  protected readonly kinds = KINDS;
  protected readonly stateWords = NOTE_STATES;
  protected readonly refused = signal<string | null>(null);
  protected readonly outbox = rxResource({ stream: () => this.api.outbox(), defaultValue: [] as OutboxMessage[] });
  protected readonly printer = rxResource({ stream: () => this.api.labelPrinter(), defaultValue: EMPTY });

  constructor() {
    inject(Keys).here.set([]);
  }

  protected waiting = (): number => this.outbox.value().filter((one) => one.state === 'waiting').length;

  /** As an image it cannot run anything, whatever was typed into it. */
  protected picture(drawing: string): SafeUrl {
    return this.trust.bypassSecurityTrustUrl(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawing)}`);
  }

  protected carry(): void {
    this.take(this.api.carryOutbox(), (all) => this.outbox.set(all));
  }

  protected load(): void {
    this.take(this.api.loadRoll(), (printer) => this.printer.set(printer));
  }

  private take<T>(call: Observable<T>, done: (answer: T) => void): void {
    this.refused.set(null);
    call.subscribe({ next: done, error: (error: unknown) => this.refused.set(toRefusal(error).detail) });
  }
}
