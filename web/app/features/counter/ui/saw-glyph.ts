import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { AnyPattern } from '@odontis/core/saw/patterns';
import { pitchMmFromCount } from '@odontis/core/saw/points';
import type { AnySaw } from '@odontis/core/saw/any-saw';
import { plateShape } from '../../../shared/plate/plate-shape';

/** A small picture must still show teeth: they are drawn this coarse. */
const COARSE = 14;

/** A pattern as a small picture from its own sizes: length, depth, back, frame, how coarse it is. */
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
          <path [attr.d]="fitting.path" fill="var(--handle)" />
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
  readonly pattern = input.required<AnyPattern>();
  protected readonly shape = computed(() => plateShape(...drawnAs(this.pattern())));
  /** Longer saws are drawn longer, as far as a button has room. */
  protected readonly width = computed(() => {
    const pattern = this.pattern();
    if (pattern.family === 'circular' || pattern.family === 'dado') return 44;
    if (pattern.family === 'band') return 100;
    return 64 + Math.min(46, pattern.toothLineMm / 24);
  });
}

function drawnAs(pattern: AnyPattern): Parameters<typeof plateShape> {
  const backed = pattern.family === 'back' || ('backed' in pattern && pattern.backed);
  const back = { backFixing: backed ? ('folded' as const) : ('none' as const) };
  switch (pattern.family) {
    case 'circular':
    case 'dado': {
      const part = pattern.family === 'dado' ? pattern.parts[1] : undefined;
      const teeth = pattern.family === 'dado' ? 4 : Math.min(30, pattern.teeth / 2);
      const line = Math.PI * pattern.diameterMm;
      const blade = {
        ...back,
        ...pattern,
        toothLineMm: line,
        pitchMm: line / teeth,
        plateDepthHeelMm: 100,
        plateDepthToeMm: 100,
      };
      return [blade as unknown as AnySaw, part];
    }
    case 'band':
      return [
        {
          ...back,
          family: 'band',
          toothLineMm: 1000,
          pitchMm: (1000 / 3 / COARSE) * (pattern.widthMm > 30 ? 1.4 : 0.8),
          plateDepthHeelMm: pattern.widthMm * 1.6,
          plateDepthToeMm: pattern.widthMm,
        },
      ];
    default: {
      const pitch = 'points' in pattern ? pitchMmFromCount(pattern.points, 'points') : pattern.pitchMm;
      const teeth = Math.min(2 * COARSE, Math.max(8, pattern.toothLineMm / pitch / 4));
      return [{ ...back, ...pattern, pitchMm: pattern.toothLineMm / teeth }];
    }
  }
}
