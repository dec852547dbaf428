import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Lean } from '@odontis/core/evidence/tooth-reading';

/** The saw in its vise seen from the end, along its teeth: the file lies level across it, its handle to where one stands. */
@Component({
  selector: 'od-file-level',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 200 150" role="img" [attr.aria-label]="label()">
      <path class="jaws" d="M70 78 L94 78 L94 150 L62 150 Z M130 78 L106 78 L106 150 L138 150 Z" />
      <path class="plate" d="M97 60 L103 60 L103 150 L97 150 Z" />
      <g [attr.transform]="mirror()">
        <rect class="handle" x="6" y="50" width="42" height="14" rx="6" />
        <path class="file" d="M46 53 L182 53 L188 57 L182 61 L46 61 Z" />
      </g>
      <path class="level" d="M4 40 L196 40" />
      <text x="100" y="32" text-anchor="middle">level</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 180px;
      max-height: 120px;
    }
    .jaws {
      fill: var(--brass-wash);
      stroke: var(--text-quiet);
    }
    .plate {
      fill: var(--plate);
      stroke: var(--text);
    }
    .file {
      fill: var(--ink);
    }
    .handle {
      fill: var(--handle);
    }
    .level {
      stroke: var(--text-quiet);
      stroke-dasharray: 5 5;
    }
    text {
      font-size: 13px;
      fill: var(--text-quiet);
    }
  `,
})
export class FileLevel {
  /** Where one stands; null: on either side. */
  readonly side = input.required<Lean | null>();
  /** Seen from the heel towards the toe, left is left. */
  protected readonly mirror = computed(() => (this.side() === 'right' ? 'translate(200 0) scale(-1 1)' : null));
  protected readonly label = computed(
    () => `From the end: the file level across the saw${this.side() ? `, its handle on the ${this.side()}` : ''}.`,
  );
}
