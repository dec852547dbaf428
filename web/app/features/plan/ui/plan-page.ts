import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatInput } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import { saySharpenings } from '@odontis/core/life/life';
import type { ToeFound } from '@odontis/core/evidence/toe-finding';
import type { LineOrder } from '@odontis/core/work/order';
import type { Coverage } from '@odontis/core/work/tooth-line/coverage';
import { endsOf } from '@odontis/core/saw/ends';
import { formatFleam, formatRake, parseFleam, parseRake } from '@odontis/core/units/angle';
import { parseLength } from '@odontis/core/units/length';
import { setLane } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Speech } from '../../../shared/speech/speech';
import { selectRequest, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { ToothViews } from '../../../shared/tooth/tooth-views';
import { stepTitle } from '@odontis/contract/step-words';
import { PlanDesk } from '../state/plan-desk';
import { CurveChart } from './curve-chart';
import { FilesWanted } from './files-wanted';
import { ForetoldCutPanel } from './foretold-cut';
import { NewTeeth } from './new-teeth';
import { PullPlan } from './pull-plan';
import { RakersPlan } from './rakers-plan';
import { AidsOffer } from './aids-offer';
import { WayKept } from './way-kept';
import { WaysPanel } from './ways-panel';
import { ShortTeeth } from './short-teeth';
import { loadLane, planLanes } from './plan-lanes';

/** Boards that a cut is foretold in, mm. */
const BOARD_MM = { least: 2, most: 1000 } as const;

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
    FilesWanted,
    ForetoldCutPanel,
    NewTeeth,
    WaysPanel,
    AidsOffer,
    WayKept,
    RakersPlan,
    PullPlan,
    ShortTeeth,
    ToothViews,
  ],
  templateUrl: './plan-page.html',
  styleUrl: './plan-page.scss',
  providers: [PlanDesk],
})
export class PlanPage {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly desk = inject(PlanDesk);
  private readonly request = this.store.selectSignal(selectRequest('plan'));
  private readonly editing = this.store.selectSignal(selectRequest('edit'));
  protected readonly refusal = computed(() => this.request().refusal ?? this.editing().refusal);
  protected readonly busy = computed(() => this.request().busy || this.editing().busy);
  private leaving = false;

  protected readonly ends = computed(() => {
    const saw = this.desk.dossier()?.saw;
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
    effect(() => this.draw());
    effect(() => {
      const dossier = this.desk.dossier();
      if (this.leaving && dossier?.ticket.stage === 'bench') {
        this.leaving = false;
        untracked(() => void this.router.navigate(['/ticket', dossier.ticket.id, 'bench']));
      }
    });
  }

  private draw(): void {
    const [base, study, view, work] = [this.desk.base(), this.desk.found(), this.desk.view(), this.desk.work()];
    const cut = this.desk.cut();
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
        ...(cut ? [loadLane(cut, this.speech.finer)] : []),
      ],
    });
    const handle = this.desk.handles().find((h) => h.id === 'depth');
    this.sheet.handle.set(
      this.desk.frozen() || !handle
        ? null
        : {
            depthMm: view.depthMm,
            deepestMm: handle.toMm,
            recommendedMm: handle.advisedMm,
            says: `${this.speech.fine(view.depthMm)}, ${this.speech.share(view.reachedShare)} of the teeth reached`,
            move: (depthMm) => this.desk.chooseDepth(depthMm),
          },
    );
  }

  /** Measured in part, and nobody said what that is to mean. */
  protected readonly undecided = computed(() => (this.desk.disagrees()?.partial ?? false) && !this.desk.draft().sample);

  /** Strokes that give the teeth their shape before they are sharpened. */
  protected shapingStrokes({ steps }: LineOrder): number {
    const shaping = steps.filter((step) => ['shape', 'reshape', 'cut', 'point', 'edge'].includes(step.kind));
    return shaping.flatMap((step) => step.stops).reduce((sum, stop) => sum + stop.strokes, 0);
  }

  protected readonly sharpenings = saySharpenings;

  /** Of every stretch, on either edge. */
  protected readonly fileChoices = computed(() => {
    const whole = this.desk.whole();
    return [whole, whole?.beside?.study].flatMap((study) => study?.stretches.map(({ file }) => file) ?? []);
  });

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
    if (read.ok) this.desk.choose({ rakeDeg: read.deg, depthMm: null });
  }

  protected typeFleam(text: string): void {
    const read = parseFleam(text, this.speech.speech().fleamSpeech);
    this.slip.set(read.ok ? null : `"${text}" is not a fleam. Type degrees off square such as 20, or 70 to the plate.`);
    if (read.ok) this.desk.choose({ fleamDeg: read.deg, depthMm: null });
  }

  protected typeBoard(text: string): void {
    const read = parseLength(text, this.speech.unit());
    const ok = read.ok && read.mm >= BOARD_MM.least && read.mm <= BOARD_MM.most;
    this.slip.set(
      ok
        ? null
        : `"${text}" is no board: a thickness from ${this.speech.plate(BOARD_MM.least)} to ${this.speech.plate(BOARD_MM.most)} is meant.`,
    );
    if (ok) this.desk.cutBoard(read.mm);
  }

  protected accept(dossier: Dossier): void {
    const study = this.desk.whole();
    if (!study) return;
    this.leaving = true;
    this.desk.planAgain(false);
    const choice = {
      version: dossier.ticket.version,
      depthMm: this.desk.firstDepthMm(),
      line: this.desk.draft().line,
      why: this.desk.draft().why,
      ...study.inputs.angles,
      convert: study.conversion !== null,
      sample: this.desk.draft().sample,
      retoothMm: study.inputs.retooth ? study.inputs.saw.pitchMm : null,
      breastMm: this.desk.draft().breastMm,
      rakerMm: this.desk.draft().rakerMm,
      rakerTip: this.desk.draft().rakerTip,
      ...(study.inputs.filesAtHand && { files: [...study.inputs.filesAtHand] }),
      ...(study.pull && {
        pullFiling: this.desk.draft().pullFiling,
        backDeg: this.desk.draft().backDeg,
        topDeg: this.desk.draft().topDeg,
        besideMm: study.beside?.depthMm ?? null,
      }),
    };
    this.store.dispatch(TicketPageEvents.planAccepted({ id: dossier.ticket.id, choice }));
  }

  /** The ticket's teeth as they were measured. */
  protected correct(dossier: Dossier, coverage: Coverage): void {
    this.desk.choose({ depthMm: null, sample: false });
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
    this.store.dispatch(TicketPageEvents.opened({ id: this.desk.ticketId() }));
  }

  protected show(tooth: number): void {
    this.sheet.show(tooth);
  }
}
