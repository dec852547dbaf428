import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { Router, RouterLink } from '@angular/router';
import { isStraightDossier } from '@odontis/contract/dossier';
import { measuredOf } from '@odontis/contract/measured-saw';
import { baseDrawing, drawnTooth, heightLane, setLane, spacingLane } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Conflict } from '../../../shared/conflict/conflict';
import { ReadingDesk } from '../../../shared/readings/reading-desk';
import { ReadingKeeper } from '../../../shared/readings/reading-keeper';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { offerFile } from '../../../shared/ui/offer-file';
import { Notice } from '../../../shared/ui/notice';
import { anglesOfTrace } from '@odontis/core/angles/angles-of-trace';
import { GAUGE_WORDS, GAUGES } from '@odontis/core/gauge/gauges';
import type { PlaceEstimate } from '@odontis/core/gauge/gauged';
import { lineOfGauged } from '../data/line-of-gauged';
import { gaugedOfTrace } from '../data/gauged-of-trace';
import { ScanDesk } from '../state/scan-desk';
import { GaugeKeeper } from '../state/gauge-keeper';
import { AngleKeeper } from '../state/angle-keeper';
import { SessionKeeper } from '../state/session-keeper';
import { AngleDesk } from './angle-desk';
import { GaugeDesk } from './gauge-desk';
import { ScanPanel } from './scan-panel';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';
import { readingsOfTrace } from '@odontis/core/trace/readings-of-trace';

