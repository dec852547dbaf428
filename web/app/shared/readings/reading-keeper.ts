import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import type { Measuring, MeasuringKind } from '@odontis/contract/readings';
import { findReadingFaults } from '@odontis/core/saw/reading-faults';
import type { Gauge } from '@odontis/core/gauge/gauges';
import { lineStatistics } from '@odontis/core/saw/line-statistics';
import { teethOnLine } from '@odontis/core/saw/points';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';
import type { Difference } from '../conflict/conflict';
import { Speech } from '../speech/speech';
import { ticketFeature, TicketPageEvents } from '../state/ticket.feature';
import { ReadingSheet } from './reading-sheet';
import { keepUnsent, recallUnsent } from './unsent-readings';

/** Typing rests this long before the server is sent the line. */
const REST_MS = 700;

/**
 * One measuring of a ticket being keyed: kept in the browser at every value,
 * by the server at every rest, and never over somebody else's work.
 */
@Injectable()
export class ReadingKeeper {
  private readonly store = inject(Store);
  private readonly speech = inject(Speech);
  readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly busy = this.store.selectSignal(ticketFeature.selectBusy);
  readonly refusal = this.store.selectSignal(ticketFeature.selectRefusal);
  private kind: MeasuringKind = 'before';
  private readonly version = signal(0);
  private readonly sent = signal<readonly ToothReading[] | null>(null);
  readonly sheet = signal<ReadingSheet | null>(null);
  readonly editable = signal(true);
  /** What the line is measured with. */
  readonly gauge = signal<Gauge>('straight-edge');
  private nextSitting = false;

  readonly readings = computed(() => this.sheet()?.readings() ?? []);
  readonly statistics = computed(() => lineStatistics(this.readings()));
  readonly faults = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? findReadingFaults(this.readings(), saw.pitchMm, saw.plateThicknessMm) : [];
  });
  readonly expectedTeeth = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? teethOnLine(saw.toothLineMm, saw.pitchMm) : 0;
  });
  readonly unsaved = computed(() => this.sheet() !== null && this.sent() !== this.readings());

  constructor() {
    effect((onCleanup) => {
      const [readings, unsaved, busy, refusal] = [this.readings(), this.unsaved(), this.busy(), this.refusal()];
      const dossier = untracked(this.dossier);
      if (!dossier || !untracked(this.editable)) return;
      keepUnsent(dossier.ticket.id, this.kind, unsaved ? { version: untracked(this.version), readings } : null);
      if (!unsaved || busy || refusal?.code === 'edited-elsewhere' || refusal?.code === 'bad-input') return;
      const timer = setTimeout(() => this.send(false), refusal ? REST_MS * 6 : REST_MS);
      onCleanup(() => clearTimeout(timer));
    });
    effect(() => {
      const dossier = this.dossier();
      if (dossier) untracked(() => this.receive(dossier));
    });
  }

  /** Begin with what the server holds, or with what was typed here and never reached it. */
  open(kind: MeasuringKind, startFrom: (dossier: Dossier) => readonly ToothReading[]): void {
    this.kind = kind;
    const dossier = this.dossier();
    if (!dossier || this.sheet()) return;
    const held = this.held(dossier);
    const sheet = new ReadingSheet(dossier.saw.pitchMm);
    const unsent = recallUnsent(dossier.ticket.id, kind);
    sheet.load(unsent?.readings ?? held?.readings ?? startFrom(dossier));
    this.version.set(unsent?.version ?? held?.version ?? 0);
    this.gauge.set(held?.gauge ?? 'straight-edge');
    // What the line starts from is nobody's measurement: only what is keyed here is sent.
    this.sent.set(unsent ? null : sheet.readings());
    this.sheet.set(sheet);
  }

  /** The next round of the same kind of measuring. */
  reopen(kind: MeasuringKind, startFrom: (dossier: Dossier) => readonly ToothReading[]): void {
    this.sheet.set(null);
    this.lastSent = null;
    this.open(kind, startFrom);
  }

  /** Another sitting: what was measured stays in the record as it is, and the sheet is empty. */
  measureAnew(): void {
    this.nextSitting = true;
    this.sheet()?.replace([]);
    this.sheet()?.goTo(0);
  }

  /** The sitting before this one of the same kind and round. */
  readonly earlier = computed<Measuring | null>(() => {
    const dossier = this.dossier();
    const held = dossier && this.held(dossier);
    return (
      dossier?.measurings.find(
        (m) => held && m.kind === held.kind && m.round === held.round && m.sitting < held.sitting,
      ) ?? null
    );
  });

  finish(): void {
    this.send(true);
  }

  private held(dossier: Dossier): Measuring | undefined {
    const round = this.kind === 'before' ? 1 : dossier.checks.length + 1;
    return dossier.measurings.find((m) => m.kind === this.kind && m.round === round);
  }

  private lastSent: readonly ToothReading[] | null = null;

  private send(finish: boolean): void {
    const dossier = this.dossier();
    if (!dossier) return;
    const readings = [...this.readings()] as ToothReading[];
    this.lastSent = this.readings();
    const change = { version: this.version(), readings, finish, gauge: this.gauge(), anew: this.nextSitting };
    this.nextSitting = false;
    this.store.dispatch(TicketPageEvents.readingsKept({ id: dossier.ticket.id, kind: this.kind, change }));
  }

  /** The server's answer to our own line moves the version on. */
  private receive(dossier: Dossier): void {
    const held = this.held(dossier);
    if (!held || !this.lastSent || held.version !== this.version() + 1) return;
    this.version.set(held.version);
    this.sent.set(this.lastSent);
    this.lastSent = null;
  }

  readonly theirs = computed<Measuring | null>(() => {
    const refusal = this.refusal();
    const current = refusal?.code === 'edited-elsewhere' ? (refusal.current as Dossier | undefined) : undefined;
    return current?.measurings ? (this.held(current) ?? null) : null;
  });

  readonly differences = computed<Difference[]>(() => {
    const theirs = this.theirs();
    if (!theirs) return [];
    const say = (r: ToothReading | undefined): string =>
      r
        ? `${r.kind === 'tooth' ? '' : `${r.kind}, `}${this.speech.fine(r.yMm)}${r.setMm ? `, set ${this.speech.fine(r.setMm)}` : ''}`
        : 'not measured';
    const mine = this.readings();
    const count = Math.max(mine.length, theirs.readings.length);
    return Array.from({ length: count }, (_, i) => ({
      what: `Tooth ${i + 1}`,
      mine: say(mine[i]),
      theirs: say(theirs.readings[i] as ToothReading),
    })).filter((row) => row.mine !== row.theirs);
  });

  keepMine(): void {
    const theirs = this.theirs();
    if (!theirs) return;
    this.version.set(theirs.version);
    this.send(false);
  }

  takeTheirs(): void {
    const theirs = this.theirs();
    const current = this.refusal()?.current as Dossier | undefined;
    if (!theirs || !current) return;
    this.version.set(theirs.version);
    this.sheet()?.load(theirs.readings as ToothReading[]);
    this.sent.set(this.readings());
    this.store.dispatch(TicketPageEvents.theirsTaken({ dossier: current }));
  }
}
