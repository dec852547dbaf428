import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { workFactsOf } from '@odontis/contract/work-facts';
import { handOf } from '@odontis/core/calibration/hand';
import { workOf } from '@odontis/core/work/families';
import type { Step } from '@odontis/core/work/step';
import { teethOf } from '@odontis/core/saw/saw';
import { jobDone } from '@odontis/contract/ticket';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { PlatePicture } from '../../../shared/plate/plate-picture';
import { Speech } from '../../../shared/speech/speech';
import { selectRequest, ticketFeature, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { stepTitle } from '../../../shared/words/step-words';

/** A saw worked by hand: how it came in, and what was done written down when it is finished. */
@Component({
  selector: 'od-job-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, PlatePicture, Notice],
  template: `
    @if (dossier(); as d) {
      <div class="job">
        <section>
          <h2>As it came in</h2>
          <od-plate-picture [saw]="d.saw" [marks]="d.ticket.marks" [unit]="unit()" [editable]="false" />
          @for (reason of d.ticket.reasons; track $index) {
            <p>{{ reason.part ? reason.part + ': ' : '' }}{{ reason.says }}</p>
          }
          @for (text of cautions(); track text) {
            <p class="caution">{{ text }}</p>
          }
          @if (working() && order(); as o) {
            <h2>To be done, by hand</h2>
            <ol>
              @for (step of o.steps; track $index) {
                <li>
                  {{ title(step) }} <span class="quiet">about {{ speech.minutes(step.minutes) }}</span>
                </li>
              }
            </ol>
          }
        </section>
        <section>
          <h2>{{ working() ? 'At the bench' : 'Done at the bench' }}</h2>
          <table class="plain">
            <tr>
              <th scope="row">Teeth</th>
              <td>{{ teeth() }}</td>
            </tr>
            <tr>
              <th scope="row">Plate</th>
              <td>{{ speech.plate(d.saw.plateThicknessMm) }}</td>
            </tr>
            @if (d.ticket.minutesHigh !== null) {
              <tr>
                <th scope="row">Reckoned</th>
                <td>{{ speech.minutes(d.ticket.minutesLow ?? 0) }} to {{ speech.minutes(d.ticket.minutesHigh) }}</td>
              </tr>
            }
          </table>
          @if (working()) {
            <form (submit)="$event.preventDefault(); finish(d.ticket.version)">
              <mat-form-field class="wide">
                <mat-label>What was done</mat-label>
                <textarea matInput rows="4" #words [value]="work()" (input)="work.set(words.value)"></textarea>
              </mat-form-field>
              <mat-form-field>
                <mat-label>Minutes it took</mat-label>
                <input matInput inputmode="numeric" #time [value]="minutes()" (input)="minutes.set(time.value)" />
              </mat-form-field>
              @if (fault() || refusal()?.detail; as no) {
                <od-notice weight="stop">{{ no }}</od-notice>
              }
              <button matButton="filled" type="submit" [disabled]="busy()">Finished: ready to hand over</button>
            </form>
            <p class="quiet">
              Saws of this family are worked by hand and eye here: write down what was done, so that the next visit
              knows.
            </p>
          } @else {
            <p>{{ d.ticket.workDone || 'Nothing was done on it.' }}</p>
          }
        </section>
      </div>
    }
  `,
  styles: `
    .job {
      display: grid;
      grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
      gap: 26px;
      padding: 14px 18px;
    }
    .wide {
      width: 100%;
    }
    button {
      min-height: 48px;
    }
    form {
      display: grid;
      gap: 6px;
      justify-items: start;
      margin: 10px 0;
    }
    .caution {
      border-left: 4px solid var(--lead);
      padding-left: 8px;
    }
    @media (max-width: 900px) {
      .job {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class JobPage {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  protected readonly speech = inject(Speech);
  protected readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly request = this.store.selectSignal(selectRequest('job'));
  protected readonly refusal = computed(() => this.request().refusal);
  protected readonly busy = computed(() => this.request().busy);
  protected readonly unit = computed(() => (this.speech.unit() === 'thou' ? ('inch' as const) : ('mm' as const)));
  protected readonly teeth = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? teethOf(saw) : 0;
  });
  /** What is to be done, as its family answers it: steps by hand. */
  protected readonly order = computed(() => {
    const [dossier, book] = [this.dossier(), this.speech.book()];
    const work = dossier && workOf(dossier.saw.family);
    if (!dossier || !book || !work || work.way !== 'by-hand') return null;
    return work.order(workFactsOf(dossier, book, handOf([])));
  });
  protected readonly cautions = computed(() => [
    ...new Set(this.order()?.steps.flatMap((step) => step.cautions) ?? []),
  ]);
  protected readonly title = (step: Step): string => stepTitle(step, this.speech);
  protected readonly working = computed(() => this.dossier()?.ticket.stage === 'measure');
  private readonly id = computed(() => this.dossier()?.ticket.id ?? 0);
  protected readonly work = linkedSignal<number, string>({ source: this.id, computation: () => '' });
  protected readonly minutes = linkedSignal<number, string>({ source: this.id, computation: () => '' });
  protected readonly fault = signal('');
  private leaving = false;

  constructor() {
    inject(Keys).here.set([]);
    inject(SawSheet).drawing.set(null);
    effect(() => {
      const dossier = this.dossier();
      if (!this.leaving || dossier?.ticket.stage !== 'handover') return;
      this.leaving = false;
      void this.router.navigate(['/ticket', dossier.ticket.id, 'handover']);
    });
  }

  protected finish(version: number): void {
    const read = jobDone.safeParse({
      version,
      workDone: this.work(),
      minutes: Number(this.minutes().replace(',', '.') || NaN),
    });
    this.fault.set(read.success ? '' : (read.error.issues[0]?.message ?? ''));
    if (!read.success) return;
    this.leaving = true;
    this.store.dispatch(TicketPageEvents.jobFinished({ id: this.id(), job: read.data }));
  }
}
