import type { PriceStanding, PriceWord, WordBy } from '@odontis/core/money/price-chain';
import { sameMoney } from '@odontis/core/money/price-chain';

/** How a sum is said, in the shop's money. */
export type SayMoney = (amount: number) => string;

/** A range, or the one sum both ends are. */
export const rangeSays = (low: number, high: number, money: SayMoney): string =>
  sameMoney(low, high) ? money(high) : `${money(low)} to ${money(high)}`;

export const WORD_BY_WORDS: Readonly<Record<WordBy, string>> = {
  counter: 'at the counter',
  telephone: 'by telephone',
  writing: 'in writing',
};

/** What a ticket costs as far as is known, for its owner: charged, by its plan, or told at the counter. */
export function liveSays({ live, upTo, over }: PriceStanding, money: SayMoney): string {
  if (!live) return 'No price was told.';
  if (live.kind === 'charged') return `${money(live.high)} was charged.`;
  if (live.kind === 'plan' || live.kind === 'outwork')
    return over > 0
      ? `It comes to ${money(live.high)}; up to ${money(upTo)} is agreed.`
      : `It costs ${money(live.high)}.`;
  return `It costs ${rangeSays(live.low, live.high, money)}.`;
}

/** One word of the chain in a line, without who and when. */
export function wordSays({ kind, low, high, plan, quote, wordBy, said }: PriceWord, money: SayMoney): string {
  const who = said === '' ? 'the customer' : said;
  const how = wordBy ? ` ${WORD_BY_WORDS[wordBy]}` : '';
  switch (kind) {
    case 'estimate':
      return `Quote ${quote ?? ''}: ${rangeSays(low, high, money)}, nothing above ${money(high)} without asking`;
    case 'plan':
      return `Plan ${plan ?? ''}: ${money(high)}`;
    case 'outwork':
      return `With the grinder’s work: ${money(high)}`;
    case 'asked':
      return `Quote ${quote ?? ''}: asked whether up to ${money(high)}`;
    case 'agreed':
      return `Yes, up to ${money(high)}: ${who}${how}`;
    case 'refused':
      return `No to ${money(high)}: ${who}${how}`;
    case 'waived':
      return `The owner lets the work begin at ${money(high)} without a yes`;
    case 'charged':
      return `Charged ${money(high)}`;
  }
}
