import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** A file's end as one looks at it: corners used up are rounded off, the one in use as far as its strokes have worn it. */
@Component({
  selector: 'od-corner-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg viewBox="-26 -26 52 52" role="img" [attr.aria-label]="label()">
    <path class="body" [attr.d]="outline()" />
    <circle class="here" [attr.cx]="here().x" [attr.cy]="here().y" r="4" />
  </svg>`,
  styles: `
    svg {
      width: 52px;
      height: 52px;
    }
    .body {
      fill: var(--plate);
      stroke: var(--text);
      stroke-width: 1;
    }
    .here {
      fill: var(--ink);
    }
  `,
})
export class CornerPicture {
  readonly corners = input.required<number>();
  /** Counted from 1. */
  readonly corner = input.required<number>();
  /** Of the corner in use, 0 fresh to 1 worn. */
  readonly worn = input.required<number>();

  protected readonly label = computed(
    () =>
      `Corner ${this.corner()} of ${this.corners()}, ${Math.round(100 * this.worn())} in a hundred of its strokes made`,
  );
  /** A flat file has as many faces as are used, a three-square three corners; two make a plain blade. */
  private readonly sides = computed(() => Math.max(3, this.corners()));
  private readonly at = (k: number, r: number): readonly [number, number] => {
    const turn = -Math.PI / 2 + (2 * Math.PI * k) / this.sides();
    return [r * Math.cos(turn), r * Math.sin(turn)];
  };
  protected readonly here = computed(() => {
    const [x, y] = this.at(this.corner() - 1, 12);
    return { x, y };
  });
  protected readonly outline = computed(() => {
    const n = this.sides();
    const R = 22;
    const side = 2 * R * Math.sin(Math.PI / n);
    const parts: string[] = [];
    for (let k = 0; k < n; k++) {
      const worn = k + 1 < this.corner() ? 1 : k + 1 === this.corner() ? Math.min(1, this.worn()) : 0;
      const cut = Math.min(0.28 * side, 1 + 0.26 * side * worn);
      const [x, y] = this.at(k, R);
      const towards = (j: number): string => {
        const [ox, oy] = this.at(j, R);
        const f = cut / side;
        return `${(x + f * (ox - x)).toFixed(1)} ${(y + f * (oy - y)).toFixed(1)}`;
      };
      parts.push(`${k === 0 ? 'M' : 'L'}${towards(k - 1)}Q${x.toFixed(1)} ${y.toFixed(1)} ${towards(k + 1)}`);
    }
    return `${parts.join('')}Z`;
  });
}
