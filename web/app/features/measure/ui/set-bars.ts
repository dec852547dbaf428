import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ToothSet } from '@odontis/core/photograph/edge-readings';

const WIDTH = 600;
const HALF = 52;

/** Every tooth's set as a bar, left up and right down, with a whisker of one standard error. */
@Component({
  selector: 'od-set-bars',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + 2 * half" role="img" [attr.aria-label]="says()">
      <line x1="0" [attr.x2]="width" [attr.y1]="half" [attr.y2]="half" />
      @for (bar of bars(); track bar.tooth) {
        <rect
          [class.right]="bar.down"
          [attr.x]="bar.x"
          [attr.width]="bar.wide"
          [attr.y]="bar.y"
          [attr.height]="bar.tall"
        />
        <path [attr.d]="bar.whisker" />
      }
      <text x="2" y="12">left</text>
      <text x="2" [attr.y]="2 * half - 4">right</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    line,
    path {
      stroke: var(--text);
      stroke-width: 1;
    }
    rect {
      fill: var(--ink);
    }
    rect.right {
      fill: var(--brass);
    }
    text {
      font-size: 12px;
      fill: var(--text);
    }
  `,
})
export class SetBars {
  readonly sets = input.required<readonly ToothSet[]>();
  protected readonly width = WIDTH;
  protected readonly half = HALF;
  protected readonly bars = computed(() => {
    const sets = this.sets();
    const most = Math.max(...sets.map((s) => s.setMm + s.errorMm), 1e-3);
    const step = WIDTH / Math.max(1, sets.length);
    return sets.map(({ tooth, setMm, errorMm, lean }, i) => {
      const tall = (mm: number): number => (Math.max(0, mm) / most) * (HALF - 4);
      const down = lean === 'right';
      const at = (mm: number): number => (down ? HALF + tall(mm) : HALF - tall(mm));
      const middle = (i + 0.5) * step;
      return {
        tooth,
        down,
        x: i * step + 0.15 * step,
        wide: 0.7 * step,
        y: Math.min(HALF, at(setMm)),
        tall: tall(setMm),
        whisker: `M${middle} ${at(setMm - errorMm)}V${at(setMm + errorMm)}`,
      };
    });
  });
  protected readonly says = computed(() => {
    const count = (lean: string): number => this.sets().filter((s) => s.lean === lean).length;
    return `Set of ${this.sets().length} teeth: ${count('left')} to the left, ${count('right')} to the right.`;
  });
}
