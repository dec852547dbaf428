import { computed } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import type { Cut } from '@odontis/core/saw/families';
import type { TraceEdit } from '@odontis/core/trace/edit-trace';
import { editTrace, withLooks } from '@odontis/core/trace/edit-trace';
import { JOIN_WORDS, joinTraces, LEAST_OVERLAP } from '@odontis/core/trace/join-traces';
import { believableDpi } from '@odontis/core/trace/picture-faults';
import type { PictureScale } from '@odontis/core/trace/scale';
import { patternFromHeel } from '@odontis/core/trace/raker-pattern';
import { PHOTOGRAPH_REFUSAL_WORDS, photographWords } from '@odontis/core/photograph/photograph-words';
import { sharedTeeth } from '@odontis/core/photograph/shared-teeth';
import { scaleFault, scaleFromDpi, scaleFromLength } from '@odontis/core/trace/scale';
import type { PicturePlace, TracedLine, TracedTooth } from '@odontis/core/trace/traced-line';
import { TOOTH_DOUBTS } from '@odontis/core/trace/traced-line';
import { REFUSAL_WORDS, scaleFaultWords } from '@odontis/core/trace/trace-words';
import type { TraceWish } from '@odontis/core/trace/trace-teeth';
import { fleamSeen, turnsOfTrace } from '@odontis/core/trace/turns-of-trace';
import type { LaidPhotograph, PictureWish } from '../../../workers/picture-protocol';
import { PictureClient, PictureStopped } from '../../../workers/picture-client';
import { faultWords } from './picture-words';
import type { ShownPicture } from './shown-picture';

// Over 250 lines: one store; opening, tracing, joining and undoing all change the same pictures and their line.

/** One picture on the desk. */
export interface OpenPicture extends ShownPicture {
  readonly file: File;
  readonly scale: PictureScale | null;
  /** What the strips of a photograph gave; null for a scan. */
  readonly photograph: LaidPhotograph | null;
  readonly line: TracedLine | null;
}

export type PictureBusy = { readonly what: 'reading' | 'tracing'; readonly share: number } | null;
type Lie = Pick<TraceWish, 'teethPoint' | 'heel'>;

const MOST_UNDO = 200;

interface TraceDeskState {
  /** What the saw itself says: its pitch, and which way it cuts. */
  readonly pitchMm: number;
  readonly cuts: Cut;
  /** One repeat of cutters and rakers; empty for a saw without rakers. */
  readonly pattern: string;
  /** What photographs are laid by: the plate's thickness, and what the shop's printer makes of a millimetre. */
  readonly laying: PictureWish;
  /** Of teeth filed askew: how thick the plate is under their bevels, mm, and whether each is filed alone; null where none are looked for. */
  readonly bevels: { readonly plateMm: number; readonly alone: boolean } | null;
  readonly pictures: readonly OpenPicture[];
  readonly shown: number;
  readonly busy: PictureBusy;
  readonly refusal: string;
  readonly lie: Lie;
  readonly line: TracedLine | null;
  readonly selected: number | null;
  readonly past: readonly TracedLine[];
  readonly future: readonly TracedLine[];
}
const NOTHING = {
  pictures: [],
  shown: 0,
  line: null,
  past: [],
  future: [],
  selected: null,
  refusal: '',
  lie: {},
} satisfies Partial<TraceDeskState>;
const initial: TraceDeskState = {
  ...NOTHING,
  pitchMm: 0,
  cuts: 'push',
  pattern: '',
  laying: {},
  bevels: null,
  busy: null,
};

/**
 * Pictures on the measuring desk: opened and traced in workers, joined, corrected by hand with undo.
 * Pictures stay with their workers; here are the teeth that came of them, until they are taken as readings.
 */
