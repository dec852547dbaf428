import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { measuredOf } from '@odontis/contract/measured-saw';
import { GAUGE_WORDS, LENGTH_GAUGES } from '@odontis/core/evidence/gauges';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { ToothSet } from '@odontis/core/photograph/edge-readings';
import { isGauged } from '@odontis/core/saw/edges';
import { offsetOf } from '@odontis/core/saw/tooth-pattern';
import { readingsOfTrace } from '@odontis/core/trace/readings-of-trace';
import { isLinePlanned } from '@odontis/core/work/families';
import { roundDrawing } from '../../../sawpage/round-drawing';
import type { PreparationSaid } from '@odontis/contract/preparing';
import { Preparing } from './preparing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Conflict } from '../../../shared/conflict/conflict';
import { differencesOf } from '../../../shared/evidence/differences';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { LineDesk } from '../../../shared/evidence/line-desk';
import { ReadingsRefused } from '../../../shared/evidence/readings-refused';
import { ReadingDesk } from '../../../shared/evidence/reading-desk';
import { GaugeDesk } from '../../../shared/gauge/gauge-desk';
import { GaugeKeeper } from '../../../shared/gauge/gauge-keeper';
import { Speech } from '../../../shared/speech/speech';
import { selectRequest, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { Refused } from '../../../shared/ui/refused';
import { offerFile } from '../../../shared/ui/offer-file';
import { gaugedSays } from '../data/gauged-words';
import { gaugedDrawing, keyedDrawing } from '../data/measure-drawing';
import { AngleKeeper } from '../state/angle-keeper';
import { EdgeDesk } from '../state/edge-desk';
import { PictureKeeper } from '../state/picture-keeper';
import { PictureMeasures } from '../state/picture-measures';
import { TraceDesk } from '../state/trace-desk';
import { AngleDesk } from './angle-desk';
import { ReadingsRight } from './readings-right';
import { PictureWays } from './picture-ways';

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
    ReadingsRight,
    Conflict,
    Notice,
    ReadingsRefused,
    Refused,
    Preparing,
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
  private readonly preparing = this.store.selectSignal(selectRequest('preparing'));
  protected readonly preparingBusy = computed(() => this.preparing().busy);
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
  private readonly edge = this.measures.edge;
  protected readonly gaugedSays = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return saw ? gaugedSays(saw, this.evidence.evidence()) : '';
  });
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
  /** Measured and planned on: what was read wrongly is put right, not taken over. */
  protected readonly rightable = computed(() => {
    const dossier = this.evidence.dossier();
    const open = dossier && ['bench', 'check', 'handover'].includes(dossier.ticket.stage);
    return open && dossier.sessions.some((s) => s.readings.length > 0) ? dossier : null;
  });
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
    const by = { say: this.speech.fine, habits };
    if (isGauged(dossier.saw)) {
      const teeth = line ? readingsOfTrace(line) : (this.gauged()?.teeth ?? []);
      const at = ['gauge', 'keyed'].includes(this.way()) && !this.gauging.atStation() ? this.gauging.place() : null;
      this.sheet.drawing.set(gaugedDrawing(dossier, { teeth, traced: line !== null, edge: this.edge(), at }, by));
      return;
    }
    const keyed = {
      ...{ keyed: this.shownLine(), traced: line, before: this.earlier()?.teeth ?? null },
      cursor: line ? (this.trace.selected() ?? 0) - 1 : this.lines.cursor(),
      pitchMm: this.lines.statistics()?.pitchMm ?? dossier.saw.pitchMm,
      ...{ places: this.lines.places(), bare: this.way() === 'angles' },
    };
    this.sheet.drawing.set(keyedDrawing(dossier, keyed, by));
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
  protected readonly refusal = computed(() => this.measured().refusal ?? this.preparing().refusal);
  protected readonly differences = computed(() => {
    const theirs = this.evidence.theirs();
    return theirs ? differencesOf(this.evidence.unsent(), theirs, this.speech) : [];
  });

  /** What was measured stays in the record as it is; the next value begins another session. */
  protected measureAnew(): void {
    this.evidence.measureAnew();
    this.lines.begin();
  }

  protected prepared(done: Omit<PreparationSaid, 'version'>): void {
    const ticket = this.evidence.dossier()?.ticket;
    if (!ticket) return;
    const preparation = { ...done, version: ticket.version };
    this.store.dispatch(TicketPageEvents.prepared({ id: ticket.id, preparation }));
  }

  protected readAnew(): void {
    const id = this.evidence.ticketId();
    this.leaving = false;
    if (id !== null) this.store.dispatch(TicketPageEvents.readAnew({ id, refused: ['measured', 'preparing'] }));
  }

  protected plan(): void {
    const ticket = this.evidence.dossier()?.ticket;
    if (!ticket) return;
    this.leaving = true;
    this.store.dispatch(TicketPageEvents.lineMeasured({ id: ticket.id, version: ticket.version }));
  }
}
