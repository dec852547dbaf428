import { handOf } from '../calibration/hand';
import type { Judgement } from '../judgement/books';
import type { LineLook, WantedFiling } from '../judgement/triage';
import type { Learned } from '../learn/learned';
import type { Reason } from '../reason/reason';
import { because, COMMON_PRACTICE, input } from '../reason/reason';
import type { Wood } from '../saw/families';
import type { PlateMark, PlateMarkKind } from '../saw/plate-marks';
import { COUNTED, countOf, GRADED, gradesOf, PLATE_MARKS } from '../saw/plate-marks';
import type { Saw } from '../saw/saw';
import { workOf } from '../work/families';
import type { WorkFacts } from '../work/family-work';
import { PLAIN_WISH } from '../work/family-work';
import type { ShopHabits } from '../work/habits';
import type { WorkOrder } from '../work/order';
import type { StepKind } from '../work/step';
import type { Supposed } from '../work/supposed-saw';
import { SUPPOSED, supposedSessions } from '../work/supposed-saw';

/** A piece of the work as the counter reckons it, minutes. */
export interface WorkPart {
  readonly what: string;
  readonly low: number;
  readonly high: number;
}

/** What a mark on the plate adds to the work, minutes. */
export interface MarkAdds extends Omit<WorkPart, 'what'> {
  readonly kind: PlateMarkKind;
  /** Nobody said how far it has gone, or how many teeth it is of. */
  readonly open: boolean;
}

/** A past saw of this shop: reckoned at the counter, then planned. Minutes. */
export interface PastEstimate {
  readonly family: Saw['family'];
  /** Somebody had looked along its line. */
  readonly looked: boolean;
  readonly likelyMinutes: number;
  readonly plannedMinutes: number;
}

/** How many of the shop's past saws of the family so looked at were planned within the same range of their estimate. */
export interface EstimateOdds {
  readonly within: number;
  readonly of: number;
}

export interface ReckonedWork {
  readonly parts: readonly WorkPart[];
  readonly lowMinutes: number;
  readonly highMinutes: number;
  /** The middle of what the look leaves open, before the shop's own past is asked. */
  readonly likelyMinutes: number;
  /** Null before there is a past to tell them by. */
  readonly odds: EstimateOdds | null;
  readonly reason: Reason;
}

/** What of the counter's answers the work depends on. */
export interface ToReckon {
  readonly saw: Saw;
  readonly wood: Wood;
  readonly marks: readonly PlateMark[];
  readonly lineLook: LineLook;
  readonly wantsFiling: WantedFiling;
  readonly grain: WorkFacts['visit']['grain'];
  readonly etch: boolean;
  /** Sharpening or the tune as judged by the look; null while nobody looked. */
  readonly work: 'sharpen' | 'tune' | null;
}

/** What of the shop's the work depends on. */
export interface ReckoningShop {
  readonly habits: ShopHabits;
  readonly judgement?: Judgement | undefined;
  readonly learned: Learned;
  readonly past: readonly PastEstimate[];
}

const ENDS: Readonly<Record<'sharpen' | 'tune' | 'open', readonly [Supposed, Supposed]>> = {
  sharpen: ['keen', 'dull'],
  tune: ['worn', 'neglected'],
  open: ['keen', 'neglected'],
};
/** Fewer past saws tell nothing. */
const FEWEST_PAST = 8;
/** The range is the one that so many of them lay in. */
const RANGE = { from: 0.1, to: 0.9 } as const;
/** Teeth that are gone where nobody counted them: from one to a few. */
const UNCOUNTED = { low: 1, high: 3 } as const;

