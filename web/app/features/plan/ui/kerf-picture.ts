import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { TestCut } from '@odontis/core/testcut/test-cut';

/** Drawn so many times as large as it is, at the most, into so much room; px of a screen at 96 to the inch. */
const PX_PER_MM = 96 / 25.4;
const MOST_TIMES = 40;
const WIDE_PX = 230;
const TALL_PX = 190;

/** The kerf in section at true proportion, the plate standing in it, walls that single teeth scratch. */
@Component({
  selector: 'od-kerf-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as d) {
      <svg [attr.viewBox]="'0 0 ' + wide + ' ' + tall" role="img" [attr.aria-label]="name() + ': ' + d.says">
        <rect class="wood" x="0" y="0" [attr.width]="wide" [attr.height]="tall" />
        <path class="kerf" [attr.d]="d.kerf" />
        <rect class="plate" [attr.x]="d.plate.x" y="0" [attr.width]="d.plate.wide" [attr.height]="d.plate.tall" />
        @for (mark of d.marks; track mark.tooth) {
          <path class="scratch" [attr.d]="mark.at" />
        }
        <text [attr.x]="wide / 2" [attr.y]="tall - 8" text-anchor="middle">{{ name() }}</text>
        <text x="6" [attr.y]="tall - 8">left</text>
        <text [attr.x]="wide - 6" [attr.y]="tall - 8" text-anchor="end">right</text>
      </svg>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 260px;
      border: 1px solid var(--rule);
    }
    .wood {
      fill: var(--brass-wash);
    }
    .kerf {
      fill: var(--paper);
      stroke: var(--text);
    }
    .plate {
      fill: var(--steel);
    }
    .scratch {
      stroke: var(--lead);
      stroke-width: 2;
    }
    text {
      font-size: 13px;
      fill: var(--text);
    }
  `,
})
export class KerfPicture {
  readonly name = input.required<string>();
  readonly cut = input.required<TestCut>();
  readonly plateMm = input.required<number>();
  /** Times as large as it is: both pictures of a pair the same. */
  readonly times = input.required<number>();
  protected readonly wide = WIDE_PX;
  protected readonly tall = TALL_PX;
  protected readonly drawn = computed(() => {
    const { section, marks } = this.cut();
    if (!section) return null;
    const px = this.times() * PX_PER_MM;
    const floorPx = TALL_PX - 40;
    // The deepest place of the floor stands on one row in every picture.
    const deepest = Math.max(...section.polygon.map(([, y]) => y));
    const ridge = Math.min(...section.floor.flatMap(({ y0, y1 }) => [y0, y1]));
    const at = ([z, y]: readonly [number, number]): string =>
      `${(WIDE_PX / 2 + z * px).toFixed(2)} ${Math.max(-2, floorPx + (y - deepest) * px).toFixed(2)}`;
    const halfPx = (this.plateMm() / 2) * px;
    return {
      kerf: `M${section.polygon.map(at).join('L')}Z`,
      plate: {
        x: WIDE_PX / 2 - halfPx,
        wide: 2 * halfPx,
        tall: Math.max(0, floorPx + (ridge - deepest) * px - CLEAR_PX),
      },
      marks: marks.slice(0, MOST_MARKS).map(({ tooth, side }, i) => {
        const x = WIDE_PX / 2 + (side === 'left' ? -section.leftMm : section.rightMm) * px;
        const y = 14 + 14 * i;
        return { tooth, at: `M${x - 4} ${y}h8` };
      }),
      says: `${section.widthMm.toFixed(2)} mm wide, ${section.leftMm.toFixed(2)} left and ${section.rightMm.toFixed(2)} right of the plate's middle`,
    };
  });
}

/** The plate ends so far over what stands in the floor: its teeth are the kerf. */
const CLEAR_PX = 26;
const MOST_MARKS = 8;

/** How many times as large a pair of kerfs is drawn. */
export function timesOf(cuts: readonly TestCut[]): number {
  const widest = Math.max(0.2, ...cuts.map(({ section }) => section?.widthMm ?? 0));
  return Math.max(1, Math.min(MOST_TIMES, Math.floor((0.62 * WIDE_PX) / (widest * PX_PER_MM))));
}
