import { notFromHereSays } from '@odontis/contract/from-here-words';
import { jointedSoFar } from '@odontis/core/work/from-here';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { RouterLink } from '@angular/router';
import type { Dossier } from '@odontis/contract/dossier';
import type { ToeFound } from '@odontis/core/evidence/toe-finding';
import { endsOf } from '@odontis/core/saw/ends';
import { parseLength } from '@odontis/core/units/length';
import type { Coverage } from '@odontis/core/work/tooth-line/coverage';
import { setLane } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Speech } from '../../../shared/speech/speech';
import { ToothViews } from '../../../shared/tooth/tooth-views';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { Refused } from '../../../shared/ui/refused';
import { PlanDesk } from '../state/plan-desk';
import { PlanSending } from '../state/plan-sending';
import { AngleChoice } from './angle-choice';
import { CurveChart } from './curve-chart';
import { Disagreement } from './disagreement';
import { FilesWanted } from './files-wanted';
import { ForetoldCutPanel } from './foretold-cut';
import { LineChoice } from './line-choice';
import type { PlanAtDepth } from './plan-figures';
import { PlanKept } from './plan-kept';
import { PlanNow } from './plan-now';
import { loadLane, planLanes } from './plan-lanes';
import { PlanSteps } from './plan-steps';
import { acceptWords } from './plan-words';
import { PriceOver } from './price-over';
import { PullPlan } from './pull-plan';
import { RakersPlan } from './rakers-plan';
import { SetChoice } from './set-choice';
import { ShortTeeth } from './short-teeth';
import { WaysPanel } from './ways-panel';

/** Boards that a cut is foretold in, mm. */
const BOARD_MM = { least: 2, most: 1000 } as const;

const zoneFound = ({ teeth, pitchFromMm, pitchToMm }: ToeFound) => ({ teeth, pitchFromMm, pitchToMm });

/** Pull the joint line down and see what it gives and costs; accept, and the plan is frozen. */
@Component({
  selector: 'od-plan-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[MatButton, MatButtonToggleModule, RouterLink],
    ...[AngleChoice, CurveChart, Disagreement, FilesWanted, ForetoldCutPanel, LineChoice, Notice],
    ...[
      PlanKept,
      PlanNow,
      PlanSteps,
      PriceOver,
      PullPlan,
      RakersPlan,
      Refused,
      SetChoice,
      ShortTeeth,
      ToothViews,
      WaysPanel,
    ],
  ],
  templateUrl: './plan-page.html',
  styleUrl: './plan-page.scss',
  providers: [PlanDesk, PlanSending],
})
export class PlanPage {
  private readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly desk = inject(PlanDesk);
  protected readonly sending = inject(PlanSending);
  /** What the next order begins from, or why it cannot. */
  protected readonly fromHereSays = computed(() => {
    const no = this.desk.notFrom();
    if (no) return notFromHereSays(no, this.speech.fine);
    const worked = this.desk.worked();
    const jointedMm = Math.max(0, ...worked.map(jointedSoFar));
    const stops = worked.reduce((sum, one) => sum + one.done.length, 0);
    const jointed = jointedMm > 0 ? `it is jointed ${this.speech.fine(jointedMm)} and stays so; ` : '';
    return `Planned from where it is now: ${jointed}what was made at ${stops} stops stays made, and the steps below are what is left.`;
  });
  protected readonly frozen = computed(() => this.desk.frozen() !== null);

  /** The line at the depth chosen, with its order; null until all three are there. */
  protected readonly plan = computed((): PlanAtDepth | null => {
    const [study, view, order] = [this.desk.found(), this.desk.view(), this.desk.order()];
    return study && view && order && { study, view, order };
  });
  protected readonly acceptWords = acceptWords;

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

  /** Of every stretch, on either edge. */
  protected readonly fileChoices = computed(() => {
    const whole = this.desk.whole();
    return [whole, whole?.beside?.study].flatMap((study) => study?.stretches.map(({ file }) => file) ?? []);
  });

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
    const [study, draft] = [this.desk.whole(), this.desk.draft()];
    if (!study) return;
    this.desk.planAgain(false);
    const { line, why, sample, breastMm, rakerMm, rakerTip, pullFiling, backDeg, topDeg, set, setMm } = draft;
    this.sending.accept(dossier, {
      depthMm: this.desk.firstDepthMm(),
      ...{ line, why, sample, breastMm, rakerMm, rakerTip, set, setMm },
      ...study.inputs.angles,
      convert: study.conversion !== null,
      retoothMm: study.inputs.retooth ? study.inputs.saw.pitchMm : null,
      ...(study.inputs.filesAtHand && { files: [...study.inputs.filesAtHand] }),
      ...(study.pull && { pullFiling, backDeg, topDeg, besideMm: study.beside?.depthMm ?? null }),
    });
  }

  /** The ticket's teeth as they were measured. */
  protected correct(dossier: Dossier, { measuredPitchMm, toldPitchMm, measuredTeeth, otherToe, toe }: Coverage): void {
    this.desk.choose({ depthMm: null, sample: false });
    this.sending.correct(dossier, {
      pitchMm: measuredPitchMm ?? toldPitchMm,
      teeth: measuredTeeth,
      ...(otherToe && { toeZones: toe ? [{ ...zoneFound(toe), relaxFromDeg: 0, relaxToDeg: 0 }] : [] }),
    });
  }

  protected show(tooth: number): void {
    this.sheet.show(tooth);
  }
}
