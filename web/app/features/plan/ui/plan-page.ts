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
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInput } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import type { AnglePair } from '@odontis/core/file/angle-pair';
import { cornersUsed } from '@odontis/core/file/file-choice';
import { leanDisagreements } from '@odontis/core/file/direction';
import { depthCurve } from '@odontis/core/line/depth-curve';
import { workFactsOf } from '@odontis/contract/work-facts';
import { saySharpenings } from '@odontis/core/life/life';
import { workOf } from '@odontis/core/work/families';
import type { ToeFound } from '@odontis/core/evidence/toe-finding';
import type { PlannedWork, Studied } from '@odontis/core/work/family-work';
import { isLineOrder } from '@odontis/core/work/order';
import type { LineOrder } from '@odontis/core/work/order';
import { measuredAngles } from '@odontis/core/work/tooth-line/angles-of-evidence';
import { isConverting } from '@odontis/core/judgement/triage';
import type { Coverage } from '@odontis/core/work/tooth-line/coverage';
import { coverageOf } from '@odontis/core/work/tooth-line/coverage';
import { endsOf } from '@odontis/core/saw/ends';
import { teethOf } from '@odontis/core/saw/saw';
import { viewDepth } from '@odontis/core/work/tooth-line/depth-view';
import { recut, studyLine } from '@odontis/core/work/tooth-line/study';
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
import { keepPlan, recallPlan } from '../data/plan-draft';
import type { PlanDraft } from '../data/plan-draft';
import { CurveChart } from './curve-chart';
import { NewTeeth } from './new-teeth';
import { PullPlan } from './pull-plan';
import { RakersPlan } from './rakers-plan';
import { ShortTeeth } from './short-teeth';
import { planLanes } from './plan-lanes';

const zoneFound = ({ teeth, pitchFromMm, pitchToMm }: ToeFound) => ({ teeth, pitchFromMm, pitchToMm });

