import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { FloorPiece } from '@odontis/core/circular/groove';
import { Speech } from '../speech/speech';

const WIDTH = 330;
const HEIGHT = 120;
/** How deep the drawn groove is to its highest floor, and how much the steps are drawn out, px. */
const TOP = 16;
const FLOOR = 70;
const MOST_STEP = 26;

/** A groove in section: its floor, the steps many times over, each named by the part that makes it. */
@Component({
  selector: 'od-groove-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ${WIDTH} ${HEIGHT}'" role="img" [attr.aria-label]="label()">
      <path class="wood" [attr.d]="wood()" />
      @if (afterPath(); as d) {
        <path class="after" [attr.d]="d" />
      }
      @for (name of names(); track name.x) {
        <text [attr.x]="name.x" [attr.y]="name.y" text-anchor="middle">{{ name.says }}</text>
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
    }
    .wood {
      fill: color-mix(in srgb, var(--handle) 35%, var(--paper));
      stroke: var(--text);
    }
    .after {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.8;
    }
    text {
      font-size: 9px;
      fill: var(--text);
    }
  `,
})
export class GroovePicture {
  private readonly speech = inject(Speech);
  readonly before = input.required<readonly FloorPiece[]>();
  readonly after = input<readonly FloorPiece[] | null>(null);

  private readonly scale = computed(() => {
    const all = [...this.before(), ...(this.after() ?? [])];
    const heights = all.flatMap((p) => p.heightMm ?? []);
    const [low, high] = [Math.min(...heights), Math.max(...heights)];
    const width = Math.max(...all.map((p) => p.toMm));
    return { low, range: Math.max(1e-9, high - low), width };
  });
  private x(mm: number): number {
    return 20 + (mm / this.scale().width) * (WIDTH - 40);
  }
  /** The higher the tooth, the deeper the floor. */
  private y(heightMm: number | null): number {
    const { low, range } = this.scale();
    return heightMm === null ? TOP : FLOOR + ((heightMm - low) / range) * MOST_STEP;
  }
  private floor(pieces: readonly FloorPiece[]): string {
    return pieces
      .map(
        (p) =>
          `L${this.x(p.fromMm).toFixed(1)} ${this.y(p.heightMm).toFixed(1)} L${this.x(p.toMm).toFixed(1)} ${this.y(p.heightMm).toFixed(1)}`,
      )
      .join(' ');
  }
  protected readonly wood = computed(
    () =>
      `M0 ${TOP} L${this.x(0)} ${TOP} ${this.floor(this.before())} L${this.x(this.scale().width)} ${TOP} L${WIDTH} ${TOP} L${WIDTH} ${HEIGHT} L0 ${HEIGHT} Z`,
  );
  protected readonly afterPath = computed(() => {
    const after = this.after();
    return after ? `M${this.x(0)} ${TOP} ${this.floor(after)} L${this.x(this.scale().width)} ${TOP}` : null;
  });
  protected readonly names = computed(() =>
    this.before().map((p, i) => ({
      x: (this.x(p.fromMm) + this.x(p.toMm)) / 2,
      y: TOP + 12 + (i % 3) * 12,
      says: p.part ?? 'left standing',
    })),
  );
  protected readonly label = computed(() => {
    const width = this.speech.plate(this.scale().width);
    const pieces = this.before().map((p) =>
      p.part === null ? 'a strip left standing' : `${p.part} at ${this.speech.fine(p.heightMm ?? 0)}`,
    );
    return `The groove in section, ${width} wide: ${pieces.join(', ')}.`;
  });
}
