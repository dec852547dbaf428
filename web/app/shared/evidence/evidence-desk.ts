import { computed, effect, inject, untracked } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier as dossierForm } from '@odontis/contract/dossier';
import { currentOf } from '../api/refusal';
import { standing } from '@odontis/core/evidence/estimates';
import type { Reading } from '@odontis/core/evidence/reading';
import { MOST_READINGS } from '@odontis/core/evidence/reading';
import type { SessionKind, SessionReadings } from '@odontis/core/evidence/session';
import { doorFeature } from '../state/door.feature';
import { selectRequest, ticketFeature, TicketPageEvents } from '../state/ticket.feature';
import type { WaitingBatch } from './waiting-readings';
import { keepWaiting, recallWaiting } from './waiting-readings';

/** Taking rests this long before what was taken is sent: a fast hand's readings go together. */
const REST_MS = 250;
/** After a refusal that was no fault of the readings, the next try waits so long. */
const AGAIN_MS = 4000;
/** Nothing is sent again by itself after these: a person looks first. */
const STOPPED: ReadonlySet<string> = new Set(['bad-input', 'edited-elsewhere']);

interface EvidenceState {
  /** The ticket these are of; readings of another never mix in. */
  readonly ticketId: number | null;
  readonly kind: SessionKind;
  readonly waiting: readonly WaitingBatch[];
  /** A session begun here that the server may not know yet, by kind. */
  readonly begun: Readonly<Partial<Record<SessionKind, string>>>;
  /** A finished session shown behind the readings of this one. */
  readonly behind: string | null;
}
const initial: EvidenceState = { ticketId: null, kind: 'before', waiting: [], begun: {}, behind: null };

/**
 * Everything read of the saw: what the server has, what is on its way, and the one sender of
 * both. A reading carries its session's key from the moment it is taken, so that measuring
 * anew, a reload or a lost answer neither mixes sessions nor counts anything twice.
 */
