import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { DateTime } from 'luxon';
import type { ReasonInput } from '@odontis/core/reason/reason';
import { formatFleam, formatRake } from '@odontis/core/units/angle';
import { formatLength, formatNumber } from '@odontis/core/units/length';
import {
  sayBothFleams,
  sayFine,
  sayFleam,
  sayLong,
  sayPitch,
  sayPlate,
  sayRake,
} from '@odontis/core/units/shop-speech';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import { shopFeature } from '../state/shop.feature';

const UNTIL_LOADED: ShopSpeech = {
  lengthUnit: 'thou',
  pointConvention: 'points',
  rakeSpeech: 'lean-back',
  fleamSpeech: 'off-square',
};

const sayMinutes = (whole: number): string => {
  if (whole < 60) return `${whole} min`;
  return whole % 60 === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${whole % 60} min`;
};

/** Numbers in this shop's own words; a change in the shop book shows at once everywhere. */
@Injectable({ providedIn: 'root' })
export class Speech {
  private readonly store = inject(Store);
  readonly book = this.store.selectSignal(shopFeature.selectBook);
  readonly speech = computed<ShopSpeech>(() => this.book() ?? UNTIL_LOADED);
  readonly unit = computed(() => this.speech().lengthUnit);

  fine = (mm: number): string => sayFine(mm, this.speech());
  /** One digit more, for errors and rates. */
  finer = (mm: number): string => formatLength(mm, this.unit(), this.unit() === 'mm' ? 4 : 2);
  long = (mm: number): string => sayLong(mm, this.speech());
  plate = (mm: number): string => sayPlate(mm, this.speech());
  pitch = (mm: number): string => sayPitch(mm, this.speech());
  rake = (deg: number): string => sayRake(deg, this.speech());
  fleam = (deg: number): string => sayFleam(deg, this.speech());
  /** Rake and fleam as they stand in a field that says which it is, and as they are typed there. */
  rakeTyped = (deg: number): string => {
    const { rakeSpeech } = this.speech();
    return rakeSpeech === 'lean-back' ? String(-deg || 0) : formatRake(deg, rakeSpeech);
  };
  fleamTyped = (deg: number): string => formatFleam(deg, this.speech().fleamSpeech).replace(/ fleam$/, '');
  /** Both ways of saying a fleam, whichever the shop speaks; the sign of a turn is not said. */
  bothFleams = (deg: number): string => sayBothFleams(Math.abs(deg));
  money = (amount: number, currency = this.book()?.rates.currency ?? ''): string =>
    `${currency}\u00a0${amount.toFixed(2)}`;
  /** Whole minutes; less than half of one is said to be under one, never none. */
  minutes = (minutes: number): string =>
    minutes > 0 && minutes < 0.5 ? 'under 1 min' : sayMinutes(Math.round(minutes));
  share = (share: number): string => `${formatNumber(share * 100, 1).replace(/\.0$/, '')} %`;
  day = (iso: string): string => DateTime.fromISO(iso).toFormat('ccc d LLL');
  fullDay = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLLL yyyy');

  /** An input of a reason with its unit. */
  reasonInput(input: ReasonInput): string {
    if (typeof input.value === 'string') return input.value;
    switch (input.unit) {
      case 'mm':
        return Math.abs(input.value) >= 5 ? this.long(input.value) : this.fine(input.value);
      case 'deg':
        return `${formatNumber(input.value, 1)}°`;
      case 'share':
        return this.share(input.value);
      case 'minutes':
        return this.minutes(input.value);
      case 'money':
        return this.money(input.value);
      default:
        return String(input.value);
    }
  }
}
