import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Saw } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import { plateShape } from '../../../shared/plate/plate-shape';

/** A small picture must still show teeth: they are drawn this coarse. */
const COARSE = 14;

/** An ordinary saw as a small picture from its own sizes: length, depth, back, frame, how coarse it is. */
@Component({
  selector: 'od-saw-glyph',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + shape().width + ' ' + shape().height"
      height="34"
      [attr.width]="width()"
      aria-hidden="true"
    >
      @for (fitting of shape().fittings; track $index) {
        @if (fitting.kind === 'wood') {
          <path [attr.d]="fitting.path" fill="var(--handle)" fill-rule="evenodd" />
        }
      }
      <path [attr.d]="shape().outline" fill="var(--plate)" stroke="var(--text)" stroke-width="3" />
      @for (fitting of shape().fittings; track $index) {
        @if (fitting.kind === 'back') {
          <path [attr.d]="fitting.path" fill="var(--brass)" />
        }
        @if (fitting.kind === 'hole') {
          <path [attr.d]="fitting.path" fill="var(--paper)" stroke="var(--text)" stroke-width="3" />
        }
      }
    </svg>
  `,
})
export class SawGlyph {
  readonly saw = input.required<Saw>();
  protected readonly shape = computed(() => plateShape(...drawnAs(this.saw())));
  /** Longer saws are drawn longer, as far as a button has room. */
  protected readonly width = computed(() => {
    const saw = this.saw();
    if (saw.family === 'circular' || saw.family === 'dado') return 44;
    if (saw.family === 'band') return 100;
    return 64 + Math.min(46, saw.toothLineMm / 24);
  });
}

/** The saw with teeth coarse enough to be seen; of a set its first chipper. */
function drawnAs(saw: Saw): Parameters<typeof plateShape> {
  switch (saw.family) {
    case 'circular':
      return [{ ...saw, pitchMm: saw.toothLineMm / Math.min(30, teethOf(saw) / 2) }];
    case 'dado':
      return [{ ...saw, pitchMm: saw.toothLineMm / 4 }, saw.parts[1]];
    case 'band': {
      const wide = saw.plateDepthHeelMm > 30;
      const pitchMm = (1000 / 3 / COARSE) * (wide ? 1.4 : 0.8);
      return [{ ...saw, toothLineMm: 1000, pitchMm, plateDepthHeelMm: saw.plateDepthHeelMm * 1.6 }];
    }
    default: {
      const teeth = Math.min(2 * COARSE, Math.max(8, saw.toothLineMm / saw.pitchMm / 4));
      return [{ ...saw, pitchMm: saw.toothLineMm / teeth }];
    }
  }
}
