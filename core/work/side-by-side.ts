import { keepOrReplace } from '../life/keep-or-replace';
import { monthsBetween } from '../life/life';
import { stoneOut } from '../set/stone-out';
import { holdCut, limitsReason } from '../testcut/acceptable';
import type { WorkFacts } from './family-work';
import type { Way, Ways, WorkedWay } from './ways';

/** A way held against its wood, the heavier side stoned where that evens it. */
function heldWay<Choice>(
  { sides, wantedMm, ...way }: WorkedWay<Choice>,
  { saw, visit, stoning: stone, habits }: WorkFacts,
): Way<Choice> {
  const [fewest, most] = monthsBetween(saw.family, visit.useRate);
  const stoning = sides && !way.resets ? stoneOut(sides, stone) : null;
  const evenedMm = stoning?.at(-1)?.differenceMm;
  const held = holdCut(way.cut, { wood: visit.wood, sides, wantedMm, evenedMm, learned: habits.learned });
  return {
    ...way,
    ...held,
    stoning,
    years: way.left && [(way.left.least * fewest) / 12, (way.left.most * most) / 12],
    good: held.falls.length === 0,
  };
}

/**
 * Ways side by side: the least is, of those that are good enough, the one that takes least time. Left be, the saw is
 * held against the price of the way `advised`. Null of none.
 */
export function sideBySide<Choice>(
  worked: readonly WorkedWay<Choice>[],
  facts: WorkFacts,
  advised: WorkedWay<Choice> | undefined = worked[0],
): Ways<Choice> | null {
  const [first] = worked;
  if (!first) return null;
  const { saw, visit, habits } = facts;
  const ways = worked.map((way) => heldWay(way, facts));
  const least = ways
    .filter((way) => way.good)
    .reduce<Way<Choice> | null>((a, b) => (a && a.minutes <= b.minutes ? a : b), null);
  return {
    ways,
    least: least?.id ?? null,
    reason: limitsReason(visit.wood, first.wantedMm, habits.learned),
    decline:
      visit.replacement === null || !advised?.price
        ? null
        : keepOrReplace(saw.family, visit.useRate, advised.price.amount, visit.replacement),
  };
}
