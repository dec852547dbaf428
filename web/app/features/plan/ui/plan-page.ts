import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { isStraightDossier } from '@odontis/contract/dossier';
import type { Dossier } from '@odontis/contract/dossier';
import { cornersUsed } from '@odontis/core/file/file-choice';
import { leanDisagreements } from '@odontis/core/file/direction';
import { lineOf } from '@odontis/core/evidence/line-of';
import { UNCALIBRATED_STROKES } from '@odontis/core/line/strokes';
import { depthCurve } from '@odontis/core/line/depth-curve';
import { sayLeft } from '@odontis/core/life/life';
import { assembleInputs } from '@odontis/core/plan/assemble-inputs';
import { viewDepth } from '@odontis/core/plan/depth-view';
import { anglesFor } from '@odontis/core/plan/habits';
import { makePlan } from '@odontis/core/plan/make-plan';
import { priceFor } from '@odontis/core/plan/price';
import { studyLine } from '@odontis/core/plan/study';
import { formatFleam, formatRake, parseFleam, parseRake } from '@odontis/core/units/angle';
import { baseDrawing, setLane } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { selectRequest, ticketFeature, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { alternateGullets } from '../../../shared/tooth/alternate-gullets';
import { ToothViews } from '../../../shared/tooth/tooth-views';
import { stepTitle } from '../../../shared/words/step-words';
import { measuredAngles } from '../data/measured-angles';
import { keepPlan, recallPlan } from '../data/plan-draft';
import type { PlanDraft } from '../data/plan-draft';
import { CurveChart } from './curve-chart';
import { planLanes } from './plan-lanes';

/** Pull the joint line down and see what it gives and costs; accept, and the plan is frozen. */
@Component({
  selector: 'od-plan-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatButtonToggleModule,
    MatFormFieldModule,
    MatInput,
    RouterLink,
    Notice,
    Why,
    CurveChart,
    ToothViews,
  ],
  templateUrl: './plan-page.html',
  styleUrl: './plan-page.scss',
})
export class PlanPage {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly request = this.store.selectSignal(selectRequest('plan'));
  protected readonly refusal = computed(() => this.request().refusal);
  protected readonly busy = computed(() => this.request().busy);
  private readonly person = this.store.selectSignal(shopFeature.selectPerson);
  private readonly ticketId = computed(() => this.dossier()?.ticket.id ?? 0);
  protected readonly draft = linkedSignal<PlanDraft>(() => recallPlan(this.ticketId()));
  protected readonly again = signal(false);
  private leaving = false;

  /** An accepted plan is shown as it was frozen, unless it is being planned again. */
  protected readonly frozen = computed(() => {
    const plan = this.dossier()?.plan;
    return plan && !(this.again() && this.dossier()?.ticket.stage === 'bench') ? plan : null;
  });

  // Apart from the depth, so that pulling the handle does not work the whole study out again.
  private readonly line = computed(() => this.draft().line);
  private readonly rakeDeg = computed(() => this.draft().rakeDeg);
  private readonly fleamDeg = computed(() => this.draft().fleamDeg);

  protected readonly study = computed(() => {
    const [dossier, book] = [this.dossier(), this.speech.book()];
    const readings = dossier && lineOf(dossier.sessions, dossier.saw, 'before')?.teeth;
    if (!dossier || !isStraightDossier(dossier) || !book || !readings || readings.length < 3) return null;
    const [line, rakeDeg, fleamDeg] = [this.line(), this.rakeDeg(), this.fleamDeg()];
    const table = anglesFor(book.habits.angles, dossier.saw.family, dossier.saw.filing);
    const angles = { rakeDeg: rakeDeg ?? table.rakeDeg, fleamDeg: fleamDeg ?? table.fleamDeg };
    const facts = { saw: dossier.saw, wood: dossier.ticket.wood, marks: dossier.ticket.marks, readings };
    const inputs =
      this.frozen()?.inputs ??
      assembleInputs(facts, book.habits, this.person()?.strokeRate ?? UNCALIBRATED_STROKES, line, angles);
    try {
      return { ok: true as const, study: studyLine(inputs) };
    } catch (error) {
      return { ok: false as const, says: error instanceof Error ? error.message : '' };
    }
  });
  protected readonly found = computed(() => {
    const study = this.study();
    return study?.ok ? study.study : null;
  });
  /** The saw as it came in: the same under every depth, so that it is drawn once. */
  private readonly base = computed(() => {
    const [dossier, study] = [this.dossier(), this.found()];
    return dossier && study ? baseDrawing(dossier, study.inputs.readings, study.tooth) : null;
  });
  protected readonly placesMeasured = computed(() => this.found()?.placesMeasured ?? true);
  protected readonly depthMm = computed(() => {
    const study = this.found();
    const frozen = this.frozen();
    if (frozen) return frozen.plan.depthMm;
    return study ? Math.min(study.deepestMm, this.draft().depthMm ?? study.recommended.depthMm) : 0;
  });
  protected readonly view = computed(() => {
    const study = this.found();
    return study ? viewDepth(study, this.depthMm()) : null;
  });
  protected readonly plan = computed(() => {
    const study = this.found();
    return this.frozen()?.plan ?? (study ? makePlan(study, this.depthMm()) : null);
  });
  protected readonly price = computed(() => {
    const [plan, book] = [this.plan(), this.speech.book()];
    return plan && book ? priceFor(plan.minutes, book.rates) : null;
  });
  protected readonly curve = computed(() => {
    const study = this.found();
    return study ? depthCurve(study.prepared, study.datum, study.pitchMm, study.deepestMm, 64) : [];
  });
  /** Corners of the file this job wears out; it has three. */
  protected readonly corners = computed(() => {
    const [study, plan] = [this.found(), this.plan()];
    return study && plan ? cornersUsed(plan.strokes, study.file) : 0;
  });
  protected readonly leanFaults = computed(() => {
    const study = this.found();
    return study ? leanDisagreements(study.inputs.readings, study.inputs.angles.fleamDeg) : [];
  });
  /** What the saw has, where its angles were read as it came in: the other school than the shop's table. */
  protected readonly measured = computed(() => {
    const dossier = this.dossier();
    return dossier && measuredAngles(dossier);
  });
  /** The tooth that is planned, for its three views. */
  protected readonly drawn = computed(() => {
    const [dossier, study, plan] = [this.dossier(), this.found(), this.plan()];
    if (!dossier || !study || !plan) return null;
    const angles = { ...study.inputs.angles, backDeg: study.tooth.backDeg };
    return {
      gullets: alternateGullets(angles, 4),
      pitchMm: dossier.saw.pitchMm,
      plateMm: dossier.saw.plateThicknessMm,
      setMm: plan.setPerSideMm,
      cuts: 'push' as const,
      backGuessed: false,
    };
  });
  protected readonly slip = signal<string | null>(null);

