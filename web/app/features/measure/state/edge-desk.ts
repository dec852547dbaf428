import { computed } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { setsOf, summariseSets } from '@odontis/core/photograph/edge-readings';
import { edgeWords } from '@odontis/core/photograph/photograph-words';
import type { PhotographWish } from '@odontis/core/photograph/see-marks';
import type { LaidEdge } from '../../../workers/picture-protocol';
import { PictureClient, PictureStopped } from '../../../workers/picture-client';
import { faultWords } from './picture-words';
import type { ShownPicture } from './shown-picture';

/** Points usually stand about so far over strips that were brought up under the gullets, mm. */
export const USUAL_OVER_MM = 5;

interface EdgeState {
  readonly pitchMm: number;
  readonly gulletMm: number | null;
  readonly laying: PhotographWish;
  readonly picture: ShownPicture | null;
  readonly edge: LaidEdge | null;
  readonly overMm: number;
  readonly first: number;
  readonly heel: 'left' | 'right';
  readonly share: number | null;
  readonly refusal: string;
}
const NOTHING = { picture: null, edge: null, refusal: '', share: null } satisfies Partial<EdgeState>;
const initial: EdgeState = {
  ...NOTHING,
  pitchMm: 0,
  gulletMm: null,
  laying: {},
  overMm: USUAL_OVER_MM,
  first: 1,
  heel: 'left',
};

/** A photograph along the points on the measuring desk: set and lean of its teeth, until they are taken as readings. */
export const EdgeDesk = signalStore(
  withState(initial),
  withProps(() => ({ held: { file: null as File | null, opening: null as PictureClient | null } })),
  withComputed(({ edge, first, heel, laying }) => {
    const sets = computed(() => {
      const seen = edge();
      return seen ? setsOf(seen.teeth, first(), heel()) : [];
    });
    const plateMm = computed(() => laying().plateMm ?? 0);
    return {
      sets,
      summary: computed(() => {
        const seen = edge();
        return seen ? summariseSets(sets(), plateMm(), seen.sideErrorMm) : null;
      }),
      words: computed(() => {
        const seen = edge();
        return seen ? edgeWords(seen, plateMm()) : '';
      }),
      /** Where each tooth's point is seen in the picture, with its number. */
      points: computed(() => {
        const seen = edge();
        if (!seen) return [];
        const order = heel() === 'left' ? seen.teeth : [...seen.teeth].reverse();
        return order.map(({ tipPx }, i) => ({ ...tipPx, says: String(first() + i) }));
      }),
    };
  }),
  withMethods((desk) => {
    const clear = (): void => {
      desk.picture()?.client.end();
      patchState(desk, NOTHING);
    };
    const read = async (file: File): Promise<void> => {
      clear();
      const client = new PictureClient();
      desk.held.opening = client;
      patchState(desk, { share: 0 });
      try {
        const gulletMm = desk.gulletMm();
        const edge = { pitchMm: desk.pitchMm(), overMm: desk.overMm(), ...(gulletMm !== null && { gulletMm }) };
        const opened = await client.open(file, (share) => patchState(desk, { share }), { ...desk.laying(), edge });
        if (!opened.ok) {
          client.end();
          patchState(desk, { refusal: faultWords(opened, file.name) });
        } else
          patchState(desk, {
            picture: { name: file.name, client, header: opened.header },
            edge: opened.edge ?? null,
          });
      } catch (error) {
        if (!(error instanceof PictureStopped)) throw error;
      } finally {
        desk.held.opening = null;
        patchState(desk, { share: null });
      }
    };
    return {
      clear,
      startFrom: (saw: Pick<EdgeState, 'pitchMm' | 'gulletMm' | 'laying'>): void => patchState(desk, saw),
      open(file: File): Promise<void> {
        desk.held.file = file;
        return read(file);
      },
      /** The same picture once more, by what is known now. */
      async layAnew(): Promise<void> {
        if (desk.held.file && desk.picture()) await read(desk.held.file);
      },
      /** The same picture once more, the points so far over the strips. */
      async standOver(overMm: number): Promise<void> {
        patchState(desk, { overMm });
        if (desk.held.file) await read(desk.held.file);
      },
      countFrom: (first: number): void => patchState(desk, { first }),
      turn: (heel: 'left' | 'right'): void => patchState(desk, { heel }),
      stop(): void {
        desk.held.opening?.end();
        patchState(desk, { share: null });
      },
    };
  }),
  withHooks({
    onDestroy({ held, picture }) {
      held.opening?.end();
      picture()?.client.end();
    },
  }),
);
export type EdgeDesk = InstanceType<typeof EdgeDesk>;