/** Measure the line as it came in; lanes and numbers move as it is typed. */
@Component({
  selector: 'od-measure-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatButtonToggleModule,
    NgTemplateOutlet,
    RouterLink,
    AngleDesk,
    GaugeDesk,
    ReadingDesk,
    ScanPanel,
    Conflict,
    Notice,
  ],
  providers: [ReadingKeeper, ScanDesk, SessionKeeper, GaugeKeeper, AngleKeeper],
  templateUrl: './measure-page.html',
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      align-items: center;
      margin: 10px 16px 0;
    }
    .save {
      margin-left: auto;
    }
    .with select {
      padding: 6px 8px;
      font: inherit;
      color: var(--text);
      background: var(--paper);
      border: 1px solid var(--rule);
      border-radius: 4px;
    }
    .go {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin-top: 10px;
    }
  `,
})
export class MeasurePage {
  protected readonly keeper = inject(ReadingKeeper);
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  private readonly router = inject(Router);
  private readonly scans = inject(ScanDesk);
  private readonly gauging = inject(GaugeKeeper);
  private readonly angles = inject(AngleKeeper);
  private leaving = false;
  protected readonly way = signal<'keyed' | 'scan' | 'gauge' | 'angles'>('keyed');

  /** Other families have no line of heights to plan from: they are gauged. */
  protected readonly straight = computed(() => {
    const dossier = this.keeper.dossier();
    return !dossier || isStraightDossier(dossier);
  });
  /** A scanner shows a tooth line laid straight: no round blade. */
  protected readonly scannable = computed(
    () => !['circular', 'dado'].includes(this.keeper.dossier()?.saw.family ?? ''),
  );
  protected readonly editable = computed(() => ['measure', 'plan'].includes(this.keeper.dossier()?.ticket.stage ?? ''));
  protected readonly gauges = GAUGES;
  protected readonly gaugeWords = GAUGE_WORDS;
  protected readonly stopped = computed(() => this.keeper.faults().some((f) => f.weight === 'stop'));

  constructor() {
    inject(Keys).here.set([
      { keys: 'Enter', does: 'keep the value, next tooth' },
      { keys: '↑', does: 'back one tooth' },
      { keys: 'b, m', does: 'broken, missing (then Enter); a broken one is then measured' },
      { keys: 'Ctrl Z, Ctrl Y', does: 'undo, do again' },
    ]);
    this.sheet.handle.set(null);
    effect(() => this.sheet.laneHeight.set(this.way() === 'scan' ? 30 : 46));
    effect(() => {
      const dossier = this.keeper.dossier();
      if (!dossier) return;
      untracked(() => {
        this.scans.pitchMm.set(dossier.saw.pitchMm);
        this.scans.pattern.set(dossier.saw.family === 'crosscut' ? dossier.saw.pattern : '');
        this.scans.cuts.set(dossier.saw.family === 'pull' ? 'pull' : 'push');
        if (!isStraightDossier(dossier)) return;
        this.keeper.editable.set(this.editable());
        this.keeper.open('before', () => []);
        if (this.leaving && dossier.ticket.stage === 'plan') {
          this.leaving = false;
          void this.router.navigate(['/ticket', dossier.ticket.id, 'plan']);
        }
      });
    });
    effect(() => this.draw());
    effect(() => {
      const tooth = this.sheet.picked();
      if (tooth !== null)
        untracked(() =>
          this.way() === 'scan' ? this.scans.selected.set(tooth) : this.keeper.sheet()?.goTo(tooth - 1),
        );
    });
  }

  private draw(): void {
    const dossier = this.keeper.dossier();
    if (dossier && !isStraightDossier(dossier)) return;
    const habits = this.speech.book()?.habits;
    if (!dossier || !habits) return;
    const line = this.way() === 'scan' ? this.scans.line() : null;
    const readings = line ? readingsOfTrace(line) : this.keeper.readings();
    const before = (this.keeper.earlier()?.readings as ToothReading[] | undefined) ?? null;
    const tooth = drawnTooth(dossier, habits);
    const pitch = line?.summary.pitchMm.value ?? this.keeper.statistics()?.pitchMm ?? dossier.saw.pitchMm;
    const cursor = line ? (this.scans.selected() ?? 0) - 1 : (this.keeper.sheet()?.cursor() ?? 0);
    this.sheet.drawing.set({
      ...baseDrawing(dossier, readings, tooth),
      current:
        cursor >= 0 && cursor < readings.length && readings[cursor]?.kind !== 'missing'
          ? { at: cursor + 1, unit: 'tooth' }
          : null,
      lanes:
        this.way() === 'angles'
          ? []
          : [
              heightLane(readings, this.speech.fine, before),
              spacingLane(readings, pitch, habits.evennessShare * pitch, this.speech.fine, before),
              setLane(readings, this.speech.fine, before),
            ],
    });
  }

  /** The traced teeth become the line's readings; undo brings back what was keyed. */
  protected takeTrace(readings: ToothReading[]): void {
    this.keeper.gauge.set('scan');
    const line = this.scans.line();
    if (line) this.angles.takeTrace(anglesOfTrace(line));
    this.keeper.sheet()?.replace(withKeyedSet(readings, this.keeper.readings()));
    this.way.set('keyed');
  }

  /** What an indicator or a caliper found goes into the line that the plan is made from. */
  protected takeGauged({
    quantity,
    estimates,
  }: {
    quantity: 'height' | 'set';
    estimates: readonly PlaceEstimate[];
  }): void {
    const pitch = this.keeper.dossier()?.saw.pitchMm ?? 1;
    this.keeper.sheet()?.replace(lineOfGauged(this.keeper.readings(), quantity, estimates, pitch));
    const last = this.gauging.readings().findLast((r) => r.quantity === quantity);
    if (last) this.keeper.gauge.set(last.gauge);
    this.way.set('keyed');
  }

  /** Of any other saw the traced heights and gullets are readings by scan in the session. */
  protected gaugeTrace(): void {
    const [line, saw] = [this.scans.line(), this.keeper.dossier()?.saw];
    if (line && saw) {
      this.gauging.takeAll(gaugedOfTrace(saw, line));
      this.angles.takeTrace(anglesOfTrace(line));
    }
    this.way.set('gauge');
  }

  /** All that was measured of this saw on this ticket, as an open file. */
  protected saveMeasured(): void {
    const dossier = this.keeper.dossier();
    if (dossier)
      offerFile(
        JSON.stringify(measuredOf(dossier), null, 2),
        'application/json',
        `ticket-${dossier.ticket.number}-measured.json`,
      );
  }
  protected readonly anyMeasured = computed(() => {
    const dossier = this.keeper.dossier();
    return !!dossier && (dossier.gaugings.length > 0 || dossier.measurings.some((m) => m.readings.length > 0));
  });

  protected plan(): void {
    this.leaving = true;
    this.keeper.finish();
  }
}

/** A scan shows no lean and no set: what was measured of them stays with its tooth where the count agrees. */
function withKeyedSet(traced: readonly ToothReading[], keyed: readonly ToothReading[]): ToothReading[] {
  return traced.map((t, i) => {
    const old = keyed.length === traced.length ? keyed[i] : undefined;
    return old ? { ...t, lean: old.lean, setMm: t.kind === 'missing' ? null : old.setMm, note: old.note } : t;
  });
}