/** Steps as the counter tells them. */
const PART_OF: Partial<Record<StepKind, string>> = {
  ...{ clean: 'cleaning', straighten: 'straightening', tighten: 'handle or frame' },
  ...{ 'flatten-set': 'jointing and shaping', joint: 'jointing and shaping', shape: 'jointing and shaping' },
  ...{ reshape: 'jointing and shaping', 'file-off': 'jointing and shaping', cut: 'jointing and shaping' },
  ...{ 'joint-again': 'jointing and shaping', look: 'jointing and shaping', 'set-out': 'jointing and shaping' },
  ...{
    'joint-round': 'jointing and shaping',
    'round-gullets': 'jointing and shaping',
    blend: 'short teeth blended in',
  },
  ...{ set: 'setting', 'swage-teeth': 'setting' },
  ...{
    sharpen: 'filing',
    'last-pass': 'filing',
    point: 'filing',
    'touch-up': 'filing',
    edge: 'filing',
    round: 'filing',
  },
  ...{ 'dress-rakers': 'rakers', 'raker-gullets': 'rakers', 'raker-tips': 'rakers', 'thin-rakers': 'rakers' },
  ...{ swage: 'rakers', 'rakers-again': 'rakers', 'round-rakers': 'rakers', chipper: 'chippers' },
};
const REST = 'before and after: hanging, looking, stoning, trying, finishing';

/** The order a saw would get if it stood like that; null where its family's reckoning refuses. */
function supposedOrder(of: ToReckon, shop: ReckoningShop, wear: Supposed, lost: number): WorkOrder | null {
  const { saw, wood, marks, grain, etch, wantsFiling } = of;
  const hand = handOf([], shop.learned);
  const facts: WorkFacts = {
    saw,
    visit: { wood, marks, grain, etch, wantsFiling, replacement: null, useRate: 'weekly' },
    sessions: supposedSessions(saw, wood, SUPPOSED[wear], lost),
    visits: [],
    habits: { ...shop.habits, learned: shop.learned },
    judgement: shop.judgement,
    strokeRateOf: hand.strokeRateOf,
    stoning: hand.stoning,
  };
  const work = workOf(saw.family);
  if (work.way === 'round') {
    // A tooth that looks burnt is supposed to be sound: what the file says decides whether it is worked at all.
    const plain = work.plain.family === 'circular' ? { ...work.plain, burnt: 'alike' as const } : work.plain;
    const studied = work.study(facts, plain);
    return studied.ok ? work.order(studied.study, null) : null;
  }
  const studied = work.study(facts, PLAIN_WISH);
  if (!studied.ok) return null;
  const { recommended, deepestMm } = studied.study;
  // Where the tune is sure it is jointed, by the least that is ever taken off a whole line.
  const depthMm = ENDS.tune.includes(wear) ? Math.max(recommended.depthMm, Math.min(LEAST_JOINT_MM, deepestMm)) : 0;
  return work.order(studied.study, depthMm, null);
}
const LEAST_JOINT_MM = 0.1;

/**
 * Bench minutes before anything is measured, by the very orders the saw would get at both ends of what a look leaves
 * open: the same steps, times and pace as its plan. Where this shop planned enough saws of the family that were looked
 * at alike, the range is the one in which eight in ten of them lay. Minutes. O(teeth).
 */
export function supposedWork(of: ToReckon, shop: ReckoningShop): ReckonedWork {
  const [least, most] = ENDS[of.work ?? 'open'];
  const lost = lostTeeth(of.marks);
  const [low, high] = [supposedOrder(of, shop, least, lost.low), supposedOrder(of, shop, most, lost.high)];
  const parts = partsOf(low, high);
  const total = (end: 'low' | 'high'): number => parts.reduce((sum, part) => sum + part[end], 0);
  const ends = [total('low'), total('high')].sort((a, b) => a - b) as [number, number];
  const likelyMinutes = (ends[0] + ends[1]) / 2;
  const past = pastRange(of, shop.past, likelyMinutes);
  const [lowMinutes, highMinutes] = past ? [past.low, past.high] : ends;
  return {
    parts,
    lowMinutes,
    highMinutes,
    likelyMinutes,
    odds: past?.odds ?? null,
    reason: because(
      'Bench time',
      past
        ? 'the saw’s own order as it is supposed to stand × what past saws’ plans came to ÷ what they were reckoned at'
        : 'the saw’s own order as it is supposed to stand, from an even line to a neglected one',
      [
        ...parts.flatMap(({ what, low: from, high: to }) =>
          Math.abs(from - to) < 0.05
            ? [input(what, from, 'minutes')]
            : [input(`${what}, least`, from, 'minutes'), input(`${what}, most`, to, 'minutes')],
        ),
        ...(past
          ? [
              input('past saws of the family', past.odds.of, 'count'),
              input('of them within this range of their estimate', past.odds.within, 'count'),
            ]
          : []),
        ...(shop.learned.minutes ? [input('the shop’s pace', shop.learned.minutes.factor, 'share')] : []),
      ],
      COMMON_PRACTICE,
      of.work === null
        ? 'Look along the line: knowing whether it is a sharpening or a tune halves the range.'
        : undefined,
    ),
  };
}