/** Pull the joint line down and see what it gives and costs; accept, and the plan is frozen. */
@Component({
  selector: 'od-plan-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatButtonToggleModule,
    MatCheckbox,
    MatFormFieldModule,
    MatInput,
    RouterLink,
    Notice,
    Why,
    CurveChart,
    NewTeeth,
    RakersPlan,
    PullPlan,
    ShortTeeth,
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
  private readonly editing = this.store.selectSignal(selectRequest('edit'));
  protected readonly refusal = computed(() => this.request().refusal ?? this.editing().refusal);
  protected readonly busy = computed(() => this.request().busy || this.editing().busy);
  private readonly hand = this.store.selectSignal(shopFeature.selectHand);
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

  private readonly convert = computed(() => this.draft().convert);
  private readonly sample = computed(() => this.draft().sample);
  private readonly retoothMm = computed(() => this.draft().retoothMm);
  private readonly breastMm = computed(() => this.draft().breastMm);
  private readonly rakerMm = computed(() => this.draft().rakerMm);
  private readonly rakerTip = computed(() => this.draft().rakerTip);
  private readonly pullFiling = computed(() => this.draft().pullFiling);
  private readonly backDeg = computed(() => this.draft().backDeg);
  private readonly topDeg = computed(() => this.draft().topDeg);
  private readonly besideMm = computed(() => this.draft().besideMm);
  private readonly work = computed((): PlannedWork | null => {
    const family = this.dossier()?.saw.family;
    const work = family && workOf(family);
    return work && work.way === 'planned' ? work : null;
  });

  private readonly laid = computed((): Studied | null => {
    const [dossier, book, work, frozen] = [this.dossier(), this.speech.book(), this.work(), this.frozen()];
    if (!dossier || !book || !work) return null;
    if (frozen) {
      if (!isLineOrder(frozen.order)) return null;
      const { inputs } = frozen.order;
      const saw = { ...inputs.saw, teeth: inputs.saw.teeth ?? teethOf(dossier.saw) };
      const { beside } = frozen.order;
      const other = beside ? { study: studyLine(beside.inputs), depthMm: beside.depthMm } : null;
      const study = { ...studyLine(inputs), beside: other };
      const coverage = coverageOf(inputs.readings, saw, { roles: study.prepared.roles });
      return { ok: true as const, study, coverage, past: null };
    }
    const facts = workFactsOf(dossier, book, this.hand().strokeRate);
    return work.study(facts, {
      line: this.line(),
      angles: { rakeDeg: this.rakeDeg(), fleamDeg: this.fleamDeg() },
      convert: this.convert(),
      sample: this.sample(),
      retoothMm: this.retoothMm(),
      breastMm: null,
      rakerMm: null,
      rakerTip: this.rakerTip(),
      pullFiling: this.pullFiling(),
      backDeg: this.backDeg(),
      topDeg: this.topDeg(),
      besideMm: null,
    });
  });
  /** The same with the breast and the rakers a hand has moved: apart, so that only the line is worked out again. */
  protected readonly study = computed((): Studied | null => {
    const [base, breastMm, wantedMm, besideMm] = [this.laid(), this.breastMm(), this.rakerMm(), this.besideMm()];
    if (base?.ok && base.study.beside && besideMm !== null && !this.frozen()) {
      const { study } = base.study.beside;
      return { ...base, study: { ...base.study, beside: { study, depthMm: Math.min(study.deepestMm, besideMm) } } };
    }
    if (!base?.ok || this.frozen() || !base.study.cutters || (breastMm === null && wantedMm === null)) return base;
    try {
      return { ...base, study: recut(base.study, { breastMm, wantedMm }) };
    } catch (error) {
      if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message, tooth: null };
      throw error;
    }
  });
  /** Why there is no study, in a sentence; null where there is one. */
  protected readonly unfit = computed(() => {
    const study = this.study();
    return study && !study.ok && study.code === 'readings-unfit' ? study.says : null;
  });
  private readonly whole = computed(() => {
    const study = this.study();
    return study?.ok ? study.study : null;
  });
  /** Which edge of a two-edged saw is looked at; the order is of both. */
  protected readonly edge = signal<'first' | 'other'>('first');
  protected readonly edges = computed(() => {
    const whole = this.whole();
    return whole?.beside ? [whole.inputs.saw.filing, whole.beside.study.inputs.saw.filing] : null;
  });
  private readonly other = computed(() => (this.edge() === 'other' ? (this.whole()?.beside ?? null) : null));
  /** The line that is looked at. */
  protected readonly found = computed(() => this.other()?.study ?? this.whole());
  /** How what was measured stands to the ticket; null where they agree. */
  protected readonly disagrees = computed(() => {
    const study = this.study();
    if (!study?.ok || this.frozen()) return null;
    const { coverage } = study;
    return coverage.partial || coverage.more || coverage.otherPitch || coverage.otherToe ? coverage : null;
  });
  /** The owner's wish to have it filed otherwise; null where there is none. */
  protected readonly wish = computed(() => {
    const dossier = this.dossier();
    if (!dossier || !isConverting(dossier.saw.filing, dossier.ticket.wantsFiling)) return null;
    return { from: dossier.saw.filing, to: dossier.ticket.wantsFiling };
  });
  /** The saw as it came in: the same under every depth, so that it is drawn once. */
  private readonly base = computed(() => {
    const [dossier, study] = [this.dossier(), this.found()];
    return dossier && study ? baseDrawing(dossier, study.inputs.readings, study.tooth, study.inputs.pull?.edge) : null;
  });
  protected readonly placesMeasured = computed(() => this.found()?.placesMeasured ?? true);
  private readonly firstDepthMm = computed(() => {
    const study = this.whole();
    return study ? Math.min(study.deepestMm, this.draft().depthMm ?? study.recommended.depthMm) : 0;
  });
  protected readonly depthMm = computed(() => {
    const study = this.found();
    const [frozen, other] = [this.frozen(), this.other()];
    if (other) return other.depthMm;
    if (frozen) return frozen.order.choice?.depthMm ?? 0;
    return study ? this.firstDepthMm() : 0;
  });
  protected readonly view = computed(() => {
    const study = this.found();
    return study ? viewDepth(study, this.depthMm()) : null;
  });
  private readonly ordered = computed((): LineOrder | null => {
    const [study, frozen, work, book] = [this.whole(), this.frozen(), this.work(), this.speech.book()];
    if (frozen) return isLineOrder(frozen.order) ? frozen.order : null;
    return study && work ? work.order(study, this.firstDepthMm(), book?.rates ?? null) : null;
  });
  /** The order as of the line that is looked at; steps, time and price are the whole saw's. */
  protected readonly order = computed((): LineOrder | null => {
    const [order, other] = [this.ordered(), this.other()];
    return order?.beside && other ? { ...order, inputs: order.beside.inputs, forecast: order.beside.forecast } : order;
  });
  /** Short and broken teeth, both ways; null where every tooth reaches the line. */
  protected readonly chase = computed(() => {
    const [study, work, book] = [this.found(), this.work(), this.speech.book()];
    const offer = study && work ? work.chase(study, this.depthMm(), book?.rates ?? null) : null;
    return offer && offer.teeth.length > 0 ? offer : null;
  });
  protected readonly handles = computed(() => {
    const [study, work] = [this.found(), this.work()];
    return study && work ? work.handles(study) : [];
  });
  /** Every cutter down to the lowest raker. */
  protected readonly lowest = computed(() => {
    const [study, work, book] = [this.found(), this.work(), this.speech.book()];
    return study && work ? work.toLowestRaker(study, this.depthMm(), book?.rates ?? null) : null;
  });
  /** Why the line is past saving, and what new teeth would cost; null where jointing will do. */
  protected readonly past = computed(() => {
    const [study, work, book] = [this.study(), this.work(), this.speech.book()];
    if (!study?.ok || !work || !study.past) return null;
    return {
      why: study.past,
      choices: study.study.inputs.retooth ? [] : work.retooth(study.study, book?.rates ?? null),
    };
  });
  protected readonly curve = computed(() => {
    const study = this.found();
    if (!study) return [];
    const curve = depthCurve(study.prepared, study.datum, study.deepestMm, 64);
    // A pull saw's points stay where they stand, however deep it is levelled.
    const own = study.pull ? viewDepth(study, 0).spacing.worstMm : null;
    return own === null ? curve : curve.map((point) => ({ ...point, worstSpacingMm: own }));
  });
  /** Corners of the file this job wears out; it has three. */
  protected readonly corners = computed(() => {
    const [study, order] = [this.found(), this.order()];
    return study && order ? cornersUsed(order.strokes, study.file) : 0;
  });
  protected readonly leanFaults = computed(() => {
    const study = this.found();
    // A cutter's bevel is filed by its lean, whatever stands beside it.
    return study && !study.cutters && !study.pull
      ? leanDisagreements(study.inputs.readings, study.inputs.angles.fleamDeg)
      : [];
  });
  /** What the saw has, where its angles were read as it came in: the other school than the shop's table. */
  protected readonly measured = computed(() => {
    const dossier = this.dossier();
    return dossier && measuredAngles(dossier.saw, dossier.sessions, this.found()?.inputs.pull?.edge ?? null);
  });
  /** The tooth that is planned, for its three views. */
  protected readonly drawn = computed(() => {
    const [study, order] = [this.found(), this.order()];
    if (!study || !order || study.cutters) return null;
    const { inputs, forecast } = order;
    const teeth = (angles: AnglePair, backDeg: number) => ({
      gullets: alternateGullets({ ...angles, backDeg }, 4),
      pitchMm: forecast.tooth.pitchMm,
      plateMm: inputs.saw.plateThicknessMm,
      setMm: forecast.set.perSideMm,
      cuts: study.pull ? ('pull' as const) : ('push' as const),
      backGuessed: false,
    });
    return {
      after: teeth(inputs.angles, study.pull ? study.pull.tooth.backDeg : forecast.tooth.filed.backDeg),
      before: inputs.from ? teeth(inputs.from.angles, study.tooth.backDeg) : null,
    };
  });
  protected readonly ends = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? endsOf(saw) : undefined;
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
    const [base, study, view, work] = [this.base(), this.found(), this.view(), this.work()];
    if (!base || !study || !view || !work) return;
    const tune = view.depthMm > 0;
    this.sheet.drawing.set({
      ...base,
      joint: view.line,
      flats: tune ? view.flats : null,
      targetXMm: tune ? view.spacing.xMm : null,
      lanes: [
        ...planLanes(work.lanes(study, view), this.speech.fine),
        setLane(study.inputs.readings, this.speech.fine),
      ],
    });
    const handle = this.handles().find((h) => h.id === 'depth');
    this.sheet.handle.set(
      this.frozen() || !handle
        ? null
        : {
            depthMm: view.depthMm,
            deepestMm: handle.toMm,
            recommendedMm: handle.advisedMm,
            says: `${this.speech.fine(view.depthMm)}, ${this.speech.share(view.reachedShare)} of the teeth reached`,
            move: (depthMm) => this.chooseDepth(depthMm),
          },
    );
  }

  /** Measured in part, and nobody said what that is to mean. */
  protected readonly undecided = computed(() => (this.disagrees()?.partial ?? false) && !this.draft().sample);

  /** Strokes that give the teeth their shape before they are sharpened. */
  protected shapingStrokes({ steps }: LineOrder): number {
    const shaping = steps.filter((step) => ['shape', 'reshape', 'cut', 'point', 'edge'].includes(step.kind));
    return shaping.flatMap((step) => step.stops).reduce((sum, stop) => sum + stop.strokes, 0);
  }

  /** The depth of the line that is looked at; null as advised. */
  protected chooseDepth(mm: number | null): void {
    this.choose(this.other() ? { besideMm: mm } : { depthMm: mm });
  }

  protected choose(change: Partial<PlanDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
  }

  protected readonly sharpenings = saySharpenings;

  /** Corners of a file, or whole files where one does not last. */
  protected wear(corners: number): string {
    return corners <= 3 ? `${corners.toFixed(1)} of its 3 corners` : `${Math.ceil(corners / 3)} files`;
  }

  protected pitches({ pitchFromMm, pitchToMm }: ToeFound): string {
    const [from, to] = [this.speech.plate(pitchFromMm), this.speech.plate(pitchToMm)];
    return from === to ? from : `${from} to ${to}`;
  }

  protected title = (step: Parameters<typeof stepTitle>[0]): string => stepTitle(step, this.speech, this.ends());

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
    const study = this.whole();
    if (!study) return;
    this.leaving = true;
    this.again.set(false);
    const choice = {
      version: dossier.ticket.version,
      depthMm: this.firstDepthMm(),
      line: this.draft().line,
      ...study.inputs.angles,
      convert: study.conversion !== null,
      sample: this.draft().sample,
      retoothMm: study.inputs.retooth ? study.inputs.saw.pitchMm : null,
      breastMm: this.breastMm(),
      rakerMm: this.rakerMm(),
      rakerTip: this.rakerTip(),
      ...(study.pull && {
        pullFiling: this.pullFiling(),
        backDeg: this.backDeg(),
        topDeg: this.topDeg(),
        besideMm: study.beside?.depthMm ?? null,
      }),
    };
    this.store.dispatch(TicketPageEvents.planAccepted({ id: dossier.ticket.id, choice }));
  }

  /** The ticket's teeth as they were measured. */
  protected correct(dossier: Dossier, coverage: Coverage): void {
    this.choose({ depthMm: null, sample: false });
    const { version, complaint, promisedOn } = dossier.ticket;
    const { toe } = coverage;
    const line = {
      pitchMm: coverage.measuredPitchMm ?? coverage.toldPitchMm,
      teeth: coverage.measuredTeeth,
      ...(coverage.otherToe && { toeZones: toe ? [{ ...zoneFound(toe), relaxFromDeg: 0, relaxToDeg: 0 }] : [] }),
    };
    this.store.dispatch(
      TicketPageEvents.ticketEdited({ id: dossier.ticket.id, change: { version, complaint, promisedOn, line } }),
    );
  }

  protected reload(): void {
    this.store.dispatch(TicketPageEvents.opened({ id: this.ticketId() }));
  }

  protected show(tooth: number): void {
    this.sheet.show(tooth);
  }
}
