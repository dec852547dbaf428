import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Dossier } from '@odontis/contract/dossier';
import { jointedRim, roundDrawing } from '../../../sawpage/round-drawing';
import type { DepthHandle } from '../../../sawpage/saw-sheet';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { Refused } from '../../../shared/ui/refused';
import { Why } from '../../../shared/ui/why';
import { PlanSending } from '../state/plan-sending';
import { RoundDesk } from '../state/round-desk';
import { BandPlan } from './band-plan';
import { BladePlan } from './blade-plan';
import { DadoPlan } from './dado-plan';
import { PlanKept } from './plan-kept';
import { loadLane } from './plan-lanes';
import { PlanSteps } from './plan-steps';
import { PriceOver } from './price-over';
import { WaysPanel } from './ways-panel';
import { FilesWanted } from './files-wanted';
import { ForetoldCutPanel } from './foretold-cut';

/** A saw whose teeth go round: what is advised, what is chosen, what comes of it; accepted, the plan is frozen. */
@Component({
  selector: 'od-round-plan-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    Notice,
    Why,
    BandPlan,
    BladePlan,
    DadoPlan,
    FilesWanted,
    ForetoldCutPanel,
    WaysPanel,
    PlanKept,
    Refused,
    PlanSteps,
    PriceOver,
  ],
  templateUrl: './round-plan-page.html',
  styleUrl: './plan-page.scss',
  providers: [RoundDesk, PlanSending],
})
export class RoundPlanPage {
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly desk = inject(RoundDesk);
  protected readonly sending = inject(PlanSending);
  protected readonly slip = signal<string | null>(null);
  /** The part of a set that is seen. */
  protected readonly part = signal<string | null>(null);

  constructor() {
    inject(Keys).here.set([
      { keys: '↓ ↑ on a blade’s handle', does: 'joint line down, up; with Shift ten times' },
      { keys: 'Enter on the handle', does: 'to the recommended depth' },
    ]);
    this.sheet.laneHeight.set(44);
    effect(() => {
      const dossier = this.desk.dossier();
      const drawing = dossier && roundDrawing(dossier, this.speech.fine, 'before', this.part());
      const pulled = this.blade() ?? this.seenPart();
      const cut = this.desk.cut();
      // The whole saw is drawn, and every tooth's load is known.
      const lanes =
        drawing && cut?.chosen.loads?.loadMm.length === drawing.teeth.length
          ? [...drawing.lanes, loadLane(cut, this.speech.finer)]
          : (drawing?.lanes ?? []);
      const shown = drawing && { ...drawing, lanes };
      this.sheet.drawing.set(shown && pulled ? jointedRim(shown, pulled.atMm) : shown);
      this.sheet.handle.set(pulled && !this.desk.frozen() ? pulled.handle : null);
    });
  }

  /** A steel blade that was read by dial: the joint line, pulled down on the rim itself. */
  private readonly blade = computed(() => {
    const [own, study] = [this.desk.own(), this.desk.study()];
    if (own?.family !== 'circular' || study?.family !== 'circular') return null;
    if (own.inputs.saw.tipped === 'carbide' || !study.equal) return null;
    const handle: DepthHandle = {
      depthMm: study.jointMm,
      deepestMm: study.deepestMm,
      recommendedMm: study.advisedMm,
      says: `${this.speech.fine(study.jointMm)}, ${this.speech.share(own.forecast.reachedShare)} of the scorers reached`,
      move: (depthMm) => this.desk.choose({ ...own.inputs.wish, depthMm }),
    };
    return { atMm: study.equal.targetMm + study.advisedMm - study.jointMm, handle };
  });
  /** The part of a set that is seen, with what its kind comes down to. */
  private readonly seenPart = computed(() => {
    const [own, study] = [this.desk.own(), this.desk.study()];
    if (own?.family !== 'dado' || study?.family !== 'dado') return null;
    const seen =
      own.inputs.parts.find((one) => one.id === this.part()) ?? own.inputs.parts.find((one) => one.teeth > 0);
    const depth = seen?.kind === 'outer' ? study.outers : seen?.kind === 'chipper' ? study.chippers : null;
    if (!depth) return null;
    const wish = seen?.kind === 'outer' ? ('outersDownMm' as const) : ('chippersDownMm' as const);
    const handle: DepthHandle = {
      depthMm: depth.chosenMm,
      deepestMm: depth.deepestMm,
      recommendedMm: depth.advisedMm,
      says: `${this.speech.fine(depth.chosenMm)} off the highest tooth`,
      move: (mm) => this.desk.choose({ ...own.inputs.wish, [wish]: mm }),
    };
    return { atMm: depth.highestMm - depth.chosenMm, handle };
  });

  /** The saw is not worked here, as it was found. */
  protected readonly refused = computed(() => {
    const own = this.desk.own();
    return !!own && 'refused' in own.forecast && own.forecast.refused !== undefined;
  });

  /** The count put right: the loop's pitch is then what its teeth make of it. mm. */
  protected correct(dossier: Dossier, teeth: number): void {
    this.sending.correct(dossier, { teeth, pitchMm: dossier.saw.toothLineMm / teeth });
  }

  protected accept(dossier: Dossier): void {
    const round = this.desk.wish();
    if (!round) return;
    this.desk.planAgain(false);
    this.sending.accept(dossier, { round });
  }
}
