import type { OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { MOMENT_SAYS, stepTitle } from '@odontis/contract/step-words';
import { endsOfKind } from '@odontis/core/saw/ends';
import { momentsBefore } from '@odontis/core/work/moments';
import type { Step } from '@odontis/core/work/step';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { Speech } from '../../../shared/speech/speech';
import { TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys, typing } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { benchDrawing } from '../data/bench-drawing';
import { howSays, minutesLeft } from '../data/bench-place';
import { BenchQueue } from '../data/bench-queue';
import type { Standing } from '../data/standing';
import type { StopInHand } from '../data/stop-facts';
import { BenchWalk } from '../state/bench-walk';
import { CornerKeeper } from '../state/corner-keeper';
import { DialKeeper } from '../state/dial-keeper';
import { PlaceKeeper } from '../state/place-keeper';
import { RoundKeeper } from '../state/round-keeper';
import { BenchSteps } from './bench-steps';
import { BenchSays } from './bench-says';
import { BenchTurns } from './bench-turns';
import { BenchTogether } from './bench-together';
import { BenchViews } from './bench-views';
import { CardBoxes } from './card-boxes';
import { CornerSign } from './corner-sign';
import { DialAgain } from './dial-again';
import { PlaceWays } from './place-ways';
import { StopTold } from './stop-told';
import { ToolTrial } from './tool-trial';

const NEXT_KEYS = new Set([' ', 'Enter', 'PageDown', 'ArrowRight']);
const BACK_KEYS = new Set(['Backspace', 'PageUp', 'ArrowLeft']);
/** What a key belongs to, where it has the focus. */
const CONTROLS = 'a, button, input, summary, [role=slider], [role=combobox], select';

/** So often one of two at a saw looks what the other did. */
const LOOKED_EACH_MS = 4000;

/** At the vise: where am I, what is the next stroke, what number am I aiming for. */
@Component({
  selector: 'od-bench-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[MatButton, RouterLink, Notice],
    ...[
      BenchSteps,
      BenchTurns,
      BenchSays,
      BenchTogether,
      BenchViews,
      CardBoxes,
      CornerSign,
      DialAgain,
      PlaceWays,
      StopTold,
      ToolTrial,
    ],
  ],
  providers: [BenchQueue, BenchWalk, EvidenceDesk, CornerKeeper, DialKeeper, PlaceKeeper, RoundKeeper],
  templateUrl: './bench-page.html',
  styleUrl: './bench-page.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class BenchPage implements OnDestroy {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly queue = inject(BenchQueue);
  protected readonly walk = inject(BenchWalk);
  protected readonly keeper = inject(PlaceKeeper);
  protected readonly round = inject(RoundKeeper);
  protected readonly dial = inject(DialKeeper);
  private readonly corner = inject(CornerKeeper);

  /** The stop in hand with its step; null when all is done. */
  protected readonly inHand = computed((): StopInHand | null => {
    const [order, step, stop] = [this.walk.order(), this.walk.step(), this.walk.stop()];
    return order && step && stop && { order, step, stop };
  });
  /** Where it stands, with the corner of the file in hand, which follows from it. */
  private readonly standing = computed<Standing | null>(() => {
    const stands = this.walk.stands();
    return stands && { ...stands, corner: this.corner.inHand() };
  });
  /** How the stops came to be done, where not each was pressed at its own. */
  protected readonly howKept = computed(() => howSays(this.walk.accepted()?.how ?? {}));
  protected readonly moments = computed(() =>
    momentsBefore(this.walk.steps(), this.walk.walk(), this.walk.place(), this.corner.inHand()),
  );
  protected readonly momentSays = MOMENT_SAYS;
  protected readonly unsentSays = computed(() => {
    const { length } = this.queue.unsent();
    return length === 1 ? '1 step is' : `${length} steps are`;
  });
  protected readonly left = computed(() => minutesLeft(this.walk.steps(), this.walk.walk(), this.walk.done()));
  protected readonly ends = computed(() => {
    const pull = this.walk.dossier()?.saw.family === 'pull';
    return endsOfKind(pull ? 'pull' : this.walk.order()?.inputs?.cutters?.kind);
  });
  protected readonly title = (step: Step): string => stepTitle(step, this.speech, this.ends());

  /** What the key for next does here. */
  protected readonly nextSays = computed(() => {
    if (this.round.next()) return 'Take it up';
    const { listening, next, pacedS, way, gullets } = this.keeper;
    if (listening() === 'learning')
      return `These ${gullets() === null ? next().length : this.keeper.taught()} are done`;
    if (listening() === 'question') return 'It is done: next';
    if (listening() === 'between') return this.keeper.strokesHere() ? 'Go on listening' : 'Done: next';
    if (pacedS() !== null) return 'Stop here';
    if (way() === 'pace') return 'Go, at my pace';
    return next().length > 1 ? `These ${next().length} are done` : 'Done: next';
  });
  protected readonly backSays = computed(() =>
    this.keeper.listening() === 'question' ? 'Not yet: count anew' : 'Back one',
  );

  constructor() {
    this.keeper.follow(this.standing);
    this.corner.follow(this.walk.stands);
    this.round.follow(this.walk.stands);
    inject(Keys).here.set([
      { keys: 'Space, Enter, Page down', does: 'done: next' },
      { keys: 'Backspace, Page up', does: 'back one' },
    ]);
    this.sheet.handle.set(null);
    // Of two people at one saw each sees what the other did.
    effect((ended) => {
      if (this.walk.side() === null) return;
      const timer = setInterval(() => void this.queue.look(), LOOKED_EACH_MS);
      ended(() => clearInterval(timer));
    });
    effect(() => {
      this.walk.ticketId();
      untracked(() => {
        this.walk.standOn(null);
        this.walk.recallFrom();
      });
    });
    effect(() => {
      // Only another ticket or plan opens the queue anew: presses on their way must not be read over.
      const [id, planId] = [this.walk.ticketId(), this.walk.planId()];
      if (id !== null && planId !== null) untracked(() => this.openQueue(id, planId));
    });
    effect(() => this.draw());
    // A tooth pressed on the drawing is gone to; what was pressed on another page is not.
    this.sheet.picked.set(null);
    effect(() => {
      const tooth = this.sheet.picked();
      if (tooth === null) return;
      untracked(() => {
        this.sheet.picked.set(null);
        this.goToTooth(tooth);
      });
    });
  }

  /** The stop that is still to do and nearest to a tooth: of the step in hand, or of the next that goes tooth by tooth. */
  private goToTooth(tooth: number): void {
    const { walk, done, stepIndex } = this.walk;
    const far = ({ at, to = at }: { at: number; to?: number | undefined }): number =>
      Math.max(at - tooth, tooth - to, 0);
    const open = walk().filter((stop) => stop.at > 0 && !done().has(stop.index));
    const step = open.find((stop) => stop.step >= stepIndex())?.step;
    const own = open.filter((stop) => stop.step === step);
    const there = own.reduce<(typeof own)[number] | undefined>(
      (best, stop) => (best && far(best) <= far(stop) ? best : stop),
      undefined,
    );
    if (there) this.walk.goFrom(there.index);
  }

  ngOnDestroy(): void {
    this.queue.close();
  }

  private openQueue(id: number, planId: number): void {
    void this.queue.open(id, planId, (state) => this.store.dispatch(TicketPageEvents.benchCaughtUp({ id, state })));
  }

  private draw(): void {
    const [dossier, accepted] = [this.walk.dossier(), this.walk.accepted()];
    if (!dossier || !accepted) return;
    const { walk, done, stepIndex, step, stop } = this.walk;
    const at = { walk: walk(), done: done(), stepIndex: stepIndex(), step: step(), stop: stop() };
    const drawing = benchDrawing(dossier, accepted, at, this.speech.fine);
    if (!drawing) return;
    this.sheet.drawing.set(drawing);
    const tooth = drawing.current?.at ?? 0;
    if (tooth > 0) untracked(() => this.sheet.show(tooth));
  }

  /** The first stop of a step that is still to do. */
  protected goTo(step: number): void {
    const { walk, done } = this.walk;
    const first = walk().find((stop) => stop.step === step && !done().has(stop.index));
    if (first) this.walk.goFrom(first.index);
  }

  protected next(): void {
    const other = this.round.next();
    if (other) void this.router.navigate(['/ticket', other.id, 'bench']);
    else if (!this.walk.held() && !this.dial.asks()) this.keeper.done();
  }

  protected key(event: KeyboardEvent): void {
    const within = (selector: string): boolean => !!(event.target as HTMLElement | null)?.closest?.(selector);
    // Arrows walk through a choice.
    if (event.key.startsWith('Arrow') && within('mat-button-toggle-group')) return;
    if (typing(event) || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
    if (NEXT_KEYS.has(event.key) && !((event.key === 'Enter' || event.key === ' ') && within(CONTROLS))) this.next();
    else if (BACK_KEYS.has(event.key)) this.keeper.back();
    else return;
    event.preventDefault();
  }

  /** A band has another number of teeth than was counted: its pitch follows, and the order says that it stands on the old. */
  protected countRight(teeth: number): void {
    const dossier = this.walk.dossier();
    if (dossier?.saw.family !== 'band') return;
    const { id: _id, ...told } = dossier.saw;
    const saw = { ...told, pitchMm: told.toothLineMm / teeth };
    const { id, version } = dossier.ticket;
    const why = 'counted at the vise by its markers';
    this.store.dispatch(TicketPageEvents.sawPutRight({ id, correction: { version, saw, why } }));
  }

  protected reload(): void {
    const id = this.walk.ticketId();
    if (id !== null) this.store.dispatch(TicketPageEvents.opened({ id }));
    this.queue.refusal.set(null);
  }
}
