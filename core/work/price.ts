import type { Reason } from '../reason/reason';
import { because, input } from '../reason/reason';

export interface Rates {
  readonly wagePerHour: number;
  readonly leastCharge: number;
  readonly currency: string;
}

export interface Price {
  readonly amount: number;
  readonly reason: Reason;
}

/** Bench minutes at the shop's wage, never under the least charge, to the half unit of money. */
export function priceFor(minutes: number, rates: Rates): Price {
  if (!(minutes >= 0)) throw new RangeError('Minutes must not be negative.');
  const work = (minutes / 60) * rates.wagePerHour;
  return {
    amount: Math.max(rates.leastCharge, Math.ceil(work * 2 - 1e-9) / 2),
    reason: because(
      'Price',
      'minutes ÷ 60 × wage, never under the least charge',
      [
        input('bench time', minutes, 'minutes'),
        input('wage an hour', rates.wagePerHour, 'money'),
        input('least charge', rates.leastCharge, 'money'),
      ],
      'the shop book',
    ),
  };
}