export const EvidenceDesk = signalStore(
  withState(initial),
  withProps(() => {
    const store = inject(Store);
    return {
      store,
      dossier: store.selectSignal(ticketFeature.selectDossier),
      request: store.selectSignal(selectRequest('evidence')),
      closing: store.selectSignal(selectRequest('session')),
      sitting: store.selectSignal(doorFeature.selectSittingKey),
    };
  }),
  withComputed(({ dossier, kind, waiting, begun, behind, request, closing }) => {
    const sessions = computed(() => dossier()?.sessions ?? []);
    /** The session that the next reading goes into; null where the first one begins it. */
    const sessionKey = computed(
      () => begun()[kind()] ?? sessions().findLast((s) => s.kind === kind() && s.finishedAt === null)?.key ?? null,
    );
    // Against everything kept, so that a session being closed does not send its readings again.
    const unsent = computed<readonly WaitingBatch[]>(() => {
      const known = new Set(sessions().flatMap((s) => s.readings.map((r) => r.key)));
      return waiting()
        .map((b) => ({ ...b, readings: b.readings.filter((r) => !known.has(r.key)) }))
        .filter((b) => b.readings.length > 0);
    });
    /** All of it, sent or not, session by session. */
    const evidence = computed<readonly SessionReadings[]>(() => {
      const more = new Map<string, SessionReadings>();
      for (const { session, readings } of unsent())
        more.set(session.key, { ...session, readings: [...(more.get(session.key)?.readings ?? []), ...readings] });
      const known = sessions().map((s): SessionReadings => {
        const fresh = more.get(s.key)?.readings;
        more.delete(s.key);
        return fresh ? { key: s.key, kind: s.kind, readings: [...s.readings, ...fresh] } : s;
      });
      return [...known, ...more.values()];
    });
    return {
      sessionKey,
      unsent,
      unsentCount: computed(() => unsent().reduce((sum, b) => sum + b.readings.length, 0)),
      evidence,
      session: computed(() => sessions().find((s) => s.key === sessionKey()) ?? null),
      finished: computed(() => sessions().filter((s) => s.finishedAt !== null)),
      shownBehind: computed(() => sessions().find((s) => s.key === behind() && s.finishedAt !== null) ?? null),
      readings: computed<readonly Reading[]>(() => evidence().find((s) => s.key === sessionKey())?.readings ?? []),
      refusal: computed(() => request().refusal ?? closing().refusal),
      /** Theirs, where somebody else measured the same places meanwhile. */
      theirs: computed<Dossier | null>(() => {
        const refusal = request().refusal;
        return refusal?.code === 'edited-elsewhere' ? currentOf(refusal, dossierForm) : null;
      }),
    };
  }),
  withMethods((desk) => {
    const add = (batch: WaitingBatch): void => {
      const last = desk.waiting().at(-1);
      const same = last?.session.key === batch.session.key && last.sitting === batch.sitting ? last : undefined;
      patchState(desk, ({ waiting }) => ({
        waiting: same
          ? waiting.map((b) => (b === same ? { ...b, readings: [...b.readings, ...batch.readings] } : b))
          : [...waiting, batch],
      }));
    };
    /** The session to take into, begun where there is none. */
    const open = (): string => {
      const key = desk.sessionKey() ?? crypto.randomUUID();
      if (key !== desk.begun()[desk.kind()])
        patchState(desk, ({ begun, kind }) => ({ begun: { ...begun, [kind]: key } }));
      return key;
    };
    const moved = (from: string, key: string, change: (r: Reading) => Reading = (r) => r): void =>
      patchState(desk, ({ waiting, begun, kind }) => ({
        waiting: waiting.map((b) =>
          b.session.key === from ? { ...b, session: { ...b.session, key }, readings: b.readings.map(change) } : b,
        ),
        begun: { ...begun, [kind]: key },
      }));
    return {
      chooseKind: (kind: SessionKind): void => patchState(desk, { kind }),
      showBehind: (behind: string | null): void => patchState(desk, { behind }),
      take(readings: readonly Reading[]): void {
        if (readings.length > 0)
          add({ session: { key: open(), kind: desk.kind() }, readings, sitting: desk.sitting() });
      },
      /** Another session: what was measured stays as it is, and the next reading begins afresh. */
      measureAnew: (): void =>
        patchState(desk, ({ begun, kind }) => ({ begun: { ...begun, [kind]: crypto.randomUUID() } })),
      finish(note: string): void {
        const [id, session] = [desk.ticketId(), desk.session()];
        if (id === null || !session || desk.unsentCount() > 0) return;
        patchState(desk, ({ begun, kind }) => ({ begun: { ...begun, [kind]: undefined } }));
        desk.store.dispatch(TicketPageEvents.sessionFinished({ id, session: session.key, note }));
      },
      /** The session was closed meanwhile: what waits for it begins another. */
      moveOn(from: string): void {
        // What the server has of it stays where it is: only the rest moves.
        patchState(desk, { waiting: desk.unsent() });
        const mine = new Set(desk.waiting().flatMap((b) => b.readings.map((r) => r.key)));
        // What corrected a reading of the closed session stands by itself in the new one.
        moved(from, crypto.randomUUID(), (r) =>
          r.corrects !== null && !mine.has(r.corrects) ? { ...r, corrects: null } : r,
        );
      },
      /** Both stay in the record; mine stand: they correct what the other measured at the same places. */
      keepMine(): void {
        const [theirs, own] = [desk.theirs(), desk.unsent()[0]];
        if (!theirs || !own) return;
        const open = theirs.sessions.findLast((s) => s.kind === own.session.kind && s.finishedAt === null);
        patchState(desk, { waiting: desk.unsent() });
        const counting = standing(open?.readings ?? []);
        const at = (r: Reading): Reading | undefined =>
          counting.findLast((o) => o.quantity === r.quantity && o.place === r.place && o.part === r.part);
        const corrected = new Set<string>();
        if (open)
          moved(own.session.key, open.key, (r) => {
            const other = r.corrects === null ? at(r) : undefined;
            if (!other || corrected.has(other.key)) return r;
            corrected.add(other.key);
            return { ...r, corrects: other.key };
          });
        desk.store.dispatch(TicketPageEvents.theirsTaken({ dossier: theirs, request: 'evidence' }));
      },
      /** Mine that were not sent go; theirs are on the screen. */
      takeTheirs(): void {
        const theirs = desk.theirs();
        if (!theirs) return;
        patchState(desk, ({ begun, kind }) => ({ waiting: [], begun: { ...begun, [kind]: undefined } }));
        desk.store.dispatch(TicketPageEvents.theirsTaken({ dossier: theirs, request: 'evidence' }));
      },
      /** What the server will not have is let go, so that the rest can be sent. */
      dropRefused(): void {
        const id = desk.ticketId();
        const [, ...rest] = desk.unsent();
        patchState(desk, { waiting: rest });
        if (id !== null) desk.store.dispatch(TicketPageEvents.refusalRead({ id, request: 'evidence' }));
      },
    };
  }),
  withHooks({
    onInit(desk) {
      effect(() => {
        const id = desk.dossier()?.ticket.id ?? null;
        untracked(() => {
          if (id === null || id === desk.ticketId()) return;
          const waiting = recallWaiting(id);
          const begun = Object.fromEntries(waiting.map((b) => [b.session.kind, b.session.key]));
          patchState(desk, { ...initial, kind: desk.kind(), ticketId: id, waiting, begun });
        });
      });
      effect((onCleanup) => {
        const [id, unsent, { busy, refusal }] = [desk.ticketId(), desk.unsent(), desk.request()];
        if (id === null) return;
        keepWaiting(id, unsent);
        const batch = unsent[0];
        if (!batch || busy || (refusal && STOPPED.has(refusal.code))) return;
        if (refusal?.code === 'session-closed') {
          untracked(() => {
            desk.moveOn(batch.session.key);
            desk.store.dispatch(TicketPageEvents.refusalRead({ id, request: 'evidence' }));
          });
          return;
        }
        const timer = setTimeout(
          () => {
            const seen = untracked(desk.dossier)?.seen ?? 0;
            const readings = batch.readings.slice(0, MOST_READINGS);
            desk.store.dispatch(
              TicketPageEvents.evidenceTaken({
                id,
                evidence: { session: batch.session, seen, readings: [...readings] },
                sitting: batch.sitting,
              }),
            );
          },
          refusal ? AGAIN_MS : REST_MS,
        );
        onCleanup(() => clearTimeout(timer));
      });
    },
  }),
);
export type EvidenceDesk = InstanceType<typeof EvidenceDesk>;
