import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withProps, withState } from '@ngrx/signals';
import { standing } from '@odontis/core/evidence/estimates';
import type { LengthGauge } from '@odontis/core/evidence/gauges';
import { lineOf } from '@odontis/core/evidence/line-of';
import { lineStatistics } from '@odontis/core/evidence/line-statistics';
import { teethOfPart } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import { findReadingFaults } from '@odontis/core/evidence/reading-faults';
import { setAt } from '@odontis/core/evidence/set-of';
import type { LineTold, LineValue, Taking } from '@odontis/core/evidence/take';
import { takeAt, takeLine, undone, withdrawn } from '@odontis/core/evidence/take';
import type { Lean, ToothKind, ToothReading } from '@odontis/core/evidence/tooth-reading';
import { sidesOf } from '@odontis/core/evidence/sides';
import { alternateLean } from '@odontis/core/evidence/tooth-reading';
import { sawIn } from '@odontis/core/work/saw-after';
import { placesOn } from '@odontis/core/saw/saw';
import { EvidenceDesk } from './evidence-desk';

/** What a keyed number is: the gap under a straight edge, a height over it, a place, or set per side. */
export type Column = 'gap' | 'height' | 'place' | 'set';

const MOST_UNDO = 500;

interface LineState {
  /** Index of the tooth the next value goes to. */
  readonly cursor: number;
  readonly column: Column;
  /** What the line is measured with. */
  readonly gauge: LengthGauge;
  /** Batches taken, to be undone; and those undone, to be done again. */
  readonly past: readonly (readonly Reading[])[];
  readonly future: readonly (readonly Reading[])[];
  /** The line that is worked on where nothing was measured yet, such as the planned one after the work. */
  readonly startsFrom: readonly ToothReading[];
}
const initial: LineState = { cursor: 0, column: 'gap', gauge: 'straight-edge', past: [], future: [], startsFrom: [] };

/**
 * A tooth line being keyed: one value and on to the next. It keeps no line of its own: what
 * is keyed are readings, and the line on the screen is the view of them. Undo takes the last
 * ones back, in the record as everywhere.
 */
