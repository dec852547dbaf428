import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatCheckbox } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import { standsOn } from '@odontis/core/work/moments';
import type { Step } from '@odontis/core/work/step';
import { RoundKeeper } from '../state/round-keeper';

/** Several saws under one hand, one operation at a time; and two people at one saw, a side each. */
@Component({
  selector: 'od-bench-together',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggle, MatButtonToggleGroup, MatCheckbox, RouterLink],
  template: `
    @if (round.inRound()) {
      <ol aria-label="Saws of this round">
        @for (saw of round.beside(); track saw.id) {
          <li [class.turn]="round.turn()?.id === saw.id">
            <a [routerLink]="['/ticket', saw.id, 'bench']">{{ saw.name }} {{ saw.number }}</a>
            <span>{{ saw.stop ? titleOf()(saw.steps[saw.stop.step]!) : 'all done' }}</span>
          </li>
        }
      </ol>
    }
    @if (round.others().length > 0) {
      <details>
        <summary>Several saws at once</summary>
        <p>One operation over each of them before the next; every saw keeps its place.</p>
        @for (row of round.others(); track row.id) {
          <mat-checkbox
            [checked]="round.inRound() && round.members().includes(row.id)"
            (change)="round.choose(row.id, $event.checked)"
            >{{ row.saw }} {{ row.number
            }}{{ row.stopsDone > 0 ? ', put down at ' + row.stopsDone + ' of ' + row.stops : '' }}</mat-checkbox
          >
        }
      </details>
    }
    @if (sided()) {
      <details [open]="side() !== null">
        <summary>Two at this saw</summary>
        <mat-button-toggle-group
          aria-label="On which side you stand"
          hideSingleSelectionIndicator
          [value]="side()"
          (change)="sideChosen.emit($event.value)"
        >
          <mat-button-toggle [value]="null">Alone</mat-button-toggle>
          <mat-button-toggle value="left">Left</mat-button-toggle>
          <mat-button-toggle value="right">Right</mat-button-toggle>
        </mat-button-toggle-group>
        <p>Each at a screen of their own; what the other has done is looked up every few seconds.</p>
      </details>
    }
  `,
  styles: `
    ol {
      margin: 8px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 4px 10px;
      border-left: 6px solid var(--steel);
      margin-bottom: 3px;
    }
    li.turn {
      border-color: var(--brass);
      background: var(--brass-wash);
    }
    li span {
      display: block;
      font-size: 13px;
      color: var(--text-quiet);
    }
    summary {
      cursor: pointer;
      min-height: 44px;
      align-content: center;
    }
    mat-checkbox {
      display: block;
    }
    p {
      font-size: 13px;
      color: var(--text-quiet);
    }
  `,
})
export class BenchTogether {
  readonly steps = input.required<readonly Step[]>();
  readonly titleOf = input.required<(step: Step) => string>();
  readonly side = input<Lean | null>(null);
  readonly sideChosen = output<Lean | null>();
  protected readonly round = inject(RoundKeeper);
  /** Some step is worked from one side and some from the other. */
  protected readonly sided = computed(() => {
    const sides = new Set(this.steps().map(standsOn));
    return sides.has('left') && sides.has('right');
  });
}
