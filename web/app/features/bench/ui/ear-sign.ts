import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Notice } from '../../../shared/ui/notice';
import { DOUBT_SAYS, FAULT_SAYS, TROUBLE_SAYS, UNLEARNED_SAYS } from '../data/ear-words';
import { PlaceKeeper } from '../state/place-keeper';

/** Shown as unsure as it is: the stroke has not ended. */
const FALLING = 0.5;

/** What the ear hears at this stop: a stroke a tick, a doubt a question, and always that it listens. */
@Component({
  selector: 'od-ear-sign',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice],
  template: `
    @if (keeper.fault(); as fault) {
      <od-notice weight="decide">{{ faultSays[fault] }}</od-notice>
    }
    @if (keeper.restless()) {
      <od-notice weight="decide">
        {{ doubtSays() }} It had to ask too often: there is too much else to hear. The microphone is off; keep the place
        by key, by windows or by a pace, or listen again when it is quieter.
      </od-notice>
    }
    @if (keeper.listening() !== 'off') {
      <div class="sign" [class.waits]="!hears()">
        <svg viewBox="0 0 24 24" aria-hidden="true">
          <path
            d="M4 9v6M9 5v14M14 8v8M19 3v18"
            fill="none"
            [attr.stroke]="hears() ? 'var(--ink)' : 'var(--text-quiet)'"
            stroke-width="3"
            stroke-linecap="round"
          />
        </svg>
        <span role="status">{{ says() }}</span>
      </div>
      @if (keeper.listening() === 'listening' || keeper.listening() === 'question') {
        <svg
          class="ticks"
          [attr.viewBox]="'0 0 ' + 30 * slots().length + ' 34'"
          role="img"
          [attr.aria-label]="ticksSay()"
        >
          @for (slot of slots(); track $index) {
            <path
              [attr.d]="'M' + (30 * $index + 8) + ' 30 L' + (30 * $index + 20) + ' 4'"
              [attr.stroke]="slot === null ? 'var(--rule)' : 'var(--ink)'"
              [attr.stroke-width]="slot === null ? 3 : 9"
              [attr.stroke-dasharray]="slot !== null && slot < 0.9 ? '5 5' : null"
              stroke-linecap="butt"
            />
          }
        </svg>
      }
    }
    @if (keeper.mute()) {
      <od-notice weight="decide">The microphone gives no sound at all: it is mute. Nothing is counted.</od-notice>
    }
    @if (keeper.unlearned(); as code) {
      <od-notice weight="decide">
        {{ unlearnedSays[code] }} Not learned. File the next {{ keeper.next().length }} a little more evenly, or when it
        is quieter, and press again.
      </od-notice>
    }
    @if (keeper.listening() === 'question') {
      <od-notice [weight]="keeper.doubt()?.kind === 'skate' ? 'stop' : 'decide'">
        {{ doubtSays() }} Is this one done?
      </od-notice>
    }
    @if (keeper.trouble(); as trouble) {
      <od-notice weight="stop">{{ troubleSays[trouble] }}</od-notice>
    }
    @if (keeper.pacedS() !== null) {
      <p class="pace" role="timer">
        <progress max="1" [value]="paced()" aria-label="Time of this stop"></progress>
        Moves on by itself. Any key stops it.
      </p>
    }
  `,
  styles: `
    .sign {
      display: flex;
      gap: 10px;
      align-items: center;
      font-size: 21px;
      margin-bottom: 6px;

      svg {
        width: 26px;
        flex: none;
      }
    }
    .waits {
      color: var(--text-quiet);
    }
    .ticks {
      height: 46px;
      max-width: 100%;
      display: block;
      margin-bottom: 8px;
    }
    .pace {
      display: grid;
      gap: 6px;
      margin: 0 0 8px;
      font-size: 19px;
    }
    progress {
      width: min(100%, 460px);
      height: 18px;
      accent-color: var(--ink);
    }
  `,
})
export class EarSign {
  protected readonly keeper = inject(PlaceKeeper);
  protected readonly faultSays = FAULT_SAYS;
  protected readonly unlearnedSays = UNLEARNED_SAYS;
  protected readonly troubleSays = TROUBLE_SAYS;
  protected readonly hears = computed(() => ['learning', 'listening'].includes(this.keeper.listening()));
  protected readonly says = computed(() => {
    switch (this.keeper.listening()) {
      case 'asking':
        return 'The browser asks whether the microphone may be used.';
      case 'learning':
        return `Listening, to learn your strokes: file the next ${this.keeper.gullets() === null ? this.keeper.next().length : this.keeper.taught()} as you always do, then press once.`;
      case 'listening':
        return `Listening. Nothing is kept or sent.${this.inWindow()}`;
      case 'question':
        return 'Waiting for you.';
      default:
        return this.keeper.gullets() === null
          ? 'Another side, step or corner: listening goes on when you press.'
          : 'The next window: listening goes on when you press.';
    }
  });
  private readonly inWindow = computed(() => {
    const all = this.keeper.gullets();
    return all === null ? '' : ` Gullet ${this.keeper.heardIn() + 1} of ${all} between the jaws.`;
  });
  /** Wanted strokes as empty places, heard ones in them. */
  protected readonly slots = computed(() => {
    const wanted = this.keeper.next()[0]?.strokes ?? 0;
    const ticks = [...this.keeper.ticks(), ...(this.keeper.falling() ? [FALLING] : [])];
    return Array.from({ length: Math.max(wanted, ticks.length) }, (_, i) => ticks[i] ?? null);
  });
  protected readonly ticksSay = computed(() => {
    const heard = this.keeper.ticks().length;
    return heard === 1 ? '1 stroke heard' : `${heard} strokes heard`;
  });
  protected readonly doubtSays = computed(() => {
    const doubt = this.keeper.doubt();
    if (!doubt) return '';
    if (doubt.kind === 'away') return 'The page was not in sight, and nothing was counted meanwhile.';
    const heard = doubt.strokes === 1 ? 'One stroke was counted.' : `${doubt.strokes} strokes were counted.`;
    return doubt.kind === 'skate' ? DOUBT_SAYS.skate : `${DOUBT_SAYS[doubt.kind]} ${heard}`;
  });
  protected readonly paced = computed(() => {
    const [paced, seconds] = [this.keeper.pacedS() ?? 0, this.keeper.stopS()];
    return seconds > 0 ? Math.min(1, paced / seconds) : 0;
  });
}
