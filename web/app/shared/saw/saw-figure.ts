import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Family } from '@odontis/core/saw/all-families';
import type { Dimension } from './questions';

interface Arrow {
  readonly of: Dimension;
  readonly path: string;
  readonly x: number;
  readonly y: number;
  readonly word: string;
}

const PLATE: readonly Arrow[] = [
  { of: 'line', path: 'M40 92 H330', x: 168, y: 106, word: 'tooth line' },
  { of: 'depthHeel', path: 'M30 18 V78', x: 2, y: 50, word: 'heel' },
  { of: 'depthToe', path: 'M342 18 V52', x: 348, y: 40, word: 'toe' },
  { of: 'pitch', path: 'M200 84 h14', x: 186, y: 80, word: 'tip to tip' },
  { of: 'thickness', path: 'M388 20 h8', x: 372, y: 90, word: 'plate' },
];
const BAND: readonly Arrow[] = [
  { of: 'line', path: 'M80 8 H280 A40 40 0 0 1 280 96 H80', x: 130, y: 56, word: 'all round' },
  { of: 'width', path: 'M388 24 v22', x: 398, y: 40, word: 'width' },
  { of: 'pitch', path: 'M150 104 h14', x: 128, y: 118, word: 'tip to tip' },
  { of: 'thickness', path: 'M374 70 h8', x: 362, y: 90, word: 'plate' },
];
const DISC: readonly Arrow[] = [
  { of: 'diameter', path: 'M70 112 h100', x: 90, y: 124, word: 'diameter' },
  { of: 'bore', path: 'M112 56 h16', x: 134, y: 60, word: 'bore' },
  { of: 'pitch', path: 'M120 4 a52 52 0 0 1 20 6', x: 150, y: 12, word: 'teeth' },
  { of: 'thickness', path: 'M216 20 h8', x: 204, y: 118, word: 'plate' },
];

/** Where each measure is taken, drawn; the one being asked stands out. */
@Component({
  selector: 'od-saw-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="disc() ? '0 0 260 128' : '0 0 430 122'" role="img" [attr.aria-label]="says()">
      @if (disc()) {
        <circle cx="120" cy="56" r="50" class="steel" />
        <circle cx="120" cy="56" r="8" class="hole" />
        <path
          d="M120 6 l6 8 M145 13 l2 10 M163 31 l-2 10 M170 56 l-6 8 M95 13 l6 4 M77 31 l8 2 M70 56 l8 -2"
          class="teeth"
        />
        <rect x="216" y="6" width="8" height="100" class="steel" />
      } @else if (family() === 'band') {
        <path d="M80 8 H280 A44 44 0 0 1 280 96 H80 A44 44 0 0 1 80 8 Z" class="loop" />
        <rect x="374" y="24" width="8" height="22" class="steel" />
      } @else {
        <path d="M40 18 H330 V52 L40 78 Z" class="steel" />
        <path d="M40 78 l8 5 l2 -6 l8 5 l2 -6 l8 5 l2 -6 l8 5 l2 -6 M300 56 l8 5 l2 -6 l8 5 l2 -6 l8 4" class="teeth" />
        <rect x="388" y="14" width="8" height="62" class="steel" />
      }
      @for (arrow of arrows(); track arrow.of) {
        <g [class.asked]="arrow.of === asked()">
          <path [attr.d]="arrow.path" class="arrow" />
          <text [attr.x]="arrow.x" [attr.y]="arrow.y">{{ arrow.word }}</text>
        </g>
      }
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      max-width: 430px;
      height: 122px;
    }
    .steel {
      fill: var(--plate);
      stroke: var(--text-quiet);
    }
    .loop {
      fill: none;
      stroke: var(--plate);
      stroke-width: 9;
    }
    .hole {
      fill: var(--sheet);
      stroke: var(--text-quiet);
    }
    .teeth {
      fill: none;
      stroke: var(--text-quiet);
    }
    .arrow {
      fill: none;
      stroke: var(--text-quiet);
      stroke-width: 1.2;
    }
    text {
      font-size: 11px;
      fill: var(--text-quiet);
    }
    .asked .arrow {
      stroke: var(--ink);
      stroke-width: 3;
    }
    .asked text {
      fill: var(--ink);
      font-weight: 600;
    }
  `,
})
export class SawFigure {
  readonly family = input.required<Family>();
  readonly asked = input<Dimension | null>(null);
  protected readonly disc = computed(() => this.family() === 'circular' || this.family() === 'dado');
  protected readonly arrows = computed(() => (this.disc() ? DISC : this.family() === 'band' ? BAND : PLATE));
  protected readonly says = computed(
    () =>
      `Where it is measured${this.asked() ? `: ${this.arrows().find((a) => a.of === this.asked())?.word ?? ''}` : ''}`,
  );
}