/** The steps of both ends, put together as the counter tells them. */
function partsOf(low: WorkOrder | null, high: WorkOrder | null): WorkPart[] {
  const parts = new Map<string, { low: number; high: number }>();
  for (const [end, order] of [
    ['low', low],
    ['high', high],
  ] as const)
    for (const step of order?.steps ?? []) {
      const what = PART_OF[step.kind] ?? REST;
      const part = parts.get(what) ?? { low: 0, high: 0 };
      part[end] += step.minutes;
      parts.set(what, part);
    }
  return [...parts].map(([what, minutes]) => ({ what, ...minutes }));
}

/** Teeth that are gone by the marks, at the least and at the most. */
function lostTeeth(marks: readonly PlateMark[]): { low: number; high: number } {
  if (!marks.some((mark) => mark.kind === 'missing-teeth')) return { low: 0, high: 0 };
  const counted = countOf(marks, 'missing-teeth');
  return counted === null ? UNCOUNTED : { low: counted, high: counted };
}

/** What every kind of mark on the plate adds: the order with it less the order without it. Minutes. O(kinds teeth). */
export function marksAdd(of: ToReckon, shop: ReckoningShop): MarkAdds[] {
  const [wear] = ENDS[of.work ?? 'open'];
  const kinds = PLATE_MARKS.filter((kind) => of.marks.some((mark) => mark.kind === kind));
  const minutes = (marks: readonly PlateMark[], lost: number): number =>
    supposedOrder({ ...of, marks }, shop, wear, lost)?.minutes ?? 0;
  const all = lostTeeth(of.marks);
  return kinds.map((kind) => {
    const rest = of.marks.filter((mark) => mark.kind !== kind);
    const without = minutes(rest, kind === 'missing-teeth' ? 0 : all.low);
    const [low, high] = [minutes(of.marks, all.low) - without, minutes(of.marks, all.high) - without];
    const open = GRADED.includes(kind)
      ? gradesOf(of.marks)[kind] === undefined
      : COUNTED.includes(kind) && countOf(of.marks, kind) === null;
    return { kind, low: Math.max(0, low), high: Math.max(0, high), open };
  });
}

/** The range in which eight in ten past saws of the family, looked at alike, were planned; null where they are too few. */
function pastRange(
  { saw, lineLook }: ToReckon,
  past: readonly PastEstimate[],
  likelyMinutes: number,
): { readonly low: number; readonly high: number; readonly odds: EstimateOdds } | null {
  const looked = lineLook !== 'not-looked';
  const ratios = past
    .filter((one) => one.family === saw.family && one.looked === looked && one.likelyMinutes > 0)
    .map((one) => one.plannedMinutes / one.likelyMinutes)
    .sort((a, b) => a - b);
  if (ratios.length < FEWEST_PAST) return null;
  const at = (share: number): number => ratios[Math.round(share * (ratios.length - 1))] as number;
  const [from, to] = [at(RANGE.from), at(RANGE.to)];
  return {
    low: from * likelyMinutes,
    high: to * likelyMinutes,
    odds: { within: ratios.filter((r) => r >= from && r <= to).length, of: ratios.length },
  };
}
