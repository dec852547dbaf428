import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { saySharpenings } from '@odontis/core/life/life';
import type { StonedPass } from '@odontis/core/set/stone-out';
import { boughtBy } from '@odontis/core/work/ways';
import type { Bought, Way, WayId, Ways } from '@odontis/core/work/ways';
import { Speech } from '../../../shared/speech/speech';
import { Why } from '../../../shared/ui/why';
import { SHORTFALL_WORDS, UNKNOWN_WORDS, WAY_WORDS } from '../../../shared/words/way-words';

/** Evenness and hop that are not worth a word. */
const SAME_TIMES = 0.05;
const SAME_MM = 0.002;
/** A plate that outlives its owner is not counted in years. */
const COUNTED_YEARS = 60;

/** Everything that could be done with a saw, worked out side by side; one is chosen, and why is kept with the plan. */
@Component({
  selector: 'od-ways',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, Why],
  templateUrl: './ways-panel.html',
  styleUrl: './ways-panel.scss',
})
export class WaysPanel {
  readonly ways = input.required<Ways<unknown>>();
  /** Which of them is chosen; null where something between is. */
  readonly current = input.required<WayId | null>();
  readonly why = input.required<string>();
  readonly chosen = output<WayId>();
  readonly reasoned = output<string>();
  protected readonly speech = inject(Speech);
  protected readonly words = WAY_WORDS;

  protected readonly columns = computed(() =>
    this.ways().ways.map((way, i, all) => {
      const before = all[i - 1];
      const outlives = (before?.years?.[0] ?? 0) > COUNTED_YEARS;
      return {
        way,
        facts: this.facts(way),
        verdict: this.verdict(way),
        bought: before ? this.boughtSays({ ...boughtBy(before, way), ...(outlives && { years: null }) }) : null,
      };
    }),
  );

  private facts(way: Way<unknown>): readonly (readonly [string, string])[] {
    const { loads, hopMm } = way.cut;
    const money = way.price ? `, ${this.speech.money(way.price.amount)}` : '';
    return [
      ['Off the line', way.depthMm > 0 ? this.speech.fine(way.depthMm) : 'nothing'],
      ['Bench', `${this.speech.minutes(way.minutes)}${money}`],
      ...(way.left ? [['Plate', `${saySharpenings(way.left)} left${this.years(way.years)}`] as const] : []),
      ['Set', way.resets ? 'renewed' : 'left'],
      ...(loads
        ? [
            [
              'Cut',
              `${this.speech.share(loads.shareWorking)} of the teeth, the hardest ${loads.worstOverMean.toFixed(1)} times the mean`,
            ] as const,
          ]
        : []),
      ...(hopMm === null ? [] : [['Hop', this.speech.fine(hopMm)] as const]),
    ];
  }

  private years(years: Way<unknown>['years']): string {
    if (!years || years[0] > COUNTED_YEARS) return '';
    const [from, to] = [Math.floor(years[0]), Math.ceil(years[1])];
    return to > COUNTED_YEARS ? `, ${from} years and more` : `, ${from} to ${to} years`;
  }

  private verdict({ falls, unknown, stoning }: Way<unknown>): string {
    const stoned = stoning?.at(-1);
    const stone = stoned && stoned.passes > 0 ? ` once ${this.stoneSays(stoned, stoning?.[0])}` : '';
    const said =
      falls.length > 0
        ? `Its cut ${falls.map((one) => SHORTFALL_WORDS[one]).join(' and ')}.`
        : `Its cut is good enough${stone}.`;
    return unknown.length === 0 ? said : `${said} Not known: ${unknown.map((one) => UNKNOWN_WORDS[one]).join(', ')}.`;
  }

  private stoneSays({ passes, differenceMm }: StonedPass, first: StonedPass | undefined): string {
    const side = (first?.differenceMm ?? 0) > 0 ? 'left' : 'right';
    return `the ${side} side is stoned ${passes === 1 ? 'once' : `${passes} times`}, ${this.speech.finer(Math.abs(differenceMm))} between the sides then`;
  }

  /** What it buys over the one before it, and costs. */
  private boughtSays({ minutes, worstFrom, worstTo, hopLessMm, sharpenings, years }: Bought): string {
    const worst =
      worstFrom !== null && worstTo !== null && Math.abs(worstFrom - worstTo) > SAME_TIMES
        ? `the hardest tooth ${worstFrom.toFixed(1)} → ${worstTo.toFixed(1)} times the mean`
        : null;
    const hop =
      hopLessMm !== null && Math.abs(hopLessMm) > SAME_MM
        ? `${this.speech.fine(Math.abs(hopLessMm))} ${hopLessMm > 0 ? 'less' : 'more'} hop`
        : null;
    const gains = [worst, hop].filter((one) => one !== null);
    const life =
      sharpenings !== null && Math.abs(sharpenings) >= 0.5
        ? ` and ${sharpenings > 0 ? 'costs' : 'saves'} ${saySharpenings({ likely: Math.abs(sharpenings), least: Math.abs(sharpenings), most: Math.abs(sharpenings) })}${
            years !== null && Math.abs(years) >= 0.5 && Math.abs(years) < COUNTED_YEARS
              ? `, about ${Math.abs(years).toFixed(0)} ${Math.abs(years) < 1.5 ? 'year' : 'years'}`
              : ''
          }`
        : '';
    const time = `${minutes >= 0 ? '+' : '−'}${this.speech.minutes(Math.abs(minutes))}`;
    return `Over the one before: ${gains.length > 0 ? gains.join(', ') : 'cuts no more evenly'}; ${time}${life}.`;
  }
}
