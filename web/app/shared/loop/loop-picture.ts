import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { loopPoint, loopSize } from './loop-path';

/** Pixels round the whole loop, and the room about it. */
const ROUND = 640;
const ROOM = 34;
const SIZE = loopSize(ROUND);
/** Ticks round the loop; every tooth would be a grey band. */
const TICKS = 120;

/** The band as it hangs in the vise: the window between the jaws, what is done, the weld and the two markers. */
@Component({
  selector: 'od-loop-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="box" role="img" [attr.aria-label]="label()">
      <path class="band" [attr.d]="path(0, 1)" />
      @if (doneShare() > 0) {
        <path class="done" [attr.d]="done()" />
      }
      <path class="teeth" [attr.d]="ticks()" />
      @if (inJaws(); as jaws) {
        <rect class="jaw" [attr.x]="-jaws - 15" [attr.y]="low - 11" width="13" height="34" rx="2" />
        <rect class="jaw" [attr.x]="jaws + 2" [attr.y]="low - 11" width="13" height="34" rx="2" />
        <text class="window" x="0" [attr.y]="low - 30" text-anchor="middle">{{ from() }} to {{ to() }}</text>
      }
      @for (mark of marks(); track mark.says) {
        <g [class]="mark.kind">
          <path [attr.d]="mark.d" />
          <text [attr.x]="mark.x" [attr.y]="mark.y" [attr.text-anchor]="mark.anchor">{{ mark.says }}</text>
        </g>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      max-width: 420px;
    }
    svg {
      width: 100%;
      overflow: visible;
    }
    path {
      fill: none;
    }
    .band {
      stroke: var(--plate);
      stroke-width: 9;
    }
    .done {
      stroke: var(--ink);
      stroke-width: 4;
    }
    .teeth {
      stroke: var(--text);
      stroke-width: 0.8;
    }
    .jaw {
      fill: var(--handle);
    }
    .weld path {
      stroke: var(--text);
      stroke-width: 2;
    }
    .last path,
    .here path {
      fill: var(--brass);
    }
    .here path {
      fill: var(--ink);
    }
    .window {
      font-weight: 600;
    }
    text {
      font-size: 12px;
      fill: var(--text);
    }
  `,
})
export class LoopPicture {
  readonly teeth = input.required<number>();
  /** First and last tooth between the jaws; 0 where it hangs free. */
  readonly from = input(0);
  readonly to = input(0);
  /** The last tooth done on this circuit, 0 before the first. */
  readonly doneTo = input(0);
  /** The first marker sits on the last tooth to do. */
  readonly marked = input(true);
  protected readonly low = SIZE.radius;
  protected readonly box = `${-SIZE.half - ROOM} ${-SIZE.radius - ROOM} ${2 * (SIZE.half + ROOM)} ${2 * (SIZE.radius + ROOM)}`;

  /** The middle of what lies between the jaws, else tooth 1 at the left of the jaws' place. */
  private readonly middle = computed(() => (this.from() > 0 ? (this.from() + this.to()) / 2 : 0.5));
  private along(tooth: number): number {
    return ((tooth - this.middle()) / this.teeth()) * ROUND;
  }
  protected readonly doneShare = computed(() => this.doneTo() / this.teeth());
  protected readonly inJaws = computed(() =>
    this.from() > 0 ? ((this.to() - this.from() + 1) / this.teeth()) * ROUND * 0.5 : null,
  );

  protected path(fromShare: number, toShare: number): string {
    const steps = Math.max(2, Math.ceil((toShare - fromShare) * 160));
    return Array.from({ length: steps + 1 }, (_, i) => {
      const { x, y } = loopPoint((fromShare + ((toShare - fromShare) * i) / steps) * ROUND, ROUND);
      return `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
    }).join(' ');
  }
  protected readonly done = computed(() => {
    const start = this.along(0.5) / ROUND;
    return this.path(start, start + this.doneShare());
  });
  protected readonly ticks = computed(() =>
    Array.from({ length: TICKS }, (_, i) => {
      const { x, y, wayRad } = loopPoint((i / TICKS) * ROUND, ROUND);
      // Teeth look outwards, away from the loop's middle.
      const [ox, oy] = [-Math.sin(wayRad), Math.cos(wayRad)];
      return `M${(x + ox * 4.5).toFixed(1)} ${(y + oy * 4.5).toFixed(1)} l${(ox * 5).toFixed(1)} ${(oy * 5).toFixed(1)}`;
    }).join(' '),
  );
  protected readonly marks = computed(() => {
    const n = this.teeth();
    const at = (tooth: number, kind: 'weld' | 'last' | 'here', says: string, out: number) => {
      const { x, y, wayRad } = loopPoint(this.along(tooth), ROUND);
      const [ox, oy] = [-Math.sin(wayRad), Math.cos(wayRad)];
      const anchor = Math.abs(ox) < 0.4 ? 'middle' : ox > 0 ? 'start' : 'end';
      const d =
        kind === 'weld'
          ? `M${x - ox * 8} ${y - oy * 8} L${x + ox * 8} ${y + oy * 8}`
          : `M${x + ox * 9} ${y + oy * 9} l${ox * 9 - oy * 5} ${oy * 9 + ox * 5} l${oy * 10} ${-ox * 10} Z`;
      return { kind, says, d, anchor, x: x + ox * out, y: y + oy * out + 4 };
    };
    return [
      at(0.5, 'weld', 'weld', -19),
      ...(this.marked() ? [at(n, 'last', `last to do, ${n}`, 28)] : []),
      ...(this.doneTo() > 0 && this.doneTo() < n ? [at(this.doneTo(), 'here', `done, ${this.doneTo()}`, 28)] : []),
    ];
  });
  protected readonly label = computed(() => {
    const window = this.from() > 0 ? `teeth ${this.from()} to ${this.to()} between the jaws` : 'the band hanging free';
    const marks = this.marked() ? `, a marker on tooth ${this.teeth()}, the last to do` : '';
    const done = this.doneTo() > 0 ? `, done to tooth ${this.doneTo()}` : '';
    return `The loop in the vise: ${window}${marks}${done}.`;
  });
}
