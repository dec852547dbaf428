import { rollForRake } from '../../file/flank-angles';
import { leastPlateMm, lifeCost } from '../../life/life';
import { heightOn } from '../../line/joint-line';
import type { LineOrder } from '../order';
import type { Step, StepKind } from '../step';
import { strokesOfSteps } from '../step';
import { ORDER_VERSION } from '../order';
import type { Rates } from '../price';
import { priceFor } from '../price';
import { atShopPace, notPrepared, paceReason } from '../shop-pace';
import { SECONDS_PER_STROKE } from '../times';
import type { DepthView } from './depth-view';
import { viewDepth } from './depth-view';
import { orderSteps } from './order-steps';
import { decideSetting } from './setting';
import type { LineStudy } from './study';

/** Depths under this are no jointing at all. mm. */
const NO_DEPTH_MM = 1e-6;

/**
 * The whole order at a chosen depth, in the trade's order (trade section 4); of a two-edged saw both
 * its edges, the other at its own depth. Throws RangeError on a depth the teeth do not allow. mm. O(n).
 */
export function makeOrder(study: LineStudy, wantedMm: number, rates: Rates | null = null): LineOrder {
  const own = orderOfLine(study, wantedMm, rates);
  return study.beside ? withBeside(own, orderOfLine(study.beside.study, study.beside.depthMm, null), rates) : own;
}

/** One order for both edges: what is done to the saw as a whole once, each edge's teeth after the other's. */
function withBeside(own: LineOrder, other: LineOrder, rates: Rates | null): LineOrder {
  const named = ({ steps, inputs }: LineOrder): Step[] =>
    steps.filter((s) => s.unit !== 'whole').map((s) => ({ ...s, line: inputs.saw.filing }));
  const whole = (steps: readonly Step[], last: boolean): Step[] =>
    steps.filter((s) => s.unit === 'whole' && LAST.has(s.kind) === last);
  const steps = [...whole(own.steps, false), ...named(own), ...named(other), ...whole(own.steps, true)];
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  const price = rates ? priceFor(minutes, rates) : null;
  return {
    ...own,
    // Filed on all three edges where either line is.
    work: other.work === 'sharpen' ? other.work : own.work,
    steps,
    beside: { inputs: other.inputs, depthMm: other.choice.depthMm, targets: other.targets, forecast: other.forecast },
    minutes,
    minutesError: Math.hypot(own.minutesError, other.minutesError),
    strokes: strokesOfSteps(steps),
    price: price && rates ? { ...price, currency: rates.currency } : null,
    reasons: [...own.reasons, ...other.reasons.filter((r) => !own.reasons.some((o) => o.what === r.what))],
  };
}

/** Done once all teeth are. */
const LAST: ReadonlySet<StepKind> = new Set(['stone', 'test', 'finish']);

function orderOfLine(study: LineStudy, wantedMm: number, rates: Rates | null): LineOrder {
  const retoothing = study.inputs.retooth;
  // New teeth are set out where the plate is whole: there is nothing to joint them to.
  const depthMm = retoothing ? 0 : wantedMm;
  if (!(depthMm >= 0) || depthMm > study.deepestMm + NO_DEPTH_MM) {
    throw new RangeError('The joint depth must lie between nothing and the deepest the tooth allows.');
  }
  const view = viewDepth(study, depthMm);
  const work = retoothing ? 'retooth' : study.conversion ? 'convert' : workAt(study, depthMm);
  const lowers = retoothing !== undefined || study.conversion !== null || depthMm > NO_DEPTH_MM;
  const setting = decideSetting(study, work, depthMm);
  const { inputs, conversion } = study;
  const toDo = notPrepared(orderSteps(study, view, work, setting.reset), inputs.prepared);
  const paced = atShopPace(toDo, inputs.habits);
  const { steps } = paced;
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  const lossMm = conversion?.lossMm ?? 0;
  const leastMm = leastPlateMm(inputs.saw.family, inputs.cutters?.kind);
  const life = retoothing
    ? lifeCost(Math.max(retoothing.lossMm, retoothing.gulletsDeeperMm), inputs.saw.plateDepthMm, leastMm)
    : conversion
      ? lifeCost(depthMm + Math.max(lossMm, conversion.gulletsDeeperMm), inputs.saw.plateDepthMm, leastMm)
      : view.life;
  const price = rates ? priceFor(minutes, rates) : null;
  return {
    version: ORDER_VERSION,
    family: inputs.saw.family,
    work,
    inputs,
    choice: {
      depthMm: retoothing ? retoothing.lossMm : depthMm,
      convert: conversion !== null,
      sample: inputs.measured < inputs.readings.length,
      ...(retoothing && { retoothMm: inputs.saw.pitchMm }),
    },
    steps,
    targets: targetsOf(study, view, lowers, lossMm),
    forecast: {
      cut: {
        reachedShare: view.reachedShare,
        worstSpacingMm: view.spacing.worstMm,
        metalMm3: retoothing ? retoothedMm3(study, retoothing) : lowers ? view.metalMm3 : 0,
        kerfMm: study.set.kerfMm,
      },
      set: { perSideMm: study.set.perSideMm, reset: setting.reset },
      life: { spent: life.spent, left: life.left },
      tooth: {
        filed: study.newTooth,
        heightMm: conversion?.newHeightMm ?? study.toothHeightMm,
        pitchMm: study.pitchMm,
        rollDeg: rollForRake(inputs.angles.rakeDeg, inputs.angles.fleamDeg),
      },
      line: {
        alphaMm: view.line.alphaMm - lossMm,
        beta: view.line.beta,
        ...(view.line.breast && { breast: view.line.breast }),
      },
      ...rakersForecast(study, view),
      ...pullForecast(study),
      file: { id: study.file.file.id, name: study.file.file.name },
      filingsTheSetLasts: setting.lasts,
    },
    minutes,
    ...(paced.pace && { pace: paced.pace }),
    minutesError: (paced.pace?.factor ?? 1) * sampleError(study, view),
    strokes: strokesOfSteps(steps),
    price: price && rates ? { ...price, currency: rates.currency } : null,
    reasons: [
      study.recommended.reason,
      life.reason,
      study.set.reason,
      setting.reason,
      study.file.reason,
      ...(conversion ? [conversion.reason] : []),
      ...(study.cutters && study.cutters.rakers.length > 0 ? [study.cutters.target.reason] : []),
      ...(study.cutters?.gullets ? [study.cutters.gullets.reason] : []),
      ...(study.pull ? [study.pull.filing.reason] : []),
      ...[paceReason(paced.pace)].filter((reason) => reason !== null),
    ],
  };
}

