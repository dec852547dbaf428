import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { KERF_PICTURE, kerfOutline } from '@odontis/core/testcut/kerf-outline';
import type { TestCut } from '@odontis/core/testcut/test-cut';

/** The kerf in section at true proportion, the plate standing in it, walls that single teeth scratch. */
@Component({
  selector: 'od-kerf-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as d) {
      <svg [attr.viewBox]="'0 0 ' + wide + ' ' + tall" role="img" [attr.aria-label]="says()">
        <rect class="wood" x="0" y="0" [attr.width]="wide" [attr.height]="tall" />
        <path class="kerf" [attr.d]="d.kerf" />
        <rect class="plate" [attr.x]="d.plate.x" y="0" [attr.width]="d.plate.wide" [attr.height]="d.plate.tall" />
        @for (mark of d.scratches; track mark.tooth) {
          <path class="scratch" [attr.d]="mark.path" />
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
  protected readonly wide = KERF_PICTURE.wide;
  protected readonly tall = KERF_PICTURE.tall;
  protected readonly drawn = computed(() => kerfOutline(this.cut(), this.plateMm(), this.times()));
  protected readonly says = computed(() => {
    const { section } = this.cut();
    return section
      ? `${this.name()}: ${section.widthMm.toFixed(2)} mm wide, ${section.leftMm.toFixed(2)} left and ${section.rightMm.toFixed(2)} right of the plate's middle`
      : this.name();
  });
}
