import type { OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, effect, inject, linkedSignal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { holdForTooth } from '@odontis/core/file/hold-for-tooth';
import { LEAST_SEEN_FLAT_MM } from '@odontis/core/line/flats';
import { endsOfKind } from '@odontis/core/saw/ends';
import { isLineOrder } from '@odontis/core/work/order';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import { momentsBefore } from '@odontis/core/work/moments';
import { baseDrawing } from '../../../sawpage/build-drawing';
import { roundDrawing } from '../../../sawpage/round-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Speech } from '../../../shared/speech/speech';
import { TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys, typing } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { HEAVIER_SAYS, HEAVIER_SIDE_SAYS, MOMENT_SAYS, stepSays, stepTitle } from '@odontis/contract/step-words';
import { howSays, minutesLeft, workOf } from '../data/bench-place';
import { BenchQueue } from '../data/bench-queue';
import type { Standing } from '../data/standing';
import { BenchWalk } from '../state/bench-walk';
import { CornerKeeper } from '../state/corner-keeper';
import { PlaceKeeper } from '../state/place-keeper';
import { RoundKeeper } from '../state/round-keeper';
import { BenchTogether } from './bench-together';
import { BenchViews } from './bench-views';
import { CardBoxes } from './card-boxes';
import { CornerSign } from './corner-sign';
import { EarSign } from './ear-sign';
import { PlaceWays } from './place-ways';
import type { Further } from '@odontis/core/circular/further-strokes';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import type { DialStop } from './dial-again';
import { DialAgain } from './dial-again';
import { ToolTrial } from './tool-trial';

const NEXT_KEYS = new Set([' ', 'Enter', 'PageDown', 'ArrowRight']);
const BACK_KEYS = new Set(['Backspace', 'PageUp', 'ArrowLeft']);

/** So often one of two at a saw looks what the other did. */
const LOOKED_EACH_MS = 4000;

/** A file of ordinary length, to say by how much its handle lies aside. */
const FILE_MM = 150;

const manyOf = (place: string): string => (place === 'Tooth' ? 'Teeth' : `${place}s`);

/** At the vise: where am I, what is the next stroke, what number am I aiming for. */
@Component({
  selector: 'od-bench-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    RouterLink,
    Notice,
    ToolTrial,
    DialAgain,
    BenchTogether,
    BenchViews,
    CardBoxes,
    CornerSign,
    EarSign,
    PlaceWays,
  ],
  providers: [BenchQueue, BenchWalk, EvidenceDesk, CornerKeeper, PlaceKeeper, RoundKeeper],
  templateUrl: './bench-page.html',
  styleUrl: './bench-page.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class BenchPage implements OnDestroy {
  private readonly store = inject(Store);
  private readonly sheet = inject(SawSheet);
  protected readonly queue = inject(BenchQueue);
  protected readonly keeper = inject(PlaceKeeper);
  private readonly corner = inject(CornerKeeper);
  protected readonly round = inject(RoundKeeper);
  private readonly router = inject(Router);
  protected readonly speech = inject(Speech);
  private readonly bench = inject(BenchWalk);
  protected readonly dossier = this.bench.dossier;
  protected readonly accepted = this.bench.accepted;
  protected readonly steps = this.bench.steps;
  protected readonly walk = this.bench.walk;
  protected readonly planned = this.bench.planned;
  protected readonly done = this.bench.done;
  protected readonly side = this.bench.side;
  protected readonly waits = this.bench.waits;
  protected readonly place = this.bench.place;
  protected readonly stop = this.bench.stop;
  protected readonly stepIndex = this.bench.stepIndex;
  protected readonly step = this.bench.step;
  protected readonly atBench = this.bench.atBench;
  protected readonly fileMm = FILE_MM;
  /** How the file is held for the teeth of this step; null where none is filed. */
  protected readonly hold = computed(() => {
    const [step, angles] = [this.step(), this.accepted()?.order.inputs?.angles];
    if (step?.unit !== 'gullet' || !angles) return null;
    const rakeDeg = step.stretch?.rakeDeg ?? angles.rakeDeg;
    return holdForTooth({ rakeDeg, fleamDeg: angles.fleamDeg, slopeDeg: 0, section: 'taper' }, 1, FILE_MM);
  });
  /** Where it stands, with the corner of the file in hand, which follows from it. */
  private readonly standing = computed<Standing | null>(() => {
    const stands = this.bench.stands();
    return stands && { ...stands, corner: this.corner.inHand() };
  });
  /** How the stops came to be done, where not each was pressed at its own. */
  protected readonly howKept = computed(() => howSays(this.accepted()?.how ?? {}));
  /** Strokes of the stops that one press marks, where they are not alike. */
  protected readonly unlike = computed(() => {
    const next = this.keeper.next();
    return next.some((stop) => stop.strokes !== next[0]?.strokes) ? next : null;
  });
  protected readonly moments = computed(() =>
    momentsBefore(this.steps(), this.walk(), this.place(), this.corner.inHand()),
  );
  protected readonly momentSays = MOMENT_SAYS;
  protected readonly left = computed(() => minutesLeft(this.steps(), this.walk(), this.done()));
  protected readonly inStep = computed(() => {
    const all = this.walk().filter((s) => s.step === this.stepIndex());
    return { done: all.filter((s) => this.done().has(s.index)).length, all: all.length };
  });
  private readonly cutters = computed(() => this.accepted()?.order.inputs?.cutters ?? null);
  protected readonly pointed = computed(() => this.cutters() !== null);
  protected readonly ends = computed(() => {
    const saw = this.dossier()?.saw;
    return endsOfKind(saw?.family === 'pull' ? 'pull' : this.cutters()?.kind);
  });
  /** The board under a pull saw, turned by its fleam. */
  protected readonly boardDeg = computed(() => {
    const [order, step] = [this.accepted()?.order, this.step()];
    if (step?.kind !== 'edge' || !order?.inputs) return null;
    const { beside } = order;
    const own = beside && step.line === beside.inputs.saw.filing ? beside.inputs : order.inputs;
    return own.angles.fleamDeg;
  });
  /** The gauge or depth of the place in hand, and the flat the eye goes by: figures for two metres. */
  protected readonly aim = computed(() => {
    const [step, stop] = [this.step(), this.stop()];
    if (!step || !stop) return null;
    if (step.kind === 'round-rakers' && step.targetMm !== null)
      return `${this.speech.fine(step.targetMm)} under the scorers`;
    if (step.kind === 'chipper' && step.targetMm !== null) return `to ${this.speech.fine(step.targetMm)} on the dial`;
    if (!this.pointed()) return null;
    if (step.kind === 'raker-gullets')
      return stop.targetMm === undefined ? 'by its width' : `${this.speech.plate(stop.targetMm)} deep`;
    const gauged = step.unit === 'raker' && step.targetMm !== null;
    return gauged && step.targetMm !== null ? `gauge at ${this.speech.fine(step.targetMm)}` : null;
  });
  protected readonly flat = computed(() => {
    const mm = this.stop()?.flatMm;
    return mm === undefined || mm < LEAST_SEEN_FLAT_MM ? null : this.speech.fine(mm);
  });
  /** At either end of the line a raker hardly cuts. */
  protected readonly atEnd = computed(
    () =>
      this.step()?.unit === 'raker' &&
      (this.accepted()?.order.forecast?.rakers?.endRakers.includes(this.stop()?.at ?? 0) ?? false),
  );
  /** A chipper's tooth that loses metal here: the dial is read between its strokes. */
  protected readonly dial = computed<DialStop | null>(
    () => {
      const [step, stop, round] = [this.step(), this.stop(), this.accepted()?.order.round];
      if (step?.kind !== 'chipper' || !step.part || !stop || stop.strokes === 0 || round?.family !== 'dado')
        return null;
      if (step.targetMm === null) return null;
      const read = round.inputs.heights[stop.part ?? -1]?.find((one) => one.tooth === stop.at);
      return {
        ...{ part: step.part, tooth: stop.at, strokes: stop.strokes, tool: step.tool },
        ...{ beforeMm: read?.offMm ?? null, aimMm: step.targetMm },
      };
    },
    { equal: (a, b) => a?.part === b?.part && a?.tooth === b?.tooth },
  );
  /** What the dial said here since; asked for once before the tooth counts as done. */
  protected readonly further = linkedSignal<DialStop | null, Further | null>({
    source: this.dial,
    computation: () => null,
  });
  protected readonly asked = linkedSignal<DialStop | null, string | null>({
    source: this.dial,
    computation: () => null,
  });
  protected readonly heavier = HEAVIER_SAYS;
  protected readonly sides = HEAVIER_SIDE_SAYS;

  constructor() {
    this.keeper.follow(this.standing);
    this.corner.follow(this.bench.stands);
    this.round.follow(this.bench.stands);
    // Of two people at one saw each sees what the other did.
    effect((ended) => {
      if (this.side() === null) return;
      const timer = setInterval(() => void this.queue.look(), LOOKED_EACH_MS);
      ended(() => clearInterval(timer));
    });
    effect(() => {
      this.bench.ticketId();
      untracked(() => this.standOn(null));
    });
    inject(Keys).here.set([
      { keys: 'Space, Enter, Page down', does: 'done: next' },
      { keys: 'Backspace, Page up', does: 'back one' },
    ]);
    this.sheet.handle.set(null);
    effect(() => {
      // Only another ticket or plan opens the queue anew: presses on their way must not be read over.
      const [id, planId] = [this.bench.ticketId(), this.bench.planId()];
      if (id === null || planId === null) return;
      untracked(
        () =>
          void this.queue.open(id, planId, (state) =>
            this.store.dispatch(TicketPageEvents.benchCaughtUp({ id, state })),
          ),
      );
    });
    effect(() => this.draw());
  }

  ngOnDestroy(): void {
    this.queue.close();
  }

  private draw(): void {
    const [dossier, accepted, stop, step] = [this.dossier(), this.accepted(), this.stop(), this.step()];
    const round = dossier && accepted ? roundDrawing(dossier, this.speech.fine, 'before', step?.part ?? null) : null;
    if (round) {
      const windowed = stop && step && step.unit !== 'whole';
      this.sheet.drawing.set({
        ...round,
        lanes: [],
        work: windowed ? workOf(this.walk(), this.done(), this.stepIndex()) : null,
        current: windowed ? { at: stop.at, unit: 'tooth' } : null,
      });
      if (windowed) untracked(() => this.sheet.show(stop.at));
      return;
    }
    if (!dossier || !accepted || !isLineOrder(accepted.order)) return;
    const { work, beside } = accepted.order;
    // Which edge of a two-edged saw is in the vise.
    const { inputs, forecast } = beside && step?.line === beside.inputs.saw.filing ? beside : accepted.order;
    const base = baseDrawing(dossier, inputs.readings, forecast.tooth.filed, inputs.pull?.edge);
    this.sheet.drawing.set({
      ...base,
      joint: work === 'sharpen' || work === 'top-bevels' ? null : forecast.line,
      work: step && step.unit !== 'whole' ? workOf(this.walk(), this.done(), this.stepIndex()) : null,
      current:
        stop && step && step.unit !== 'whole'
          ? { at: stop.at, unit: step.unit === 'gullet' ? 'gullet' : 'tooth' }
          : null,
    });
    if (stop && stop.at > 0) untracked(() => this.sheet.show(stop.at));
  }

  protected standOn = (side: Lean | null): void => this.bench.standOn(side);

  protected title = (step: Parameters<typeof stepTitle>[0]): string => stepTitle(step, this.speech, this.ends());
  protected says = (step: Parameters<typeof stepSays>[0]): string =>
    stepSays(step, this.speech, this.speech.book(), this.ends());

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

  private readonly stepsToDo = computed(
    () => new Set(this.walk().flatMap((stop) => (this.done().has(stop.index) ? [] : [stop.step]))),
  );
  protected stepDone(index: number): boolean {
    return !this.stepsToDo().has(index);
  }

  /** What the flanks of the place in hand belong to. */
  protected where(): string {
    const [stop, step] = [this.stop(), this.step()];
    if (!stop || !step) return '';
    const next = this.keeper.next();
    if (next.length > 1) return `${manyOf(this.kindOfPlace(step))} ${stop.at} to ${next.at(-1)?.at}`;
    if (step.unit === 'window') return `Teeth ${stop.at} to ${stop.to ?? stop.at}`;
    if (step.unit === 'raker' || step.unit === 'tooth') return `${this.kindOfPlace(step)} ${stop.at}`;
    const teeth = this.accepted()?.order.inputs?.readings ?? [];
    if (stop.at === 0) return 'Before tooth 1';
    return stop.at === teeth.length ? `After tooth ${stop.at}, the last` : `Gullet ${stop.at}`;
  }

  private kindOfPlace({ unit }: { readonly unit: string }): string {
    if (unit === 'raker') return 'Raker';
    return unit === 'tooth' ? (this.pointed() ? 'Cutter' : 'Tooth') : 'Gullet';
  }

  /** A fresh reading is another question. */
  protected read(further: Further | null): void {
    this.further.set(further);
    this.asked.set(null);
  }

  protected next(): void {
    const other = this.round.next();
    if (other) return void this.router.navigate(['/ticket', other.id, 'bench']);
    const further = this.further();
    if (this.dial() && this.asked() === null && (further === null || further.finds === 'more')) {
      this.asked.set(
        further === null
          ? 'Read the dial at this tooth first: nobody knows where it stands now. Done once more goes on without.'
          : `It still wants ${further.strokes} ${further.strokes === 1 ? 'stroke' : 'strokes'}. Done once more leaves it so.`,
      );
      return;
    }
    this.keeper.done();
  }

  protected back(): void {
    this.keeper.back();
  }

  protected key(event: KeyboardEvent): void {
    const onControl = (event.target as HTMLElement | null)?.closest?.(
      'a, button, input, summary, [role=slider], [role=combobox], select',
    );
    // Arrows walk through a choice.
    if (event.key.startsWith('Arrow') && (event.target as HTMLElement | null)?.closest?.('mat-button-toggle-group'))
      return;
    if (typing(event) || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
    if (NEXT_KEYS.has(event.key) && !(onControl && (event.key === 'Enter' || event.key === ' '))) this.next();
    else if (BACK_KEYS.has(event.key)) this.back();
    else return;
    event.preventDefault();
  }

  protected reload(): void {
    const id = this.dossier()?.ticket.id;
    if (id !== undefined) this.store.dispatch(TicketPageEvents.opened({ id }));
    this.queue.refusal.set(null);
  }
}
