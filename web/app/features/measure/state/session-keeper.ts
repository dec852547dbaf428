import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Gauging, NewAngle, NewGauged } from '@odontis/contract/gauging';
import { MOST_GAUGED } from '@odontis/contract/gauging';
import type { MeasuringKind } from '@odontis/contract/readings';
import { ticketFeature, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { keepPending, recallAngles, recallGauged } from './pending-readings';

/** After a refusal that was no fault of the readings, the next try waits so long. */
const AGAIN_MS = 4000;

/**
 * The session that is going on: readings of gauges and of angles, what the server has
 * of them and what is on its way. The first reading opens a session; what the server
 * has not got yet is kept in the browser; nothing taken is ever changed.
 */
@Injectable()
export class SessionKeeper {
  private readonly store = inject(Store);
  readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly busy = this.store.selectSignal(ticketFeature.selectBusy);
  readonly refusal = this.store.selectSignal(ticketFeature.selectRefusal);
  readonly kind = signal<MeasuringKind>('before');
  private readonly pendingGauged = signal<readonly NewGauged[]>([]);
  private readonly pendingAngles = signal<readonly NewAngle[]>([]);
  /** A finished session shown behind the readings of this one. */
  readonly behind = signal<number | null>(null);

  readonly session = computed<Gauging | null>(
    () => this.dossier()?.gaugings.findLast((g) => g.kind === this.kind() && g.finishedAt === null) ?? null,
  );
  readonly finished = computed(() => this.dossier()?.gaugings.filter((g) => g.finishedAt !== null) ?? []);
  readonly shownBehind = computed(() => this.finished().find((g) => g.id === this.behind()) ?? null);
  // Against every session, so that a session being closed does not send its readings again.
  readonly unsentGauged = computed(() =>
    notAmong(
      this.pendingGauged(),
      this.dossier()?.gaugings.flatMap((g) => g.readings),
    ),
  );
  readonly unsentAngles = computed(() =>
    notAmong(
      this.pendingAngles(),
      this.dossier()?.gaugings.flatMap((g) => g.angles),
    ),
  );
  readonly unsent = computed(() => this.unsentGauged().length + this.unsentAngles().length);
  readonly readings = computed<readonly NewGauged[]>(() => [
    ...(this.session()?.readings ?? []),
    ...this.unsentGauged(),
  ]);
  readonly angles = computed<readonly NewAngle[]>(() => [...(this.session()?.angles ?? []), ...this.unsentAngles()]);
  readonly kept = computed(() => (this.session()?.readings.length ?? 0) + (this.session()?.angles.length ?? 0));

  constructor() {
    effect(() => {
      const id = this.dossier()?.ticket.id;
      if (id === undefined) return;
      untracked(() => {
        if (this.pendingGauged().length === 0) this.pendingGauged.set(recallGauged(id));
        if (this.pendingAngles().length === 0) this.pendingAngles.set(recallAngles(id));
      });
    });
    effect((onCleanup) => {
      const [gauged, angles, busy, refusal] = [this.unsentGauged(), this.unsentAngles(), this.busy(), this.refusal()];
      const session = this.session();
      const id = untracked(this.dossier)?.ticket.id;
      if (id === undefined) return;
      keepPending('gauged', id, gauged);
      keepPending('angles', id, angles);
      if (gauged.length + angles.length === 0 || busy || refusal?.code === 'bad-input') return;
      const timer = setTimeout(() => this.send(id, session, gauged, angles), refusal ? AGAIN_MS : 0);
      onCleanup(() => clearTimeout(timer));
    });
  }

  private send(id: number, session: Gauging | null, gauged: readonly NewGauged[], angles: readonly NewAngle[]): void {
    if (!session)
      this.store.dispatch(
        TicketPageEvents.gaugingOpened({ id, gauging: { key: crypto.randomUUID(), kind: this.kind() } }),
      );
    else if (gauged.length > 0)
      this.store.dispatch(
        TicketPageEvents.gaugedAdded({ id, session: session.id, readings: gauged.slice(0, MOST_GAUGED) }),
      );
    else
      this.store.dispatch(
        TicketPageEvents.anglesAdded({ id, session: session.id, readings: angles.slice(0, MOST_GAUGED) }),
      );
  }

  add(readings: readonly NewGauged[]): void {
    this.pendingGauged.update((all) => [...all, ...readings]);
  }

  addAngles(readings: readonly NewAngle[]): void {
    this.pendingAngles.update((all) => [...all, ...readings]);
  }

  finish(note: string): void {
    const [id, session] = [this.dossier()?.ticket.id, this.session()];
    if (id !== undefined && session && this.unsent() === 0)
      this.store.dispatch(TicketPageEvents.gaugingFinished({ id, session: session.id, note }));
  }
}

function notAmong<R extends { readonly key: string }>(all: readonly R[], kept: readonly { key: string }[] = []): R[] {
  const here = new Set(kept.map((r) => r.key));
  return all.filter((r) => !here.has(r.key));
}
