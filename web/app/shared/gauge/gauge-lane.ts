import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { PlaceEstimate } from '@odontis/core/evidence/estimates';

interface Bar {
  readonly place: number;
  readonly x: number;
  readonly y: number;
  readonly errorTop: number;
  readonly errorBottom: number;
  readonly here: boolean;
}

const [WIDTH, HEIGHT, MARGIN] = [1000, 150, 14];

/**
 * Readings place by place on one axis, each with its error; the value aimed at as a
 * line, another session behind. Round saws show the same readings on a wheel beside it.
 */
@Component({
  selector: 'od-gauge-lane',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="says()">
      <line class="zero" x1="0" [attr.x2]="width" [attr.y1]="zero()" [attr.y2]="zero()" />
      @if (aimY(); as y) {
        <line class="aim" x1="0" [attr.x2]="width" [attr.y1]="y" [attr.y2]="y" />
      }
      @for (bar of behind(); track bar.place) {
        <circle class="behind" [attr.cx]="bar.x" [attr.cy]="bar.y" r="5" />
      }
      @for (bar of bars(); track bar.place) {
        <g (click)="picked.emit(bar.place)">
          <line
            class="error"
            [attr.x1]="bar.x"
            [attr.x2]="bar.x"
            [attr.y1]="bar.errorTop"
            [attr.y2]="bar.errorBottom"
          />
          <circle [class.here]="bar.here" [attr.cx]="bar.x" [attr.cy]="bar.y" r="4.5" />
        </g>
      }
      @if (cursorX(); as x) {
        <path class="cursor" [attr.d]="'M' + (x - 7) + ' 0 h14 l-7 11 z'" />
      }
    </svg>
    @if (round()) {
      <svg
        class="wheel"
        viewBox="-110 -110 220 220"
        role="img"
        aria-label="The same readings round the rim, much enlarged"
      >
        <circle class="zero" r="70" />
        @for (spoke of spokes(); track spoke.place) {
          <line class="spoke" [attr.x1]="spoke.x0" [attr.y1]="spoke.y0" [attr.x2]="spoke.x" [attr.y2]="spoke.y" />
          <circle [attr.cx]="spoke.x" [attr.cy]="spoke.y" r="3" (click)="picked.emit(spoke.place)" />
        }
        <text x="0" y="-98">1</text>
      </svg>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 12px;
    }
    svg {
      width: 100%;
      max-height: 210px;
      background: var(--paper);
      border: 1px solid var(--rule);
    }
    .wheel {
      width: 190px;
    }
    .zero {
      fill: none;
      stroke: var(--rule);
      stroke-width: 1.5;
    }
    .aim {
      stroke: var(--brass);
      stroke-width: 2;
      stroke-dasharray: 7 5;
    }
    circle:not(.zero) {
      fill: var(--ink);
      cursor: pointer;
    }
    circle.here {
      fill: var(--brass);
    }
    circle.behind:not(.zero) {
      fill: none;
      stroke: var(--steel);
      stroke-width: 2;
    }
    .error,
    .spoke {
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .cursor {
      fill: var(--brass);
    }
    text {
      fill: var(--text-quiet);
      font-size: 14px;
      text-anchor: middle;
    }
  `,
})
export class GaugeLane {
  readonly places = input.required<readonly number[]>();
  readonly estimates = input.required<readonly PlaceEstimate[]>();
  readonly other = input<readonly PlaceEstimate[]>([]);
  readonly place = input.required<number | null>();
  readonly aimMm = input<number | null>(null);
  readonly round = input(false);
  readonly says = input.required<string>();
  readonly picked = output<number>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;

  private readonly span = computed(() => {
    const values = [...this.estimates(), ...this.other()].flatMap((e) => [
      e.valueMm - e.errorMm,
      e.valueMm + e.errorMm,
    ]);
    const aim = this.aimMm();
    const all = [...values, 0, ...(aim === null ? [] : [aim])];
    const [low, high] = [Math.min(...all), Math.max(...all)];
    return high - low > 1e-9 ? { low, high } : { low: low - 0.1, high: high + 0.1 };
  });
  private readonly yOf = (mm: number): number => {
    const { low, high } = this.span();
    return HEIGHT - MARGIN - ((mm - low) / (high - low)) * (HEIGHT - 2 * MARGIN);
  };
  private readonly xOf = computed(() => {
    const places = this.places();
    const [first, last] = [places[0] ?? 0, places[places.length - 1] ?? 1];
    return (place: number): number => MARGIN + ((place - first) / Math.max(1e-9, last - first)) * (WIDTH - 2 * MARGIN);
  });
  protected readonly zero = computed(() => this.yOf(0));
  protected readonly aimY = computed(() => {
    const aim = this.aimMm();
    return aim === null ? null : this.yOf(aim);
  });
  protected readonly cursorX = computed(() => {
    const place = this.place();
    return place === null ? null : this.xOf()(place);
  });
  private readonly drawn = (estimates: readonly PlaceEstimate[]): Bar[] =>
    estimates.map((e) => ({
      place: e.place,
      x: this.xOf()(e.place),
      y: this.yOf(e.valueMm),
      errorTop: this.yOf(e.valueMm + e.errorMm),
      errorBottom: this.yOf(e.valueMm - e.errorMm),
      here: e.place === this.place(),
    }));
  protected readonly bars = computed(() => this.drawn(this.estimates()));
  protected readonly behind = computed(() => this.drawn(this.other()));
  protected readonly spokes = computed(() => {
    const { low, high } = this.span();
    const most = Math.max(Math.abs(low), Math.abs(high));
    return this.estimates().map((e) => {
      const angle = (2 * Math.PI * (e.place - 1)) / this.places().length - Math.PI / 2;
      const radius = 70 + (24 * e.valueMm) / most;
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      return { place: e.place, x0: 70 * cos, y0: 70 * sin, x: radius * cos, y: radius * sin };
    });
  });
}