/** Sharpened as it stands or the full tune; a pull saw by the edges that are filed. */
function workAt({ pull }: LineStudy, depthMm: number): LineOrder['work'] {
  if (pull) return pull.filing.kind === 'full' ? 'sharpen' : 'top-bevels';
  return depthMm > NO_DEPTH_MM ? 'tune' : 'sharpen';
}

const pullForecast = ({ pull }: LineStudy): Pick<LineOrder['forecast'], 'pull'> =>
  pull
    ? {
        pull: {
          filing: pull.filing.kind,
          heightShare: pull.measuredShare ?? pull.now.heightShare,
          fullLeft: pull.fullLeft,
        },
      }
    : {};

function rakersForecast({ cutters, inputs }: LineStudy, { rakers }: DepthView): Pick<LineOrder['forecast'], 'rakers'> {
  if (!cutters || !rakers || !inputs.cutters) return {};
  const read = new Set(inputs.cutters.read);
  return {
    rakers: {
      wantedMm: cutters.target.depthMm,
      tip: inputs.cutters.tip,
      tooLow: rakers.plan.tooLow.filter((raker) => read.has(raker.tooth)),
      endRakers: rakers.plan.endRakers,
      unread: cutters.rakers.filter((tooth) => !read.has(tooth)),
    },
  };
}

/**
 * Steel off for new teeth, mm^3: over the new gullets' level stood half the old teeth's band and what
 * the gullets go deeper, of which half the new teeth's band stays: L t (h / 2 + d - h' / 2).
 */
function retoothedMm3({ inputs, toothHeightMm }: LineStudy, was: NonNullable<LineStudy['inputs']['retooth']>): number {
  const lineMm = inputs.readings.length * inputs.saw.pitchMm;
  return (
    lineMm * inputs.saw.plateThicknessMm * Math.max(0, was.oldHeightMm / 2 + was.gulletsDeeperMm - toothHeightMm / 2)
  );
}

/**
 * One standard error of the minutes, where measured gullets stand for others: N unmeasured at
 * the mean of n measured with a spread s are out by N s sqrt(1/n + 1/N) strokes (a mean's and
 * a sum's variance, independent draws; from memory). 0 where every tooth was measured.
 */
function sampleError(study: LineStudy, view: DepthView): number {
  const rest = study.inputs.readings.length - study.inputs.measured;
  if (rest <= 0) return 0;
  const own = Array.from(view.strokes).slice(0, study.inputs.measured + 1);
  const mean = own.reduce((s, v) => s + v, 0) / own.length;
  const spread = Math.sqrt(own.reduce((s, v) => s + (v - mean) ** 2, 0) / Math.max(1, own.length - 1));
  return (rest * spread * Math.sqrt(1 / own.length + 1 / rest) * SECONDS_PER_STROKE) / 60;
}

function targetsOf(study: LineStudy, view: DepthView, tune: boolean, lossMm: number): LineOrder['targets'] {
  // To the wanted depth, by whichever way its tip is made.
  const wantedMm = study.cutters?.target.depthMm ?? 0;
  const filed = new Map([...(view.rakers?.depthMm ?? [])].map(([i, mm]) => [i, Math.max(0, wantedMm - mm)]));
  return Array.from(study.prepared.teeth, (tooth, i) => {
    const x = tune ? (view.spacing.xMm[i] as number) : (study.prepared.xMm[i] as number);
    const y = tune && view.flats.on[i] ? heightOn(view.line, x) : (study.prepared.yMm[i] as number);
    const offMm = filed.get(i) ?? 0;
    const before = study.prepared.roles?.[i] === 'raker' ? (view.lineYMm[i] as number) : y;
    return { tooth, xMm: x, yMm: before - offMm - lossMm };
  });
}
