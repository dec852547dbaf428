import { computed, DestroyRef, effect, inject, linkedSignal, untracked } from '@angular/core';
import { patchState, signalStore, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import { atWork } from '../data/at-work';
import { STROKES_PER_CORNER } from '@odontis/core/file/file-choice';
import { filesAtHand } from '@odontis/core/store/shelf';
import { jointedSoFar, notFromHere, orderFromHere } from '@odontis/core/work/from-here';
import { workedBefore, workFactsOf } from '@odontis/contract/work-facts';
import { workOf } from '@odontis/core/work/families';
import type { PlannedWork, Studied } from '@odontis/core/work/family-work';
import { isLineOrder } from '@odontis/core/work/order';
import type { LineOrder } from '@odontis/core/work/order';
import type { Rates } from '@odontis/core/work/price';
import type { ChaseOffer } from '@odontis/core/work/tooth-line/chase-offer';
import { sideOf } from '@odontis/core/work/tooth-line/chase-offer';
import type { LineStudy } from '@odontis/core/work/tooth-line/study';
import { measuredAngles } from '@odontis/core/work/tooth-line/angles-of-evidence';
import { isConverting } from '@odontis/core/judgement/triage';
import type { Wood } from '@odontis/core/saw/families';
import { USUAL_BOARD_MM } from '@odontis/core/testcut/foretold';
import { cutAsItIs, foretellCut } from '@odontis/core/work/tooth-line/foretold-cut';
import { recall, remember } from '../../../shared/api/remembered';
import type { WayId } from '@odontis/core/work/ways';
import { viewDepth } from '@odontis/core/work/tooth-line/depth-view';
import { baseDrawing } from '../../../sawpage/build-drawing';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { storeRoomFeature } from '../../../shared/state/store-room.feature';
import { ticketFeature } from '../../../shared/state/ticket.feature';
import type { Moved } from '../data/line-study';
import { curveOf, drawnTeeth, frozenStudy, leanFaultsOf, movedStudy, wishOf } from '../data/line-study';
import { keepPlan, recallPlan } from '../data/plan-draft';
import type { PlanDraft } from '../data/plan-draft';

interface PlanState {
  /** An accepted plan is planned anew. */
  readonly again: boolean;
  /** Which edge of a two-edged saw is looked at; the order is of both. */
  readonly edge: 'first' | 'other';
  /** The wood that the cut is foretold in, the ticket's where nobody chose; and the board's thickness, mm. */
  readonly cutWood: Wood | null;
  readonly boardMm: number;
}
const BOARD = 'cutBoardMm';
/** A hand that moves nothing for so long rests. */
const REST_MS = 200;
const initial: PlanState = {
  again: false,
  edge: 'first',
  cutWood: null,
  boardMm: Number(recall(BOARD)) || USUAL_BOARD_MM,
};

/** What the offer for short teeth hangs on. */
interface OfferedOf {
  readonly study: LineStudy | null;
  readonly rates: Rates | null;
  readonly depthMm: number;
  readonly order: LineOrder | null;
}

/** The same choice, whether or not something else of the draft has changed. */
const alike = (a: object, b: object): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * What is chosen on the plan page and everything that comes of it: study, view at the depth, order, offers. Over 250
 * lines: one store whose stages hang on one another; what each works out stands in data/line-study.ts.
 */
export const PlanDesk = signalStore(
  withState(initial),
  withProps(() => {
    const store = inject(Store);
    const dossier = store.selectSignal(ticketFeature.selectDossier);
    const ticketId = computed(() => dossier()?.ticket.id ?? 0);
    const room = store.selectSignal(storeRoomFeature.selectRoom);
    return {
      dossier,
      ticketId,
      speech: inject(Speech),
      hand: store.selectSignal(shopFeature.selectHand),
      learned: store.selectSignal(shopFeature.selectLearned),
      /** Files that may be planned with; worked out anew only where others are. */
      files: computed(
        () => {
          const known = room();
          return known ? filesAtHand(known, ticketId(), STROKES_PER_CORNER) : undefined;
        },
        { equal: (a, b) => a?.join() === b?.join() },
      ),
      draft: linkedSignal<PlanDraft>(() => recallPlan(ticketId())),
    };
  }),
  // Studies: the lines as they were measured, and which of them is looked at.
  withProps((desk) => {
    /** An accepted plan is shown as it was frozen, unless it is being planned again. */
    const frozen = computed(() => {
      const plan = desk.dossier()?.plan;
      return plan && !(desk.again() && atWork(desk.dossier()?.ticket.stage)) ? plan : null;
    });
    // Apart from the depth, so that pulling the handle does not work the whole study out again.
    const wish = computed(() => wishOf(desk.draft()), { equal: alike });
    const moved = computed(
      (): Moved => {
        const { breastMm, rakerMm, besideMm } = desk.draft();
        return { breastMm, rakerMm, besideMm };
      },
      { equal: alike },
    );
    const work = computed((): PlannedWork | null => {
      const family = desk.dossier()?.saw.family;
      const own = family && workOf(family);
      return own && own.way === 'planned' ? own : null;
    });
    /** What is known of the saw, in this shop and this hand; null until it is here. */
    const facts = computed(() => {
      const [dossier, book] = [desk.dossier(), desk.speech.book()];
      return dossier && book && workFactsOf(dossier, book, desk.hand(), desk.learned(), desk.files());
    });
    const laid = computed((): Studied | null => {
      const [dossier, known, own, accepted] = [desk.dossier(), facts(), work(), frozen()];
      if (!dossier || !known || !own) return null;
      return accepted ? frozenStudy(accepted, dossier.saw) : own.study(known, wish());
    });
    const study = computed(() => (frozen() ? laid() : movedStudy(laid(), moved())));
    /** Everything that could be done with it; apart from the depth, so that the handle moves past it. */
    const ways = computed(() => {
      const [book, known, own] = [desk.speech.book(), facts(), work()];
      return book && known && own && !frozen() ? own.ways(known, wish(), book.rates, desk.boardMm()) : null;
    });
    /** Why there is no study, in a sentence; null where there is one. */
    const unfit = computed(() => {
      const found = study();
      return found && !found.ok && found.code === 'readings-unfit' ? found.says : null;
    });
    const whole = computed(() => {
      const found = study();
      return found?.ok ? found.study : null;
    });
    const edges = computed(() => {
      const saw = whole();
      return saw?.beside ? [saw.inputs.saw.filing, saw.beside.study.inputs.saw.filing] : null;
    });
    const other = computed(() => (desk.edge() === 'other' ? (whole()?.beside ?? null) : null));
    /** The line that is looked at. */
    const found = computed(() => other()?.study ?? whole());
    /** What was done of the orders before: the next goes on from there. */
    const worked = computed(() => {
      const dossier = desk.dossier();
      return dossier && !frozen() ? workedBefore(dossier) : [];
    });
    return { frozen, work, study, ways, unfit, whole, edges, other, found, worked };
  }),
  // That line at the depth chosen, and its order.
  withProps((desk) => {
    const firstDepthMm = computed(() => {
      const study = desk.whole();
      // Teeth that were jointed stay so: no less is advised.
      const jointedMm = Math.max(0, ...desk.worked().map(jointedSoFar));
      const advised = Math.max(jointedMm, study?.recommended.depthMm ?? 0);
      return study ? Math.min(study.deepestMm, desk.draft().depthMm ?? advised) : 0;
    });
    const depthMm = computed(() => {
      const [frozen, other] = [desk.frozen(), desk.other()];
      if (other) return other.depthMm;
      if (frozen) return frozen.order.choice?.depthMm ?? 0;
      return desk.found() ? firstDepthMm() : 0;
    });
    const view = computed(() => {
      const study = desk.found();
      return study ? viewDepth(study, depthMm()) : null;
    });
    const rates = computed(() => desk.speech.book()?.rates ?? null);
    /** The order of the saw as it came in, whatever was done of it since. */
    const fromTheStart = computed(() => {
      const [study, work] = [desk.whole(), desk.work()];
      return study && work && !desk.frozen() ? work.order(study, firstDepthMm(), rates()) : null;
    });
    const ordered = computed((): LineOrder | null => {
      const [frozen, whole] = [desk.frozen(), fromTheStart()];
      if (frozen) return isLineOrder(frozen.order) ? frozen.order : null;
      return whole && (orderFromHere(whole, desk.worked(), rates()) as LineOrder);
    });
    /** What cannot be taken back any more of what the choice would have; null where nothing is. */
    const notFrom = computed(() => {
      const whole = fromTheStart();
      return whole && notFromHere(whole, desk.worked());
    });
    /** The order as of the line that is looked at; steps, time and price are the whole saw's. */
    const order = computed((): LineOrder | null => {
      const [own, other] = [ordered(), desk.other()];
      return own?.beside && other ? { ...own, inputs: own.beside.inputs, forecast: own.beside.forecast } : own;
    });
    return { firstDepthMm, depthMm, view, order, notFrom, rates };
  }),
  // What is offered and shown beside it.
  withProps((desk) => {
    const { rates } = desk;
    /** How what was measured stands to the ticket; null where they agree. */
    const disagrees = computed(() => {
      const study = desk.study();
      if (!study?.ok || desk.frozen()) return null;
      const { coverage } = study;
      return coverage.partial || coverage.more || coverage.otherPitch || coverage.otherToe ? coverage : null;
    });
    /** The owner's wish to have it filed otherwise; null where there is none. */
    const wish = computed(() => {
      const dossier = desk.dossier();
      if (!dossier || !isConverting(dossier.saw.filing, dossier.ticket.wantsFiling)) return null;
      return { from: dossier.saw.filing, to: dossier.ticket.wantsFiling };
    });
    /** The saw as it came in: the same under every depth, so that it is drawn once. */
    const base = computed(() => {
      const [dossier, study] = [desk.dossier(), desk.found()];
      return dossier && study
        ? baseDrawing(dossier, study.inputs.readings, study.tooth, study.inputs.pull?.edge)
        : null;
    });
    /** Short and broken teeth, both ways; null where every tooth reaches the line. */
    const offered = linkedSignal<OfferedOf, ChaseOffer | null>({
      source: () => ({ study: desk.found(), rates: rates(), depthMm: desk.depthMm(), order: desk.order() }),
      computation: ({ study, rates: now, depthMm, order }, before) => {
        const work = desk.work();
        if (!study || !work) return null;
        // Of this study the depth to chase to is known from the last move, and the depth chosen has its order.
        const last = before?.source.study === study && before.source.rates === now ? before.value?.chase : null;
        const own = order && !order.beside ? [sideOf(order, depthMm)] : [];
        return work.chase(study, depthMm, now, [...own, ...(last ? [last] : [])]);
      },
    });
    const chase = computed(() => {
      const offer = offered();
      return offer && offer.teeth.length > 0 ? offer : null;
    });
    const handles = computed(() => {
      const [study, work] = [desk.found(), desk.work()];
      return study && work ? work.handles(study) : [];
    });
    /** Every cutter down to the lowest raker. */
    const lowest = computed(() => {
      const [study, work] = [desk.found(), desk.work()];
      return study && work ? work.toLowestRaker(study, desk.depthMm(), rates()) : null;
    });
    /** Why the line is past saving, and what new teeth would cost; null where jointing will do. */
    const past = computed(() => {
      const [study, work] = [desk.study(), desk.work()];
      if (!study?.ok || !work || !study.past) return null;
      return { why: study.past, choices: study.study.inputs.retooth ? [] : work.retooth(study.study, rates()) };
    });
    const curve = computed(() => {
      const study = desk.found();
      return study ? curveOf(study) : [];
    });
    const leanFaults = computed(() => {
      const study = desk.found();
      return study ? leanFaultsOf(study) : [];
    });
    /** What the saw has, where its angles were read as it came in: the other school than the shop's table. */
    const measured = computed(() => {
      const dossier = desk.dossier();
      return dossier && measuredAngles(dossier.saw, dossier.sessions, desk.found()?.inputs.pull?.edge ?? null);
    });
    const drawn = computed(() => {
      const [study, order] = [desk.found(), desk.order()];
      return study && order && drawnTeeth(study, order);
    });
    /** The cut as it is: the same under every depth. */
    const asItIs = computed(() => {
      const study = desk.found();
      if (!study) return null;
      const asked = { wood: desk.cutWood() ?? study.inputs.saw.wood, boardMm: desk.boardMm() };
      return { study, asked, cut: cutAsItIs(study, asked) };
    });
    /** The cut as it is and as chosen; null where new teeth are cut. */
    const cut = computed(() => {
      const [view, order] = [desk.view(), desk.order()];
      const now = order && !order.inputs.retooth ? asItIs() : null;
      return now && view && order && foretellCut(now.study, view, order.forecast.set, now.asked, now.cut);
    });
    /** Which of the ways is chosen; null where something between is. */
    const way = computed(() => {
      const [study, work] = [desk.whole(), desk.work()];
      return study && work ? work.wayOf(study, desk.firstDepthMm()) : null;
    });
    return {
      ...{ disagrees, wish, base, chase, handles, lowest, past, curve },
      ...{ leanFaults, measured, drawn, cut, way },
    };
  }),
  withMethods((desk) => {
    const choose = (change: Partial<PlanDraft>): void => desk.draft.update((draft) => ({ ...draft, ...change }));
    return {
      choose,
      chooseWay: (id: WayId): void => {
        const way = desk.ways()?.ways.find((one) => one.id === id);
        if (way) choose(way.choice);
      },
      /** The depth of the line that is looked at; null as advised. */
      chooseDepth: (mm: number | null): void => choose(desk.other() ? { besideMm: mm } : { depthMm: mm }),
      lookAt: (edge: PlanState['edge']): void => patchState(desk, { edge }),
      cutIn: (cutWood: Wood): void => patchState(desk, { cutWood }),
      cutBoard: (boardMm: number): void => {
        remember(BOARD, String(boardMm));
        patchState(desk, { boardMm });
      },
      planAgain: (again: boolean): void => patchState(desk, { again }),
    };
  }),
  withHooks({
    onInit: ({ ticketId, draft }) => {
      const keep = (): void => keepPlan(ticketId(), draft());
      // A handle changes it every frame: it is kept when the hand rests, and when the page or the ticket is left.
      effect((ended) => {
        const [id, kept] = [ticketId(), draft()];
        const timer = setTimeout(() => keepPlan(id, kept), REST_MS);
        ended(() => {
          clearTimeout(timer);
          if (untracked(ticketId) !== id) keepPlan(id, kept);
        });
      });
      window.addEventListener('pagehide', keep);
      inject(DestroyRef).onDestroy(() => {
        window.removeEventListener('pagehide', keep);
        keep();
      });
    },
  }),
);
export type PlanDesk = InstanceType<typeof PlanDesk>;
