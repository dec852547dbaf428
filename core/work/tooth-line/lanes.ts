import { heightOn } from '../../line/joint-line';
import type { DepthView } from './depth-view';
import { RAKER_OFF_MM } from '../../raker/raker-target';
import type { LineStudy } from './study';

/** A row of numbers along the saw, one a standing tooth; NaN where there is none. */
export interface OrderLane {
  readonly id: 'over' | 'spacing' | 'strokes' | 'levelling' | 'rakers' | 'flats';
  readonly unit: 'mm' | 'strokes';
  readonly values: Float64Array;
  /** As it is now, where `values` is as it will be. */
  readonly before: Float64Array | null;
  /** Beyond this a value is off; NaN without one. */
  readonly limit: number;
}

/**
 * The lanes of a tooth line's order: over the joint line, spacing before and after, strokes a gullet
 * or a cutter; of a line of cutters and rakers the flats the cutters will carry, and how far each
 * raker is off the wanted depth, above it too high. O(n).
 */
export function lineLanes(study: LineStudy, view: DepthView): OrderLane[] {
  const { prepared } = study;
  const byPlace = new Map(view.filings.map((filing, i) => [filing.at, view.strokes[i] as number]));
  const n = prepared.teeth.length;
  const over = new Float64Array(n);
  const now = new Float64Array(n).fill(NaN);
  const then = new Float64Array(n).fill(NaN);
  const strokes = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const x = prepared.xMm[i] as number;
    const raker = prepared.roles?.[i] === 'raker';
    over[i] = raker ? NaN : (prepared.yMm[i] as number) - heightOn(view.line, x);
    strokes[i] = byPlace.get(prepared.teeth[i] as number) ?? 0;
    if (i === 0 || (prepared.groups && (raker || prepared.groups[i] !== prepared.groups[i - 1]))) continue;
    const span = (prepared.nominalMm[i] as number) - (prepared.nominalMm[i - 1] as number);
    now[i] = x - (prepared.xMm[i - 1] as number) - span;
    then[i] = (view.spacing.xMm[i] as number) - (view.spacing.xMm[i - 1] as number) - span;
  }
  const tune = view.depthMm > 0;
  if (study.cutters) return [...cutterLanes(study, view, over, tune), spacingLaneOf(study, now, tune ? then : null)];
  return [
    { id: 'over', unit: 'mm', values: over, before: null, limit: NaN },
    spacingLaneOf(study, now, tune ? then : null),
    {
      id: study.pull ? 'levelling' : 'strokes',
      unit: 'strokes',
      values: tune ? strokes : new Float64Array(n),
      before: null,
      limit: NaN,
    },
  ];
}

const spacingLaneOf = (study: LineStudy, now: Float64Array, then: Float64Array | null): OrderLane => ({
  id: 'spacing',
  unit: 'mm',
  values: then ?? now,
  before: then && now,
  limit: study.inputs.habits.evennessShare * study.pitchMm,
});

function cutterLanes(
  { prepared, cutters }: LineStudy,
  view: DepthView,
  over: Float64Array,
  tune: boolean,
): OrderLane[] {
  const off = new Float64Array(prepared.teeth.length).fill(NaN);
  const wantedMm = cutters?.target.depthMm ?? 0;
  for (const [i, depthMm] of view.rakers?.depthMm ?? []) off[i] = wantedMm - depthMm;
  const flats = view.flats.toMm.map((to, i) => to - (view.flats.fromMm[i] as number));
  return [
    { id: 'over', unit: 'mm', values: over, before: null, limit: NaN },
    { id: 'rakers', unit: 'mm', values: off, before: null, limit: RAKER_OFF_MM },
    { id: 'flats', unit: 'mm', values: tune ? flats : new Float64Array(flats.length), before: null, limit: NaN },
  ];
}
