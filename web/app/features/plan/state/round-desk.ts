import { computed, effect, inject, linkedSignal } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import { atWork } from '../data/at-work';
import { orderFromHere } from '@odontis/core/work/from-here';
import { workedBefore, workFactsOf } from '@odontis/contract/work-facts';
import type { Wood } from '@odontis/core/saw/families';
import type { ForetoldCut } from '@odontis/core/testcut/foretold';
import { USUAL_BOARD_MM } from '@odontis/core/testcut/foretold';
import { workOf } from '@odontis/core/work/families';
import { foretellRound } from '@odontis/core/work/families/round-cut';
import type { RoundStudied, RoundStudy, RoundWish } from '@odontis/core/work/family-work';
import type { WayId } from '@odontis/core/work/ways';
import type { RoundOrdered, WorkOrder } from '@odontis/core/work/order';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { ticketFeature } from '../../../shared/state/ticket.feature';

const keyOf = (ticket: number): string => `odontis.round.${ticket}`;

/** What was chosen on the page and not accepted yet, kept over a reload; null where nothing was, or of another family. */
function recalled(ticket: number, plain: RoundWish): RoundWish {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyOf(ticket)) ?? 'null') as RoundWish | null;
    return kept?.family === plain.family ? { ...plain, ...kept } : plain;
  } catch {
    return plain;
  }
}

const whyKeyOf = (ticket: number): string => `odontis.round-why.${ticket}`;

function recalledWhy(ticket: number): string {
  try {
    return sessionStorage.getItem(whyKeyOf(ticket)) ?? '';
  } catch {
    return '';
  }
}

/** What is chosen of a saw that goes round, and everything that comes of it. */
export const RoundDesk = signalStore(
  withState({ again: false, cutWood: null as Wood | null }),
  withProps(() => {
    const store = inject(Store);
    const dossier = store.selectSignal(ticketFeature.selectDossier);
    const work = computed(() => {
      const own = dossier();
      const found = own && workOf(own.saw.family);
      return found && found.way === 'round' ? found : null;
    });
    const ticketId = computed(() => dossier()?.ticket.id ?? 0);
    return {
      dossier,
      work,
      ticketId,
      speech: inject(Speech),
      hand: store.selectSignal(shopFeature.selectHand),
      learned: store.selectSignal(shopFeature.selectLearned),
      /** Why it is chosen, for the record. */
      why: linkedSignal(() => recalledWhy(ticketId())),
      wish: linkedSignal<RoundWish | null>(() => {
        const own = work();
        return own && recalled(ticketId(), own.plain);
      }),
    };
  }),
  withComputed((desk) => {
    /** An accepted plan is shown as it was frozen, unless it is being planned again. */
    const frozen = computed(() => {
      const plan = desk.dossier()?.plan;
      return plan && !(desk.again() && atWork(desk.dossier()?.ticket.stage)) ? plan : null;
    });
    const studied = computed((): RoundStudied | null => {
      const [dossier, book, work, wish] = [desk.dossier(), desk.speech.book(), desk.work(), desk.wish()];
      if (!dossier || !book || !work || !wish) return null;
      return work.study(workFactsOf(dossier, book, desk.hand(), desk.learned(), undefined), wish);
    });
    const order = computed((): WorkOrder | null => {
      const [kept, found, work] = [frozen(), studied(), desk.work()];
      if (kept) return kept.order;
      const [own, rates] = [desk.dossier(), desk.speech.book()?.rates ?? null];
      return found?.ok && work && own ? orderFromHere(work.order(found.study, rates), workedBefore(own), rates) : null;
    });
    const study = computed((): RoundStudy | null => {
      const [kept, found, work] = [frozen()?.order.round, studied(), desk.work()];
      if (kept) return work?.again(kept) ?? null;
      return found?.ok ? found.study : null;
    });
    return {
      frozen,
      order,
      /** The family's own part of the order. */
      own: computed((): RoundOrdered | null => order()?.round ?? null),
      /** What that is worked out from: of an accepted plan what was kept with it, worked out again. */
      study,
      /** The cut as it is and as chosen, in the wood of the ticket or another; null where it is not foretold. */
      cut: computed((): ForetoldCut | null => {
        const [of, dossier] = [study(), desk.dossier()];
        if (!of || !dossier) return null;
        return foretellRound(of, { wood: desk.cutWood() ?? dossier.ticket.wood, boardMm: USUAL_BOARD_MM });
      }),
      /** Everything that could be done with it; null of an accepted plan, and where there is nothing to hold against anything. */
      ways: computed(() => {
        const [dossier, book, work, wish] = [desk.dossier(), desk.speech.book(), desk.work(), desk.wish()];
        if (!dossier || !book || !work || !wish || frozen()) return null;
        return work.ways(workFactsOf(dossier, book, desk.hand(), desk.learned(), undefined), wish, book.rates);
      }),
      way: computed(() => {
        const [of, work] = [study(), desk.work()];
        return of && work ? work.wayOf(of) : null;
      }),
      /** Why there is no order, in a sentence; null where there is one. */
      unfit: computed(() => {
        const found = studied();
        return !frozen() && found && !found.ok ? found.says : null;
      }),
    };
  }),
  withMethods((desk) => ({
    choose: (wish: RoundWish): void => desk.wish.set(wish),
    chooseWay: (id: WayId): void => {
      const way = desk.ways()?.ways.find((one) => one.id === id);
      if (way) desk.wish.set(way.choice);
    },
    because: (why: string): void => desk.why.set(why),
    cutIn: (cutWood: Wood): void => patchState(desk, { cutWood }),
    planAgain: (again: boolean): void => patchState(desk, { again }),
  })),
  withHooks((desk) => ({
    onInit: () => {
      effect(() => {
        const [wish, why] = [desk.wish(), desk.why()];
        try {
          if (wish) sessionStorage.setItem(keyOf(desk.ticketId()), JSON.stringify(wish));
          sessionStorage.setItem(whyKeyOf(desk.ticketId()), why);
        } catch {
          // Without storage a reload begins at what is advised.
        }
      });
    },
  })),
);