export const TraceDesk = signalStore(
  withState(initial),
  // A picture that is being read has no place among the pictures yet: it can only be let go.
  withProps(() => ({ opening: { client: null as PictureClient | null } })),
  withComputed(({ pictures, shown, past, future, line, pitchMm, pattern, bevels }) => ({
    /** The turns of the gullets that the bevels' light shows. */
    turns: computed(() => {
      const [traced, of] = [line(), bevels()];
      return traced && of ? turnsOfTrace(traced, of.plateMm, of.alone) : [];
    }),
    /** What the line's lengths are read with: as finely as the least of its pictures tells. */
    gauge: computed(() => (pictures().some((one) => one.photograph) ? ('photograph' as const) : ('scan' as const))),
    /** What a photograph shows and lacks, said before its numbers; null for a scan. */
    ofPhotograph: computed(() => {
      const laid = pictures()[shown()]?.photograph;
      return laid ? photographWords(laid, pitchMm()) : null;
    }),
    picture: computed(() => pictures()[shown()] ?? null),
    canUndo: computed(() => past().length > 0),
    canRedo: computed(() => future().length > 0),
    needsScale: computed(() => pictures().some((picture) => picture.scale === null)),
    scaleDoubt: computed(() => {
      const traced = line();
      const fault =
        traced && pitchMm() > 0 ? scaleFault(traced.summary.pitchMm.value, pitchMm(), traced.mmPerPx) : null;
      return fault ? { says: scaleFaultWords(fault), likelyDpi: fault.likelyDpi } : null;
    }),
    /** The pattern from the heel where the picture reads another than the ticket has; empty where they agree. */
    readsPattern: computed(() => {
      const [traced, told] = [line(), pattern()];
      const reads = traced && told && traced.summary.rakers > 0 ? patternFromHeel(traced.teeth, told) : told;
      return reads === told ? '' : reads;
    }),
    /** Teeth that want a look, the worst doubt first. */
    doubtful: computed<readonly TracedTooth[]>(() => {
      const rank = (t: TracedTooth): number => Math.min(...t.doubts.map((d) => TOOTH_DOUBTS.indexOf(d)));
      const open = (t: TracedTooth): boolean => t.doubts.some((d) => d !== 'moved' && d !== 'added');
      return (line()?.teeth.filter(open) ?? []).sort((a, b) => rank(a) - rank(b) || a.tooth - b.tooth);
    }),
  })),
  withComputed(({ turns }) => ({ fleam: computed(() => fleamSeen(turns())) })),
  withMethods((desk) => {
    const refuse = (refusal: string): void => patchState(desk, { refusal });
    const replace = (index: number, change: Partial<OpenPicture>): void =>
      patchState(desk, ({ pictures }) => ({
        pictures: pictures.map((picture, i) => (i === index ? { ...picture, ...change } : picture)),
      }));
    const worst = (otherwise: number | null): number | null => desk.doubtful()[0]?.tooth ?? otherwise;
    const clear = (): void => {
      desk.pictures().forEach((picture) => picture.client.end());
      patchState(desk, NOTHING);
    };

    /** How many teeth a photograph shares with the one before it, by the strips on both. */
    const byMarks = (index: number): number | undefined => {
      const [first, second] = [desk.pictures()[index - 1], desk.pictures()[index]];
      const [firstBench, secondBench] = [first?.photograph?.bench, second?.photograph?.bench];
      if (!first?.line || !second?.line || !firstBench || !secondBench) return undefined;
      const shared = sharedTeeth({ line: first.line, bench: firstBench }, { line: second.line, bench: secondBench });
      return shared !== null && shared >= LEAST_OVERLAP ? shared : undefined;
    };

    /** Lays every picture on those before it; `told` is how many teeth the last two share. */
    const joinAll = (told?: number): void => {
      const before = desk.line();
      const [first, ...more] = desk.pictures().map((picture) => picture.line);
      let line = first ?? null;
      more.forEach((next, i) => {
        if (!line || !next) return;
        const joined = joinTraces(line, next, (i === more.length - 1 ? told : undefined) ?? byMarks(i + 1));
        if (joined.ok) line = joined.line;
        else refuse(JOIN_WORDS[joined.code]);
      });
      patchState(desk, { past: [], future: [], line: line && before ? withLooks(line, before) : line });
      patchState(desk, { selected: worst(null) });
    };

    const trace = async (index: number): Promise<void> => {
      const picture = desk.pictures()[index];
      if (!picture?.scale) return;
      patchState(desk, { refusal: '', busy: { what: 'tracing', share: 0 } });
      try {
        const pattern = desk.pattern();
        // On the grid the strips are over the points.
        const up = picture.photograph ? { teethPoint: 'up' as const } : {};
        const placeErrorMm = picture.photograph?.placeErrorMm ?? 0;
        const wish = {
          ...picture.scale,
          placeErrorMm,
          cuts: desk.cuts(),
          bevels: desk.bevels() !== null,
          ...(pattern && { pattern }),
          ...up,
          ...desk.lie(),
        };
        const result = await picture.client.trace(wish, (share) =>
          patchState(desk, { busy: { what: 'tracing', share } }),
        );
        if (!result.ok) refuse((picture.photograph ? PHOTOGRAPH_REFUSAL_WORDS : REFUSAL_WORDS)[result.code]);
        replace(index, { line: result.ok ? result : null });
        joinAll();
      } catch (error) {
        if (!(error instanceof PictureStopped)) throw error;
      } finally {
        patchState(desk, { busy: null });
      }
    };
    const rescale = async (scale: () => PictureScale): Promise<void> => {
      const index = desk.shown();
      replace(index, { scale: scale() });
      await trace(index);
    };
    const edit = (change: TraceEdit): void =>
      patchState(desk, ({ line, past }) =>
        line ? { past: [...past.slice(-MOST_UNDO), line], future: [], line: editTrace(line, change) } : {},
      );
    /** Opens a picture; a second one is joined to the first where `join` says so. */
    const open = async (file: File, join: boolean): Promise<void> => {
      if (!join) clear();
      refuse('');
      const client = new PictureClient();
      desk.opening.client = client;
      const reading = (share: number): void => patchState(desk, { busy: { what: 'reading', share } });
      try {
        reading(0);
        const opened = await client.open(file, reading, desk.laying());
        if (!opened.ok) {
          client.end();
          refuse(faultWords(opened, file.name));
          return;
        }
        const { header, photograph } = opened;
        const dpi = believableDpi(header);
        const scale = photograph ?? (dpi === null ? null : scaleFromDpi(dpi));
        const picture: OpenPicture = {
          name: file.name,
          file,
          client,
          header,
          scale: scale && { mmPerPx: scale.mmPerPx, scaleError: scale.scaleError },
          photograph,
          line: null,
        };
        patchState(desk, ({ pictures }) => ({ pictures: [...pictures, picture], shown: pictures.length }));
        if (scale) await trace(desk.shown());
      } catch (error) {
        if (!(error instanceof PictureStopped)) throw error;
      } finally {
        desk.opening.client = null;
        patchState(desk, { busy: null });
      }
    };
    return {
      joinAll,
      edit,
      clear,
      /** The saw whose line is on the picture. */
      startFrom: (saw: Pick<TraceDeskState, 'pitchMm' | 'cuts' | 'pattern' | 'laying' | 'bevels'>): void =>
        patchState(desk, saw),
      select: (selected: number): void => patchState(desk, { selected }),
      show: (shown: number): void => patchState(desk, { shown }),

      open,
      /** The photographs once more, by what is known now; what somebody looked at stays looked at. */
      async layAnew(): Promise<void> {
        const [pictures, before] = [desk.pictures(), desk.line()];
        if (!pictures.some(({ photograph }) => photograph)) return;
        clear();
        for (const { file, photograph, scale } of pictures) {
          await open(file, true);
          // A scan between them keeps the scale that somebody said.
          if (!photograph && scale && desk.picture()?.file === file) await rescale(() => scale);
        }
        const line = desk.line();
        if (line && before) patchState(desk, { line: withLooks(line, before) });
      },
      scaleByDpi: (dpi: number): Promise<void> => rescale(() => scaleFromDpi(dpi)),
      scaleByLength: (lengthMm: number, from: PicturePlace, to: PicturePlace): Promise<void> =>
        rescale(() => scaleFromLength(lengthMm, from, to)),
      async layAs(lie: Lie): Promise<void> {
        patchState(desk, { lie });
        await trace(desk.shown());
      },

      /** Seen and found right; on to the next that wants a look. */
      accept(): void {
        const tooth = desk.selected();
        if (tooth === null) return;
        edit({ do: 'accept', tooth });
        patchState(desk, { selected: worst(tooth) });
      },
      undo: (): void =>
        patchState(desk, ({ line, past, future }) => {
          const before = past.at(-1);
          return line && before ? { past: past.slice(0, -1), future: [...future, line], line: before } : {};
        }),
      redo: (): void =>
        patchState(desk, ({ line, past, future }) => {
          const after = future.at(-1);
          return line && after ? { past: [...past, line], future: future.slice(0, -1), line: after } : {};
        }),

      /** Stops what runs. A picture that was being traced stays open; one half read is let go. */
      stop(): void {
        if (desk.opening.client && desk.busy()?.what === 'reading') desk.opening.client.end();
        else clear();
        patchState(desk, { busy: null });
      },
    };
  }),
  withHooks({
    onDestroy({ opening, pictures }) {
      opening.client?.end();
      pictures().forEach((picture) => picture.client.end());
    },
  }),
);
export type TraceDesk = InstanceType<typeof TraceDesk>;
