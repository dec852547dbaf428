import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { MatCheckbox } from '@angular/material/checkbox';
import type { Lesson } from '@odontis/contract/learning';
import type { LessonId } from '@odontis/core/learn/learned';
import { ShopApi } from '../../../shared/api/shop-api';
import { Speech } from '../../../shared/speech/speech';

/** What each lesson is of, what its number means, and in what it is off. */
const WORDS: Record<
  LessonId,
  {
    readonly name: string;
    readonly of: string;
    readonly as: 'times' | 'fine' | 'finer';
    readonly off: 'mm' | 'chance' | 'share';
  }
> = {
  drift: { name: 'How far a cut leaves its line', of: 'half the difference of its sets', as: 'times', off: 'mm' },
  hop: { name: 'When a saw jumps', of: 'of hop, at which it does as often as not', as: 'fine', off: 'chance' },
  'set-wear': { name: 'How fast a filing takes the set', of: 'the bend filed away', as: 'times', off: 'mm' },
  strokes: { name: 'What a stroke takes', of: 'off a tooth', as: 'finer', off: 'mm' },
  stone: { name: 'What a pass of the stone takes', of: 'off a side', as: 'finer', off: 'mm' },
  minutes: { name: 'What work takes', of: 'the minutes reckoned', as: 'times', off: 'share' },
};

/** The picture's size, px, and the room about it. */
const [WIDE, TALL, EDGE] = [150, 90, 6];

/** What this shop learned of its own saws, foretold against found; what foretells better stands in the table's place, until it is put back. */
@Component({
  selector: 'od-learning',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckbox],
  templateUrl: './learning-panel.html',
  styleUrl: './learning-panel.scss',
})
export class LearningPanel {
  readonly putBack = input.required<readonly LessonId[]>();
  readonly mayChange = input.required<boolean>();
  readonly changed = output<LessonId[]>();
  private readonly api = inject(ShopApi);
  protected readonly speech = inject(Speech);
  protected readonly learning = rxResource({ stream: () => this.api.learning() });
  protected readonly wide = WIDE;
  protected readonly tall = TALL;

  protected readonly rows = computed(() =>
    this.learning.hasValue()
      ? this.learning.value().lessons.map((lesson) => ({
          lesson,
          name: WORDS[lesson.id].name,
          table: `The table: ${this.number(lesson.id, lesson.table)} ${WORDS[lesson.id].of}.`,
          found: this.found(lesson),
          off: this.off(lesson),
          stands: this.stands(lesson),
          points: points(lesson),
        }))
      : null,
  );

  private number(id: LessonId, value: number): string {
    const { as } = WORDS[id];
    return as === 'times'
      ? `${value.toFixed(2)} times`
      : as === 'fine'
        ? this.speech.fine(value)
        : this.speech.finer(value);
  }

  private found({ id, fitted, pairs }: Lesson): string {
    if (!fitted) return pairs === 0 ? 'Nothing found yet.' : 'Found once: too little to say.';
    return `Found: ${this.number(id, fitted.value)} ± ${this.number(id, fitted.error)}, from ${pairs}.`;
  }

  private off({ id, tableOff, fitOff }: Lesson): string | null {
    if (tableOff === null || fitOff === null) return null;
    const say = (value: number): string =>
      WORDS[id].off === 'mm'
        ? this.speech.finer(value)
        : WORDS[id].off === 'share'
          ? this.speech.share(value)
          : value.toFixed(2);
    const what = WORDS[id].off === 'chance' ? ' of a jump’s chance' : '';
    return `On what it had not seen the table was off by ${say(tableOff)}, what was found by ${say(fitOff)}${what}.`;
  }

  private stands({ id, better, since, pairs }: Lesson): string {
    if (!better)
      return pairs < 8
        ? 'The table stands: too few to learn from.'
        : 'The table stands: what was found foretells no better.';
    if (this.putBack().includes(id)) return 'Better by what was found, and put back to the table all the same.';
    return `In force${since === null ? '' : `, better since ${this.speech.fullDay(since)}`}.`;
  }

  protected turn(id: LessonId, back: boolean): void {
    this.changed.emit(back ? [...this.putBack(), id] : this.putBack().filter((one) => one !== id));
  }
}

/** Pairs as dots of a picture, what the table and the fit say of them as lines through it; null of fewer than two. */
function points({ latest, table, fitted, id }: Lesson): {
  dots: { x: number; y: number }[];
  table: string | null;
  fit: string | null;
} | null {
  if (latest.length < 2 || id === 'hop') return null;
  const xs = latest.map((pair) => pair.foretold);
  const values = [...latest.map((pair) => pair.found), ...xs.flatMap((x) => [table * x, (fitted?.value ?? table) * x])];
  const [fromX, toX] = [Math.min(0, ...xs), Math.max(0, ...xs)];
  const [fromY, toY] = [Math.min(0, ...values), Math.max(0, ...values)];
  const x = (v: number): number => EDGE + ((v - fromX) / (toX - fromX || 1)) * (WIDE - 2 * EDGE);
  const y = (v: number): number => TALL - EDGE - ((v - fromY) / (toY - fromY || 1)) * (TALL - 2 * EDGE);
  const line = (times: number): string =>
    `M${x(fromX).toFixed(1)} ${y(times * fromX).toFixed(1)}L${x(toX).toFixed(1)} ${y(times * toX).toFixed(1)}`;
  return {
    dots: latest.map((pair) => ({ x: x(pair.foretold), y: y(pair.found) })),
    table: line(table),
    fit: fitted && line(fitted.value),
  };
}
