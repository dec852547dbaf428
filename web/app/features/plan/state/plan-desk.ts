import { computed, effect, inject, linkedSignal, untracked } from '@angular/core';
import { patchState, signalStore, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import type { AnglePair } from '@odontis/core/file/angle-pair';
import { STROKES_PER_CORNER } from '@odontis/core/file/file-choice';
import { filesAtHand } from '@odontis/core/store/shelf';
import { leanDisagreements } from '@odontis/core/file/direction';
import { depthCurve } from '@odontis/core/line/depth-curve';
import { workFactsOf } from '@odontis/contract/work-facts';
import { workOf } from '@odontis/core/work/families';
import type { LineWish, PlannedWork, Studied } from '@odontis/core/work/family-work';
import { isLineOrder } from '@odontis/core/work/order';
import type { LineOrder } from '@odontis/core/work/order';
import { measuredAngles } from '@odontis/core/work/tooth-line/angles-of-evidence';
import { isConverting } from '@odontis/core/judgement/triage';
import { coverageOf } from '@odontis/core/work/tooth-line/coverage';
import { teethOf } from '@odontis/core/saw/saw';
import type { Wood } from '@odontis/core/saw/families';
import { USUAL_BOARD_MM } from '@odontis/core/testcut/foretold';
import { foretellCut } from '@odontis/core/work/tooth-line/foretold-cut';
import { recall, remember } from '../../../shared/api/remembered';
import type { WayId } from '@odontis/core/work/ways';
import { viewDepth } from '@odontis/core/work/tooth-line/depth-view';
import { studyOfOrder } from '@odontis/core/work/tooth-line/study-of-order';
import { recut } from '@odontis/core/work/tooth-line/study';
import { baseDrawing } from '../../../sawpage/build-drawing';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { storeRoomFeature } from '../../../shared/state/store-room.feature';
import { ticketFeature } from '../../../shared/state/ticket.feature';
import { alternateGullets } from '../../../shared/tooth/alternate-gullets';
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
const initial: PlanState = {
  again: false,
  edge: 'first',
  cutWood: null,
  boardMm: Number(recall(BOARD)) || USUAL_BOARD_MM,
};

/** What is chosen on the plan page and everything that comes of it: study, view at the depth, order, offers. */
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
    const frozenNow = computed(() => {
      const plan = desk.dossier()?.plan;
      return plan && !(desk.again() && desk.dossier()?.ticket.stage === 'bench') ? plan : null;
    });

    // Apart from the depth, so that pulling the handle does not work the whole study out again.
    const lineNow = computed(() => desk.draft().line);
    const rakeDegNow = computed(() => desk.draft().rakeDeg);
    const fleamDegNow = computed(() => desk.draft().fleamDeg);

    const convertNow = computed(() => desk.draft().convert);
    const sampleNow = computed(() => desk.draft().sample);
    const retoothMmNow = computed(() => desk.draft().retoothMm);
    const breastMmNow = computed(() => desk.draft().breastMm);
    const rakerMmNow = computed(() => desk.draft().rakerMm);
    const rakerTipNow = computed(() => desk.draft().rakerTip);
    const pullFilingNow = computed(() => desk.draft().pullFiling);
    const backDegNow = computed(() => desk.draft().backDeg);
    const topDegNow = computed(() => desk.draft().topDeg);
    const besideMmNow = computed(() => desk.draft().besideMm);
    /** What is chosen before the depth, the breast and the rakers. */
    const wishNow = computed((): LineWish => ({
      line: lineNow(),
      angles: { rakeDeg: rakeDegNow(), fleamDeg: fleamDegNow() },
      convert: convertNow(),
      sample: sampleNow(),
      retoothMm: retoothMmNow(),
      breastMm: null,
      rakerMm: null,
      rakerTip: rakerTipNow(),
      pullFiling: pullFilingNow(),
      backDeg: backDegNow(),
      topDeg: topDegNow(),
      besideMm: null,
    }));
    const workNow = computed((): PlannedWork | null => {
      const family = desk.dossier()?.saw.family;
      const work = family && workOf(family);
      return work && work.way === 'planned' ? work : null;
    });

    const laidNow = computed((): Studied | null => {
      const [dossier, book, work, frozen] = [desk.dossier(), desk.speech.book(), workNow(), frozenNow()];
      if (!dossier || !book || !work) return null;
      if (frozen) {
        if (!isLineOrder(frozen.order)) return null;
        const { inputs } = frozen.order;
        const saw = { ...inputs.saw, teeth: inputs.saw.teeth ?? teethOf(dossier.saw) };
        const study = studyOfOrder(frozen.order);
        const coverage = coverageOf(inputs.readings, saw, { roles: study.prepared.roles });
        return { ok: true as const, study, coverage, past: null };
      }
      return work.study(workFactsOf(dossier, book, desk.hand(), desk.learned(), desk.files()), wishNow());
    });
    /** The same with the breast and the rakers a hand has moved: apart, so that only the line is worked out again. */
    const studyNow = computed((): Studied | null => {
      const [base, breastMm, wantedMm, besideMm] = [laidNow(), breastMmNow(), rakerMmNow(), besideMmNow()];
      if (base?.ok && base.study.beside && besideMm !== null && !frozenNow()) {
        const { study } = base.study.beside;
        return { ...base, study: { ...base.study, beside: { study, depthMm: Math.min(study.deepestMm, besideMm) } } };
      }
      if (!base?.ok || frozenNow() || !base.study.cutters || (breastMm === null && wantedMm === null)) return base;
      try {
        return { ...base, study: recut(base.study, { breastMm, wantedMm }) };
      } catch (error) {
        if (error instanceof RangeError) return { ok: false, code: 'readings-unfit', says: error.message, tooth: null };
        throw error;
      }
    });
    /** Everything that could be done with it; apart from the depth, so that the handle moves past it. */
    const waysNow = computed(() => {
      const [dossier, book, work] = [desk.dossier(), desk.speech.book(), workNow()];
      if (!dossier || !book || !work || frozenNow()) return null;
      return work.ways(
        workFactsOf(dossier, book, desk.hand(), desk.learned(), desk.files()),
        wishNow(),
        book.rates,
        desk.boardMm(),
      );
    });
    /** Why there is no study, in a sentence; null where there is one. */
    const unfitNow = computed(() => {
      const study = studyNow();
      return study && !study.ok && study.code === 'readings-unfit' ? study.says : null;
    });
    const wholeNow = computed(() => {
      const study = studyNow();
      return study?.ok ? study.study : null;
    });
    const edgesNow = computed(() => {
      const whole = wholeNow();
      return whole?.beside ? [whole.inputs.saw.filing, whole.beside.study.inputs.saw.filing] : null;
    });
    const otherNow = computed(() => (desk.edge() === 'other' ? (wholeNow()?.beside ?? null) : null));
    /** The line that is looked at. */
    const foundNow = computed(() => otherNow()?.study ?? wholeNow());
    return {
      frozen: frozenNow,
      work: workNow,
      study: studyNow,
      ways: waysNow,
      unfit: unfitNow,
      whole: wholeNow,
      edges: edgesNow,
      other: otherNow,
      found: foundNow,
    };
  }),
  // Numbers, order and offers of that line at the depth chosen.
  withProps((desk) => {
    /** How what was measured stands to the ticket; null where they agree. */
    const disagreesNow = computed(() => {
      const study = desk.study();
      if (!study?.ok || desk.frozen()) return null;
      const { coverage } = study;
      return coverage.partial || coverage.more || coverage.otherPitch || coverage.otherToe ? coverage : null;
    });
    /** The owner's wish to have it filed otherwise; null where there is none. */
    const wishNow = computed(() => {
      const dossier = desk.dossier();
      if (!dossier || !isConverting(dossier.saw.filing, dossier.ticket.wantsFiling)) return null;
      return { from: dossier.saw.filing, to: dossier.ticket.wantsFiling };
    });
    /** The saw as it came in: the same under every depth, so that it is drawn once. */
    const baseNow = computed(() => {
      const [dossier, study] = [desk.dossier(), desk.found()];
      return dossier && study
        ? baseDrawing(dossier, study.inputs.readings, study.tooth, study.inputs.pull?.edge)
        : null;
    });
    const placesMeasuredNow = computed(() => desk.found()?.placesMeasured ?? true);
    const firstDepthMmNow = computed(() => {
      const study = desk.whole();
      return study ? Math.min(study.deepestMm, desk.draft().depthMm ?? study.recommended.depthMm) : 0;
    });
    const depthMmNow = computed(() => {
      const study = desk.found();
      const [frozen, other] = [desk.frozen(), desk.other()];
      if (other) return other.depthMm;
      if (frozen) return frozen.order.choice?.depthMm ?? 0;
      return study ? firstDepthMmNow() : 0;
    });
    const viewNow = computed(() => {
      const study = desk.found();
      return study ? viewDepth(study, depthMmNow()) : null;
    });
    const orderedNow = computed((): LineOrder | null => {
      const [study, frozen, work, book] = [desk.whole(), desk.frozen(), desk.work(), desk.speech.book()];
      if (frozen) return isLineOrder(frozen.order) ? frozen.order : null;
      return study && work ? work.order(study, firstDepthMmNow(), book?.rates ?? null) : null;
    });
    /** The order as of the line that is looked at; steps, time and price are the whole saw's. */
    const orderNow = computed((): LineOrder | null => {
      const [order, other] = [orderedNow(), desk.other()];
      return order?.beside && other
        ? { ...order, inputs: order.beside.inputs, forecast: order.beside.forecast }
        : order;
    });
    /** Short and broken teeth, both ways; null where every tooth reaches the line. */
    const chaseNow = computed(() => {
      const [study, work, book] = [desk.found(), desk.work(), desk.speech.book()];
      const offer = study && work ? work.chase(study, depthMmNow(), book?.rates ?? null) : null;
      return offer && offer.teeth.length > 0 ? offer : null;
    });
    const handlesNow = computed(() => {
      const [study, work] = [desk.found(), desk.work()];
      return study && work ? work.handles(study) : [];
    });
    /** Every cutter down to the lowest raker. */
    const lowestNow = computed(() => {
      const [study, work, book] = [desk.found(), desk.work(), desk.speech.book()];
      return study && work ? work.toLowestRaker(study, depthMmNow(), book?.rates ?? null) : null;
    });
    /** Why the line is past saving, and what new teeth would cost; null where jointing will do. */
    const pastNow = computed(() => {
      const [study, work, book] = [desk.study(), desk.work(), desk.speech.book()];
      if (!study?.ok || !work || !study.past) return null;
      return {
        why: study.past,
        choices: study.study.inputs.retooth ? [] : work.retooth(study.study, book?.rates ?? null),
      };
    });
    const curveNow = computed(() => {
      const study = desk.found();
      if (!study) return [];
      const curve = depthCurve(study.prepared, study.datum, study.deepestMm, 64);
      // A pull saw's points stay where they stand, however deep it is levelled.
      const own = study.pull ? viewDepth(study, 0).spacing.worstMm : null;
      return own === null ? curve : curve.map((point) => ({ ...point, worstSpacingMm: own }));
    });
    const leanFaultsNow = computed(() => {
      const study = desk.found();
      // A cutter's bevel is filed by its lean, whatever stands beside it.
      return study && !study.cutters && !study.pull
        ? leanDisagreements(study.inputs.readings, study.inputs.angles.fleamDeg)
        : [];
    });
    /** What the saw has, where its angles were read as it came in: the other school than the shop's table. */
    const measuredNow = computed(() => {
      const dossier = desk.dossier();
      return dossier && measuredAngles(dossier.saw, dossier.sessions, desk.found()?.inputs.pull?.edge ?? null);
    });
    /** The tooth that is planned, for its three views. */
    const drawnNow = computed(() => {
      const [study, order] = [desk.found(), orderNow()];
      if (!study || !order || study.cutters) return null;
      const { inputs, forecast } = order;
      const pull = study.pull;
      const top = pull && {
        topDeg: pull.tooth.topDeg,
        tipHeightMm: pull.filing.kind === 'full' ? pull.tooth.heightMm : pull.afterTop.tipHeightMm,
      };
      const teeth = (angles: AnglePair, backDeg: number) => ({
        gullets: alternateGullets({ ...angles, backDeg }, 4),
        pitchMm: forecast.tooth.pitchMm,
        plateMm: inputs.saw.plateThicknessMm,
        setMm: forecast.set.perSideMm,
        cuts: pull ? ('pull' as const) : ('push' as const),
        ...(top && { top }),
        backGuessed: false,
      });
      return {
        after: teeth(inputs.angles, pull ? pull.tooth.backDeg : forecast.tooth.filed.backDeg),
        before: inputs.from ? teeth(inputs.from.angles, study.tooth.backDeg) : null,
      };
    });
    /** The cut as it is and as chosen; null where new teeth are cut. */
    const cutNow = computed(() => {
      const [study, view, order] = [desk.found(), viewNow(), orderNow()];
      if (!study || !view || !order || order.inputs.retooth) return null;
      const asked = { wood: desk.cutWood() ?? study.inputs.saw.wood, boardMm: desk.boardMm() };
      return foretellCut(study, view, order.forecast.set, asked);
    });
    /** Which of the ways is chosen; null where something between is. */
    const wayNow = computed(() => {
      const [study, work] = [desk.whole(), desk.work()];
      return study && work ? work.wayOf(study, firstDepthMmNow()) : null;
    });
    return {
      cut: cutNow,
      way: wayNow,
      disagrees: disagreesNow,
      wish: wishNow,
      base: baseNow,
      placesMeasured: placesMeasuredNow,
      firstDepthMm: firstDepthMmNow,
      depthMm: depthMmNow,
      view: viewNow,
      order: orderNow,
      chase: chaseNow,
      handles: handlesNow,
      lowest: lowestNow,
      past: pastNow,
      curve: curveNow,
      leanFaults: leanFaultsNow,
      measured: measuredNow,
      drawn: drawnNow,
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
    onInit: ({ ticketId, draft }) =>
      void effect(() => {
        const [id, kept] = [ticketId(), draft()];
        untracked(() => keepPlan(id, kept));
      }),
  }),
);
export type PlanDesk = InstanceType<typeof PlanDesk>;
