import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Step, WalkStop } from '@odontis/core/work/step';

/** The order's steps, those done and the one in hand, with how far it is. */
@Component({
  selector: 'od-bench-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol aria-label="Steps">
      @for (one of steps(); track $index) {
        <li
          [class.done]="!toDo().has($index)"
          [class.here]="$index === here()"
          [attr.aria-current]="$index === here() ? 'step' : null"
        >
          @if ($index !== here() && toDo().has($index)) {
            <button type="button" class="link" (click)="chosen.emit($index)">{{ titleOf()(one) }}</button>
          } @else {
            {{ titleOf()(one) }}
          }
          @if ($index === here() && inStep().all > 1) {
            <span>{{ inStep().done }} of {{ inStep().all }}</span>
          }
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 6px 10px;
      border-left: 6px solid var(--ink);
      margin-bottom: 3px;
    }
    span {
      display: block;
      font-size: 13px;
      color: var(--text-quiet);
    }
    button {
      text-align: left;
      min-height: 32px;
    }
    .done {
      border-color: var(--steel-bright);
      color: var(--text-quiet);
    }
    .here {
      border-color: var(--brass);
      background: var(--brass-wash);
      font-weight: 600;
    }
  `,
})
export class BenchSteps {
  readonly steps = input.required<readonly Step[]>();
  readonly walk = input.required<readonly WalkStop[]>();
  readonly done = input.required<ReadonlySet<number>>();
  /** The step in hand, its index. */
  readonly here = input.required<number>();
  readonly titleOf = input.required<(step: Step) => string>();
  /** Another step is gone on with. */
  readonly chosen = output<number>();

  /** Steps with stops still to do. */
  protected readonly toDo = computed(
    () => new Set(this.walk().flatMap((stop) => (this.done().has(stop.index) ? [] : [stop.step]))),
  );
  protected readonly inStep = computed(() => {
    const all = this.walk().filter((stop) => stop.step === this.here());
    return { done: all.filter((stop) => this.done().has(stop.index)).length, all: all.length };
  });
}
