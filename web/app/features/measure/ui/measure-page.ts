import { offsetOf } from '@odontis/core/saw/tooth-pattern';
import { MatSelectModule } from '@angular/material/select';
import { MatFormFieldModule } from '@angular/material/form-field';
import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { isLinePlanned } from '@odontis/core/work/families';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { Evidence } from '@odontis/core/evidence/session';
import type { Saw } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import { roundDrawing } from '../../../sawpage/round-drawing';
import { lineOf } from '@odontis/core/evidence/line-of';
import { isGauged, softEdgesOf } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import { measuredOf } from '@odontis/contract/measured-saw';
import {
  baseDrawing,
  drawnTooth,
  heightLane,
  measuredLanes,
  setLane,
  spacingLane,
} from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Conflict } from '../../../shared/conflict/conflict';
import { ReadingDesk } from '../../../shared/evidence/reading-desk';
import { differencesOf } from '../../../shared/evidence/differences';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { LineDesk } from '../../../shared/evidence/line-desk';
import { selectRequest, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { offerFile } from '../../../shared/ui/offer-file';
import { Notice } from '../../../shared/ui/notice';
import { GAUGE_WORDS, LENGTH_GAUGES } from '@odontis/core/evidence/gauges';
import { TraceDesk } from '../state/trace-desk';
import { GaugeKeeper } from '../../../shared/gauge/gauge-keeper';
import { AngleKeeper } from '../state/angle-keeper';
import { AngleDesk } from './angle-desk';
import { GaugeDesk } from '../../../shared/gauge/gauge-desk';
import { PictureWays } from './picture-ways';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { readingsOfTrace } from '@odontis/core/trace/readings-of-trace';
import type { ToothSet } from '@odontis/core/photograph/edge-readings';
import { PictureKeeper } from '../state/picture-keeper';
import { PictureMeasures } from '../state/picture-measures';
import { EdgeDesk } from '../state/edge-desk';

/** Measure the line as it came in; lanes and numbers move as it is typed. */
@Component({
  selector: 'od-measure-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatFormFieldModule,
    MatSelectModule,
    MatButton,
    MatButtonToggleModule,
    NgTemplateOutlet,
    RouterLink,
    AngleDesk,
    GaugeDesk,
    ReadingDesk,
    PictureWays,
    Conflict,
    Notice,
  ],
  providers: [EvidenceDesk, LineDesk, TraceDesk, EdgeDesk, GaugeKeeper, AngleKeeper, PictureKeeper, PictureMeasures],
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
    .go {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin-top: 10px;
    }
  `,
})
export class MeasurePage {
  protected readonly evidence = inject(EvidenceDesk);
  protected readonly lines = inject(LineDesk);
  private readonly store = inject(Store);
  private readonly measured = this.store.selectSignal(selectRequest('measured'));
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  private readonly router = inject(Router);
  private readonly trace = inject(TraceDesk);
  private readonly measures = inject(PictureMeasures);
  private readonly gauging = inject(GaugeKeeper);
  private leaving = false;
  protected readonly way = signal<'keyed' | 'scan' | 'gauge' | 'angles'>('keyed');

  /** Like teeth are keyed one after the other; all else is gauged, quantity by quantity. */
  protected readonly straight = computed(() => {
    const dossier = this.evidence.dossier();
    return !dossier || !isGauged(dossier.saw);
  });
  /** Gauged, and a plan comes out of it. */
  protected readonly toPlan = computed(() => {
    const dossier = this.evidence.dossier();
    return !!dossier && isGauged(dossier.saw);
  });
  private readonly edge = this.measures.edge;
  /** What was gauged so far, in a sentence. */
  protected readonly gaugedSays = computed(() => {
    const [saw, evidence] = [this.evidence.dossier()?.saw, this.evidence.evidence()];
    if (!saw) return '';
    const edges = softEdgesOf(saw);
    if (!isLinePlanned(saw.family)) return this.sampledSays(saw, evidence);
    if (edges.length === 0)
      return `${this.gaugedTeeth()} cutters have a height, ${this.gauged()?.rakersRead.length ?? 0} rakers a depth`;
    const count = (edge: Filing): string =>
      `${lineOf(evidence, saw, 'before', edge)?.heightsRead ?? 0} on the ${edge} edge`;
    return `teeth with a height: ${edges.map(count).join(', ')}`;
  });
  /** A band is planned by its count, a blade by its flats; what was read of them tells the rest. */
  private sampledSays(saw: Saw, evidence: Evidence): string {
    const readings = evidence.filter((s) => s.kind === 'before').flatMap((s) => s.readings);
    const read = (quantity: LengthQuantity): number => estimatesOf(readings, quantity, null).length;
    if (saw.family === 'dado') {
      const heights = readings.filter((r) => r.quantity === 'chipper-height' || r.quantity === 'runout').length;
      return `${saw.parts.length} parts; ${heights} heights read by dial of ${teethOf(saw)} teeth: it may be planned at any time`;
    }
    if (saw.family === 'circular')
      return `${teethOf(saw)} teeth; ${read('runout')} read by dial, ${read('runout-turned')} of them again turned: it may be planned at any time`;
    return `${teethOf(saw)} teeth; set sampled at ${read('set')}, heights at ${read('height')}: it may be planned at any time`;
  }
  /** Teeth enough for a plan, or none wanted. */
  protected readonly mayPlan = computed(() => {
    const family = this.evidence.dossier()?.saw.family;
    return this.gaugedTeeth() >= 3 || (family !== undefined && !isLinePlanned(family));
  });
  /** The line this saw's gauged heights make, those of every session before the work. */
  private readonly gauged = computed(() => {
    const dossier = this.evidence.dossier();
    return dossier && isGauged(dossier.saw)
      ? lineOf(this.evidence.evidence(), dossier.saw, 'before', this.edge())
      : null;
  });
  protected readonly gaugedTeeth = computed(() => this.gauged()?.heightsRead ?? 0);
  protected readonly editable = computed(() =>
    ['measure', 'plan'].includes(this.evidence.dossier()?.ticket.stage ?? ''),
  );
  protected readonly gauges = LENGTH_GAUGES;
  protected readonly gaugeWords = GAUGE_WORDS;
  protected readonly stopped = computed(() => this.lines.faults().some((f) => f.weight === 'stop'));

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
      const ticket = this.evidence.dossier()?.ticket;
      if (!this.leaving || ticket?.stage !== 'plan') return;
      this.leaving = false;
      void this.router.navigate(['/ticket', ticket.id, 'plan']);
    });
    effect(() => this.draw());
    effect(() => {
      // A line that is opened is gone on with after its last tooth.
      if (this.evidence.ticketId() !== null) untracked(() => this.lines.begin());
    });
    effect(() => {
      const tooth = this.sheet.picked();
      if (tooth !== null)
        untracked(() => (this.way() === 'scan' ? this.trace.select(tooth) : this.lines.goTo(tooth - 1)));
    });
  }

  /** The line begins elsewhere in its pattern than the ticket says: the ticket is put right. */
  protected correctPattern(reads: string): void {
    const dossier = this.evidence.dossier();
    if (!dossier || dossier.saw.family !== 'crosscut') return;
    const patternOffset = offsetOf(dossier.saw.pattern, reads);
    if (patternOffset === null) return;
    const { id, version, complaint, promisedOn } = dossier.ticket;
    this.store.dispatch(
      TicketPageEvents.ticketEdited({ id, change: { version, complaint, promisedOn, patternOffset } }),
    );
  }

  private draw(): void {
    const dossier = this.evidence.dossier();
    const habits = this.speech.book()?.habits;
    if (!dossier || !habits) return;
    const line = this.way() === 'scan' ? this.trace.line() : null;
    const shown = { ...dossier, sessions: this.evidence.evidence() };
    const round = line ? null : roundDrawing(shown, this.speech.fine, 'before', this.gauging.part());
    if (round) {
      const at = this.gauging.atStation() ? null : this.gauging.place();
      this.sheet.drawing.set({
        ...round,
        current: at === null ? null : { at, unit: 'tooth' },
      });
      return;
    }
    if (isGauged(dossier.saw)) {
      const teeth = line ? readingsOfTrace(line) : (this.gauged()?.teeth ?? []);
      const at = this.way() === 'gauge' || this.way() === 'keyed' ? this.gauging.place() : null;
      this.sheet.drawing.set({
        ...baseDrawing(dossier, teeth, drawnTooth(dossier, habits, this.edge()), this.edge()),
        current:
          at !== null && teeth.some((r) => r.tooth === at) && !this.gauging.atStation() ? { at, unit: 'tooth' } : null,
        lanes:
          teeth.length < 3 || line
            ? []
            : measuredLanes(dossier.saw, teeth, { say: this.speech.fine, wood: dossier.ticket.wood }),
      });
      return;
    }
    const readings = line ? readingsOfTrace(line) : this.shownLine();
    const before = this.earlier()?.teeth ?? null;
    const tooth = drawnTooth(dossier, habits);
    const pitch = line?.summary.pitchMm.value ?? this.lines.statistics()?.pitchMm ?? dossier.saw.pitchMm;
    const cursor = line ? (this.trace.selected() ?? 0) - 1 : this.lines.cursor();
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
              spacingLane(readings, pitch, habits.evennessShare * pitch, this.speech.fine, before, this.lines.places()),
              setLane(readings, this.speech.fine, before),
            ],
    });
  }

  protected takeTrace(teeth: ToothReading[]): void {
    this.measures.takeLine(teeth);
    this.way.set('keyed');
  }
  protected gaugeTrace(): void {
    this.measures.takeLengths();
    this.way.set('gauge');
  }
  protected takeSets(sets: readonly ToothSet[]): void {
    this.measures.takeSets(sets);
    this.way.set(this.straight() ? 'keyed' : 'gauge');
  }

  /** All that was measured of this saw on this ticket, as an open file. */
  protected saveMeasured(): void {
    const dossier = this.evidence.dossier();
    if (dossier)
      offerFile(
        JSON.stringify(measuredOf(dossier), null, 2),
        'application/json',
        `ticket-${dossier.ticket.number}-measured.json`,
      );
  }
  protected readonly anyMeasured = computed(() => {
    const dossier = this.evidence.dossier();
    return !!dossier && dossier.sessions.some((s) => s.readings.length > 0);
  });

  /** This session's line; where none was begun in it, the one last measured, with the set that was read since. */
  protected readonly shownLine = computed((): readonly ToothReading[] => {
    if (this.lines.readings().length > 0) return this.lines.readings();
    const saw = this.evidence.dossier()?.saw;
    return (saw && lineOf(this.evidence.evidence(), saw, 'before')?.teeth) ?? [];
  });
  protected readonly earlier = computed(() => (this.evidence.sessionKey() === null ? null : this.lines.earlier()));
  protected readonly refusal = computed(() => this.measured().refusal ?? this.evidence.refusal());
  protected readonly differences = computed(() => {
    const theirs = this.evidence.theirs();
    return theirs ? differencesOf(this.evidence.unsent(), theirs, this.speech) : [];
  });

  /** What was measured stays in the record as it is; the next value begins another session. */
  protected measureAnew(): void {
    this.evidence.measureAnew();
    this.lines.begin();
  }

  protected plan(): void {
    const ticket = this.evidence.dossier()?.ticket;
    if (!ticket) return;
    this.leaving = true;
    this.store.dispatch(TicketPageEvents.lineMeasured({ id: ticket.id, version: ticket.version }));
  }
}
