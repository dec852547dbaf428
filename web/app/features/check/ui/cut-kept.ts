import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { CheckRound } from '@odontis/contract/check';
import type { CutAdvice } from '@odontis/core/set/test-cut-verdict';
import { Speech } from '../../../shared/speech/speech';
import { ADVICE_SAYS } from '../../../shared/words/advice-words';
import { DUST_WORDS, RIBBON_WORDS } from '../../../shared/words/cause-words';
import type { CutWords } from '../data/cut-words';
import { looksSay, rakersSay } from '../data/cut-words';

/** A cut that was judged: what it showed, what was measured for it, and what it wants. */
@Component({
  selector: 'od-cut-kept',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let cut = round();
    <div [class]="cut.verdict">
      <h2>
        Cut {{ cut.number }}{{ cut.edge && twoEdged() ? ', ' + cut.edge + ' edge' : '' }}:
        {{ verdictSays[cut.verdict] }}
      </h2>
      <p>
        {{ showed() }}
        @if (cut.setLeftMm !== null && cut.setRightMm !== null) {
          · set left {{ speech.fine(cut.setLeftMm) }}, right {{ speech.fine(cut.setRightMm) }}
        }
        · {{ cut.by }}
      </p>
      @if (stoned(); as text) {
        <p>{{ text }}</p>
      }
      @if (looks(); as text) {
        <p class="quiet">{{ text }}</p>
      }
      @if (cut.stonePasses > 0) {
        <p class="figure">
          Stone the {{ cut.stoneSide }} side: {{ cut.stonePasses }} light
          {{ cut.stonePasses === 1 ? 'pass' : 'passes' }}.
        </p>
      }
      @if (rakers(); as text) {
        <p class="figure">{{ text }}</p>
      }
      @if (cut.note) {
        <p>{{ cut.note }}</p>
      }
      @for (text of advice(); track text) {
        <p>{{ text }}</p>
      }
    </div>
  `,
  styles: `
    div {
      border-left: 6px solid var(--brass);
      padding-left: 12px;
      margin-bottom: 8px;
    }
    .pass {
      border-color: var(--ink);
    }
    p {
      margin: 0;
    }
  `,
})
export class CutKept {
  protected readonly speech = inject(Speech);
  readonly round = input.required<CheckRound>();
  readonly words = input.required<CutWords>();
  /** It cuts with either of two edges, so that the edge is named. */
  readonly twoEdged = input.required<boolean>();
  /** It has rakers, so that it throws ribbons. */
  readonly raked = input.required<boolean>();

  protected readonly showed = computed(() => {
    const [cut, words] = [this.round(), this.words()];
    return [
      cut.runs && words[cut.runs],
      cut.binds === null ? '' : cut.binds ? words.binds : words.free,
      cut.chatters === null
        ? ''
        : cut.chatters
          ? `${words.chatters}${cut.beatAt === null ? '' : ` at tooth ${cut.beatAt}`}`
          : words.even,
      cut.shavings && (this.raked() ? RIBBON_WORDS : DUST_WORDS)[cut.shavings],
    ]
      .filter(Boolean)
      .join(', ');
  });
  protected readonly verdictSays = { pass: 'passes', again: 'again', open: 'open: not everything was looked at' };
  protected readonly stoned = computed(() => {
    const { stonedSide, stonedPasses } = this.round();
    if (stonedSide === null || stonedPasses === null) return '';
    const side = stonedSide === 'both' ? 'Both sides' : `The ${stonedSide} side`;
    return `${side} stoned before it: ${stonedPasses} ${stonedPasses === 1 ? 'pass' : 'passes'}.`;
  });
  protected readonly looks = computed(() => looksSay(this.round(), this.speech));
  protected readonly rakers = computed(() => rakersSay(this.round(), this.speech));
  protected readonly advice = computed(() => this.round().advice.map((code) => ADVICE_SAYS[code as CutAdvice] ?? code));
}