export const LineDesk = signalStore(
  withState(initial),
  withProps(() => ({ evidence: inject(EvidenceDesk) })),
  withComputed(({ evidence, startsFrom, past, future }) => {
    const saw = computed(() => {
      const dossier = evidence.dossier();
      return dossier && sawIn(evidence.kind(), dossier.saw, dossier.plan?.order);
    });
    const own = computed(() => evidence.evidence().filter((s) => s.key === evidence.sessionKey()));
    /** The line of this session; null while nothing of it was read. */
    const view = computed(() => {
      const of = saw();
      return of && lineOf(own(), of, evidence.kind());
    });
    const readings = computed<readonly ToothReading[]>(() => {
      const [line, from] = [view(), startsFrom()];
      if (from.length === 0) return line?.teeth ?? [];
      // On a line that starts from another only what was measured differs from it.
      const of = saw();
      const sets = setAt(evidence.evidence(), evidence.kind(), of ? sidesOf(of) : alternateLean);
      return from.map((t, i) => {
        const read = line && Number.isFinite(line.heightErrorMm[i]) ? line.teeth[i] : undefined;
        return { ...(read ?? t), lean: t.lean, setMm: sets.get(t.tooth)?.valueMm ?? null };
      });
    });
    /** Place of each tooth in pitches: teeth at the toe may stand nearer. */
    const places = computed(() => {
      const of = saw();
      return of ? placesOn(of, readings().length) : undefined;
    });
    return {
      saw,
      view,
      places,
      readings,
      canUndo: computed(() => past().length > 0),
      canRedo: computed(() => future().length > 0),
      statistics: computed(() => lineStatistics(readings(), places())),
      faults: computed(() => {
        const of = saw();
        return of ? findReadingFaults(readings(), of.pitchMm, of.plateThicknessMm, places()) : [];
      }),
      expectedTeeth: computed(() => {
        const of = saw();
        if (startsFrom().length > 0) return startsFrom().length;
        return of ? teethOfPart(of, null) : 0;
      }),
      /** The line as it was last measured before this session, to be shown behind it. */
      earlier: computed(() => {
        const of = saw();
        const others = evidence.evidence().filter((s) => s.key !== evidence.sessionKey());
        const line = of && lineOf(others, of, evidence.kind());
        const session = evidence.dossier()?.sessions.find((s) => s.key === line?.session);
        return line && session ? { teeth: line.teeth, by: session.by, at: session.startedAt } : null;
      }),
    };
  }),
  withMethods((desk) => {
    const how = (): Taking => ({ gauge: desk.gauge(), simulated: false, mint: () => crypto.randomUUID() });
    const counting = (): readonly Reading[] => standing(desk.evidence.readings());
    const goTo = (index: number): void =>
      patchState(desk, { cursor: Math.max(0, Math.min(desk.readings().length, index)) });
    const take = (batch: readonly Reading[]): void => {
      if (batch.length === 0) return;
      patchState(desk, ({ past }) => ({ past: [...past.slice(-MOST_UNDO), batch], future: [] }));
      desk.evidence.take(batch);
    };
    const at = (tooth: number, one: LineValue): Reading[] => takeAt(counting(), tooth, one, how());
    const withdraw = (readings: readonly Reading[]): Reading[] =>
      readings.map((r) => withdrawn(r, () => crypto.randomUUID()));
    return {
      goTo,
      back: (): void => goTo(desk.cursor() - 1),
      chooseColumn: (column: Column): void => patchState(desk, { column }),
      chooseGauge: (gauge: LengthGauge): void => patchState(desk, { gauge }),
      startFrom: (startsFrom: readonly ToothReading[]): void => patchState(desk, { startsFrom }),
      /** Nothing to undo any more, the cursor after the last tooth: a line that was opened, not keyed. */
      begin: (): void => patchState(desk, { past: [], future: [], cursor: desk.readings().length }),
      /** A value for the tooth at the cursor, then on to the next. mm. */
      key(mm: number): void {
        const [index, column] = [desk.cursor(), desk.column()];
        const tooth = index + 1;
        const missing = desk.readings()[index]?.kind === 'missing' && column !== 'place';
        const value = column === 'gap' ? 0 - mm : mm;
        const quantity = column === 'gap' ? 'height' : column;
        take([...(missing ? at(tooth, { quantity: 'kind', value: 'tooth' }) : []), ...at(tooth, { quantity, value })]);
        patchState(desk, { cursor: tooth });
      },
      /**
       * The tooth at the cursor is broken or missing. A broken one nobody has measured yet stands
       * well under its neighbours, never on the line, and the cursor waits there for its height.
       */
      mark(kind: ToothKind): void {
        const tooth = desk.cursor() + 1;
        const here = counting().filter((r) => r.place === tooth);
        const gone = kind === 'missing' ? here.filter((r) => r.quantity === 'height' || r.quantity === 'set') : [];
        take([...at(tooth, { quantity: 'kind', value: kind }), ...withdraw(gone)]);
        const asksHeight = kind === 'broken' && desk.column() !== 'set' && !here.some((r) => r.quantity === 'height');
        if (!asksHeight) patchState(desk, { cursor: tooth });
      },
      /** The teeth from the last on to the n-th stand like it: by eye, which is what their readings say. */
      fillTo(count: number): void {
        const lines = desk.readings();
        const value = lines[lines.length - 1]?.yMm ?? 0;
        const byEye: Taking = { ...how(), gauge: 'eye' };
        take(
          Array.from({ length: Math.max(0, count - lines.length) }, (_, i) =>
            takeAt([], lines.length + i + 1, { quantity: 'height', value }, byEye),
          ).flat(),
        );
        patchState(desk, { cursor: count });
      },
      /** Sets of a few teeth of one side, from the heel on; what was keyed of that side here before is taken back. */
      setsOfSide(lean: Lean, valuesMm: readonly number[]): void {
        const side = desk.readings().filter((r) => (r.lean ?? alternateLean(r.tooth)) === lean && r.kind === 'tooth');
        const teeth = new Set(side.slice(0, valuesMm.length).map((r) => r.tooth));
        const own = new Set(side.map((r) => r.tooth));
        const old = counting().filter((r) => r.quantity === 'set' && own.has(r.place) && !teeth.has(r.place));
        take([
          ...side
            .slice(0, valuesMm.length)
            .flatMap((r, i) => at(r.tooth, { quantity: 'set', value: valuesMm[i] as number })),
          ...withdraw(old),
        ]);
      },
      /** A whole line, as out of a file or a scan. */
      takeLine(told: LineTold, gauge: LengthGauge = desk.gauge()): void {
        take(takeLine(desk.evidence.readings(), told, { ...how(), gauge }));
        patchState(desk, { cursor: told.teeth.length });
      },
      /** The last tooth goes; teeth are numbered without gaps. */
      dropLast(): void {
        const last = desk.readings().length;
        take(withdraw(counting().filter((r) => r.place === last && r.quantity !== 'angles')));
        goTo(last - 1);
      },
      undo(): void {
        const batch = desk.past().at(-1);
        if (!batch) return;
        const back = undone(batch, desk.evidence.readings(), () => crypto.randomUUID());
        patchState(desk, ({ past, future }) => ({ past: past.slice(0, -1), future: [...future, back] }));
        desk.evidence.take(back);
        goTo(Math.min(desk.cursor(), desk.readings().length));
      },
      redo(): void {
        const batch = desk.future().at(-1);
        if (!batch) return;
        const again = undone(batch, desk.evidence.readings(), () => crypto.randomUUID());
        patchState(desk, ({ past, future }) => ({ past: [...past, again], future: future.slice(0, -1) }));
        desk.evidence.take(again);
      },
    };
  }),
);
export type LineDesk = InstanceType<typeof LineDesk>;
