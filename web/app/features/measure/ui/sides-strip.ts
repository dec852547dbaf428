import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { ToothSides } from '@odontis/core/angles/point-sides';

const [WIDTH, HEIGHT, MARGIN] = [1000, 74, 14];
const MIDDLE = HEIGHT / 2;

/**
 * Every tooth's lean as a stroke and its point as a wedge on it, left above and right
 * below the plate; a wedge on the other side than its stroke is a tooth to be looked at.
 */
@Component({
  selector: 'od-sides-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width + ' ' + height"
      preserveAspectRatio="none"
      role="img"
      [attr.aria-label]="says()"
      (click)="pick($event)"
    >
      <rect class="plate" x="0" [attr.y]="middle - 3" [attr.width]="width" height="6" />
      <path class="behind" [attr.d]="behind()" />
      <path class="lean" [attr.d]="paths().leans" />
      <path class="point" [attr.d]="paths().points" />
      <path class="level" [attr.d]="paths().levels" />
      <path class="wrong" [attr.d]="paths().wrong" />
      <path class="cursor" [attr.d]="'M' + (cursorX() - 6) + ' 0 h12 l-6 10 z'" />
    </svg>
    <p class="quiet"><b>left</b> above the plate, <b>right</b> below: strokes lean, wedges are points</p>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 74px;
      background: var(--paper);
      border: 1px solid var(--rule);
      cursor: pointer;
    }
    p {
      margin: 2px 0 0;
      font-size: 13px;
    }
    .plate {
      fill: var(--plate);
    }
    .lean {
      stroke: var(--steel);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    .behind {
      fill: none;
      stroke: var(--steel);
      stroke-width: 1.5;
      vector-effect: non-scaling-stroke;
    }
    .point {
      fill: var(--ink);
    }
    .level {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2;
      vector-effect: non-scaling-stroke;
    }
    .wrong {
      fill: var(--lead);
      stroke: var(--lead);
      stroke-width: 1.5;
      vector-effect: non-scaling-stroke;
    }
    .cursor {
      fill: var(--brass);
    }
  `,
})
export class SidesStrip {
  readonly sides = input.required<readonly ToothSides[]>();
  /** Another session's, drawn behind. */
  readonly other = input<readonly ToothSides[]>([]);
  readonly tooth = input.required<number>();
  readonly picked = output<number>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly middle = MIDDLE;

  private readonly step = computed(() => (WIDTH - 2 * MARGIN) / Math.max(1, this.sides().length));
  private xOf(tooth: number): number {
    return MARGIN + (tooth - 0.5) * this.step();
  }
  protected readonly cursorX = computed(() => this.xOf(this.tooth()));
  private readonly half = computed(() => Math.min(5, this.step() * 0.42));
  private wedge(one: ToothSides): string {
    const up = one.point === 'left' ? -1 : 1;
    const half = this.half();
    return `M${(this.xOf(one.tooth) - half).toFixed(1)} ${MIDDLE + up * 18} h${2 * half} l${-half} ${up * 13} z`;
  }
  protected readonly behind = computed(() =>
    this.other()
      .filter((one) => one.point === 'left' || one.point === 'right')
      .map((one) => this.wedge(one))
      .join(' '),
  );
  /** One path a kind, so that two thousand teeth are five elements. */
  protected readonly paths = computed(() => {
    const half = this.half();
    const leans: string[] = [];
    const points: string[] = [];
    const levels: string[] = [];
    const wrong: string[] = [];
    for (const one of this.sides()) {
      const x = this.xOf(one.tooth).toFixed(1);
      if (one.lean) leans.push(`M${x} ${MIDDLE} V${one.lean === 'left' ? MIDDLE - 20 : MIDDLE + 20}`);
      if (one.point === 'none') levels.push(`M${Number(x) - half} ${MIDDLE} h${2 * half}`);
      if (one.point === 'left' || one.point === 'right')
        (one.verdict === 'disagrees' ? wrong : points).push(this.wedge(one));
    }
    return {
      leans: leans.join(' '),
      points: points.join(' '),
      levels: levels.join(' '),
      wrong: wrong.join(' '),
    };
  });
  protected readonly says = computed(() => {
    const all = this.sides();
    const wrong = all.filter((s) => s.verdict === 'disagrees').length;
    return `Points and leans of ${all.length} teeth: ${all.filter((s) => s.point).length} points known, ${wrong} leaning off their point.`;
  });

  protected pick(event: MouseEvent): void {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width) * WIDTH;
    this.picked.emit(Math.min(this.sides().length, Math.max(1, Math.ceil((x - MARGIN) / this.step()))));
  }
}