  constructor() {
    inject(Keys).here.set([
      { keys: '↓ ↑ on the handle', does: 'joint line down, up; with Shift ten times' },
      { keys: 'Enter on the handle', does: 'to the recommended depth' },
      { keys: 'Home, End', does: 'nothing off, the most' },
    ]);
    this.sheet.laneHeight.set(44);
    effect(() => keepPlan(this.ticketId(), this.draft()));
    effect(() => this.draw());
    effect(() => {
      const dossier = this.dossier();
      if (this.leaving && dossier?.ticket.stage === 'bench') {
        this.leaving = false;
        untracked(() => void this.router.navigate(['/ticket', dossier.ticket.id, 'bench']));
      }
    });
  }

  private draw(): void {
    const [base, study, view] = [this.base(), this.found(), this.view()];
    if (!base || !study || !view) return;
    const tune = view.depthMm > 0;
    this.sheet.drawing.set({
      ...base,
      joint: view.line,
      flats: tune ? view.flats : null,
      targetXMm: tune ? view.spacing.xMm : null,
      lanes: [...planLanes(study, view, this.speech.fine), setLane(study.inputs.readings, this.speech.fine)],
    });
    this.sheet.handle.set(
      this.frozen()
        ? null
        : {
            depthMm: view.depthMm,
            deepestMm: study.deepestMm,
            recommendedMm: study.recommended.depthMm,
            says: `${this.speech.fine(view.depthMm)}, ${this.speech.share(view.reachedShare)} of the teeth reached`,
            move: (depthMm) => this.choose({ depthMm }),
          },
    );
  }

  protected choose(change: Partial<PlanDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected readonly left = sayLeft;

  protected title = (step: Parameters<typeof stepTitle>[0]): string => stepTitle(step, this.speech);

  protected rakeText(deg: number): string {
    const speech = this.speech.speech().rakeSpeech;
    return speech === 'lean-back' ? String(-deg || 0) : formatRake(deg, speech);
  }

  protected fleamText(deg: number): string {
    return formatFleam(deg, this.speech.speech().fleamSpeech).replace(/ fleam$/, '');
  }

  protected typeRake(text: string): void {
    const read = parseRake(text, this.speech.speech().rakeSpeech);
    this.slip.set(
      read.ok ? null : `"${text}" is not a rake a file can leave. Type degrees, such as ${this.rakeText(-12)}.`,
    );
    if (read.ok) this.choose({ rakeDeg: read.deg, depthMm: null });
  }

  protected typeFleam(text: string): void {
    const read = parseFleam(text, this.speech.speech().fleamSpeech);
    this.slip.set(read.ok ? null : `"${text}" is not a fleam. Type degrees off square such as 20, or 70 to the plate.`);
    if (read.ok) this.choose({ fleamDeg: read.deg, depthMm: null });
  }

  protected accept(dossier: Dossier): void {
    const study = this.found();
    if (!study) return;
    this.leaving = true;
    this.again.set(false);
    const choice = {
      version: dossier.ticket.version,
      depthMm: this.depthMm(),
      line: this.draft().line,
      ...study.inputs.angles,
    };
    this.store.dispatch(TicketPageEvents.planAccepted({ id: dossier.ticket.id, choice }));
  }

  protected reload(): void {
    this.store.dispatch(TicketPageEvents.opened({ id: this.ticketId() }));
  }

  protected show(tooth: number): void {
    this.sheet.show(tooth);
  }
}
