import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { DialReading, DialSplit } from '@odontis/core/circular/dial-harmonics';
import { NOT_WORTH_KEEPING_MM } from '@odontis/core/circular/equalise';
import { fittedAt, toothAngle } from '@odontis/core/circular/dial-harmonics';

/** Half the picture, the rim's radius in it, and how far the highest tooth stands out at the most, px. */
const HALF = 150;
const RIM = 84;
const MOST_OUT = 22;
/** More of the rim than this is the whole wheel. */
const WHOLE_SHARE = 0.6;

/** A blade as a wheel: its teeth standing out as the dial shows them, many times over, on the circle fitted to them. */
@Component({
  selector: 'od-wheel-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="box()" role="img" [attr.aria-label]="label()">
      <circle class="plate" [attr.r]="rim" />
      <circle class="bore" r="16" />
      @if (circle(); as d) {
        <path class="fitted" [attr.d]="d" />
      }
      @if (line(); as r) {
        <circle class="line" [attr.r]="r" />
      }
      @for (tooth of placed(); track tooth.tooth) {
        <path [class]="tooth.kind" [attr.d]="tooth.d" (click)="show.emit(tooth.tooth)" />
      }
      <text [attr.y]="top" text-anchor="middle">tooth 1</text>
    </svg>
  `,
  styles: `
    :host {
      display: block;
      max-width: 330px;
    }
    svg {
      width: 100%;
    }
    .plate {
      fill: var(--plate);
    }
    .bore {
      fill: var(--sheet);
    }
    .fitted {
      fill: none;
      stroke: var(--text-quiet);
      stroke-dasharray: 5 4;
    }
    .line {
      fill: none;
      stroke: var(--brass);
      stroke-width: 1.5;
    }
    .scorer,
    .raker,
    .broken {
      stroke: var(--text);
      stroke-width: 0.7;
      cursor: pointer;
    }
    .scorer {
      fill: var(--ink);
    }
    .raker {
      fill: var(--steel-bright);
    }
    .broken {
      fill: var(--lead);
    }
    text {
      font-size: 12px;
      fill: var(--text-quiet);
    }
  `,
})
export class WheelPicture {
  readonly teeth = input.required<number>();
  readonly dial = input.required<readonly DialReading[]>();
  readonly split = input.required<DialSplit | null>();
  /** The height jointed down to; null where nothing is. mm on the dial. */
  readonly lineMm = input<number | null>(null);
  readonly show = output<number>();
  protected readonly rim = RIM;
  protected readonly top = 8 - HALF;
  /** How much of the rim is looked at, from tooth 1 round, as shares of it. */
  readonly seen = input<{ readonly from: number; readonly to: number }>({ from: 0, to: 1 });
  /** The whole wheel, or the arc that is seen of its rim unrolled: both zoom together. */
  protected readonly box = computed(() => {
    const { from, to } = this.seen();
    if (to - from > WHOLE_SHARE) return `${-HALF} ${-HALF} ${2 * HALF} ${2 * HALF}`;
    const points = Array.from({ length: 9 }, (_, i) => 2 * Math.PI * (from + ((to - from) * i) / 8)).flatMap((angle) =>
      [RIM - 8, HALF - 12].map((r) => [r * Math.sin(angle), -r * Math.cos(angle)] as const),
    );
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    const [left, top] = [Math.min(...xs), Math.min(...ys)];
    const side = Math.max(Math.max(...xs) - left, Math.max(...ys) - top);
    const [x, y] = [(left + Math.max(...xs) - side) / 2, (top + Math.max(...ys) - side) / 2];
    return [x, y, side, side].map((v) => v.toFixed(1)).join(' ');
  });

  /** What stands out the most, a tooth broken off left out: it would leave the others no room. */
  private readonly most = computed(() => {
    const all = this.dial()
      .map((r) => r.offMm)
      .sort((a, b) => a - b);
    const median = all[Math.floor(all.length / 2)] ?? 0;
    return Math.max(1e-9, ...all.filter((mm) => mm >= median - NOT_WORTH_KEEPING_MM).map(Math.abs));
  });
  private radius(offMm: number): number {
    return Math.max(RIM + 3, RIM + MOST_OUT + 4 + (MOST_OUT * offMm) / this.most());
  }
  private at(radius: number, angle: number): string {
    // Tooth 1 at the top, numbers with the clock.
    return `${(radius * Math.sin(angle)).toFixed(1)} ${(-radius * Math.cos(angle)).toFixed(1)}`;
  }
  protected readonly line = computed(() => {
    const mm = this.lineMm();
    return mm === null ? null : Math.max(0, this.radius(mm));
  });
  protected readonly circle = computed(() => {
    const split = this.split();
    if (!split) return null;
    const n = this.teeth();
    const points = Array.from({ length: 97 }, (_, i) => {
      const tooth = 1 + (i * n) / 96;
      return this.at(this.radius(fittedAt(split, tooth, n)), toothAngle(tooth, n));
    });
    return `M${points.join(' L')} Z`;
  });
  /** Scorers pointed, rakers square, broken ones stumps: told apart by shape before colour. */
  protected readonly placed = computed(() => {
    const n = this.teeth();
    const read = new Map(this.dial().map((r) => [r.tooth, r]));
    const half = Math.min(0.11, (0.36 * Math.PI) / n);
    return Array.from({ length: n }, (_, i) => {
      const [tooth, angle] = [i + 1, toothAngle(i + 1, n)];
      const own = read.get(tooth);
      const kind = own?.kind === 'chipper' ? 'raker' : (own?.kind ?? 'scorer');
      const out = this.radius(own?.offMm ?? 0);
      const foot = [this.at(RIM - 1, angle - half), this.at(RIM - 1, angle + half)];
      const tip =
        kind === 'raker'
          ? [this.at(out, angle + half * 0.6), this.at(out, angle - half * 0.6)]
          : kind === 'broken'
            ? [this.at(RIM + 4, angle + half), this.at(RIM + 4, angle - half)]
            : [this.at(out, angle)];
      return { tooth, kind, d: `M${foot[0]} L${foot[1]} L${tip.join(' L')} Z` };
    });
  });
  protected readonly label = computed(() => {
    const of = (kind: DialReading['kind']): number => this.dial().filter((r) => r.kind === kind).length;
    const broken = of('broken') > 0 ? `, ${of('broken')} broken` : '';
    return `The blade as a wheel, tooth 1 at the top: ${this.teeth()} teeth, ${of('scorer')} scorers and ${of('raker')} rakers read${broken}.`;
  });
}
