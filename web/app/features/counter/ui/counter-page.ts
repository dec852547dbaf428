import { ChangeDetectionStrategy, Component, computed, ElementRef, inject } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { Because } from '@odontis/core/judgement/triage';
import { PhotographDesk } from '../../../shared/photographs/photograph-desk';
import { PlatePicture } from '../../../shared/plate/plate-picture';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { withoutPart, withPart } from '../../../shared/saw/draft-parts';
import { CounterDesk } from '../state/counter-desk';
import { KnownSaws } from './known-saws';
import { SawQuestions } from '../../../shared/saw/saw-questions';
import { SawShelves } from './saw-shelves';
import { SetParts } from '../../../shared/saw/set-parts';
import { TakenSlip } from './taken-slip';
import { VerdictSlip } from './verdict-slip';
import { WhoBrings } from './who-brings';
import { WorkAsks } from './work-asks';

/** The counter: customer, saw, condition, an honest verdict beside the questions, a price, a day, a ticket and its tag. */
@Component({
  selector: 'od-counter-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButtonToggleModule,
    KnownSaws,
    PhotographDesk,
    PlatePicture,
    SawQuestions,
    SawShelves,
    SetParts,
    TakenSlip,
    VerdictSlip,
    WhoBrings,
    WorkAsks,
  ],
  providers: [CounterDesk],
  templateUrl: './counter-page.html',
  styleUrls: ['./asks.scss', './counter-page.scss'],
})
export class CounterPage {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly desk = inject(CounterDesk);
  protected readonly speech = inject(Speech);
  protected readonly draft = this.desk.draft;
  constructor() {
    inject(Keys).here.set([
      { keys: 'Tab', does: 'from question to question' },
      { keys: 'arrows, Delete', does: 'move or remove a mark on the plate' },
    ]);
  }

  protected readonly drawn = computed(() => this.desk.drawn());
  protected readonly straight = computed(() => ['hand', 'back'].includes(this.draft().family));
  protected readonly carbide = this.desk.carbide;
  protected readonly unit = computed(() => (this.speech.unit() === 'thou' ? ('inch' as const) : ('mm' as const)));
  protected readonly filesOf = computed(() => {
    const saw = this.desk.saw();
    // A line of cutters and rakers is not converted; a band and a blade stay as they were made.
    const other =
      saw && (this.straight() || saw.family === 'pull' || (saw.family === 'crosscut' && saw.pattern === 'C'));
    return other && (saw.filing === 'rip' || saw.filing === 'crosscut') ? saw.filing : null;
  });
  protected readonly photographs = computed(() =>
    this.desk.photographs.all().map(({ id, caption, jpeg }) => ({ id, caption, url: URL.createObjectURL(jpeg) })),
  );
  /** Every fault of the parts table, and of the set as a whole. */
  protected readonly partFaults = computed(() =>
    [...this.desk.sawFaults()].filter(([field]) => field.startsWith('parts')).map(([, sentence]) => sentence),
  );

  protected wrong = (path: string): string => this.desk.complaints().get(path) ?? '';

  /** A reason's own question, brought into sight and into focus. */
  protected goTo(question: Because): void {
    const heading = this.host.nativeElement.querySelector<HTMLElement>(`#asked-${question}`);
    heading?.scrollIntoView({ block: 'start' });
    heading?.focus({ preventScroll: true });
  }

  protected addPart(): void {
    this.desk.set(withPart(this.draft()));
  }

  protected dropPart(index: number): void {
    this.desk.set(withoutPart(this.draft(), index));
  }
}
