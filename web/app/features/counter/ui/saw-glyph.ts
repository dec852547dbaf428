import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SawPattern } from '@odontis/core/saw/families';

/** A pattern as a small picture from its own sizes: length, depth, back, and how coarse it is. */
@Component({
  selector: 'od-saw-glyph',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 150 46" width="150" height="46" aria-hidden="true">
      <rect x="2" [attr.y]="14" width="26" [attr.height]="20" rx="7" fill="var(--handle)" />
      <path [attr.d]="plate()" fill="var(--plate)" stroke="var(--text)" stroke-width="0.8" />
      @if (pattern().family === 'back') {
        <rect x="24" [attr.y]="10" [attr.width]="length()" height="5" fill="var(--brass)" />
      }
    </svg>
  `,
})
export class SawGlyph {
  readonly pattern = input.required<SawPattern>();
  protected readonly length = computed(() => (this.pattern().toothLineMm / 660) * 70 + 50);
  protected readonly plate = computed(() => {
    const { plateDepthHeelMm, plateDepthToeMm, points } = this.pattern();
    const [x, top, long] = [24, 12, this.length()];
    const heel = top + 6 + (plateDepthHeelMm / 180) * 22;
    const toe = top + 6 + (plateDepthToeMm / 180) * 22;
    const teeth = Math.max(6, Math.round(points * 1.4));
    const zigzag = Array.from({ length: teeth }, (_, i) => {
      const at = (k: number): string =>
        `${(x + long - (long * k) / teeth).toFixed(1)} ${(toe + ((heel - toe) * k) / teeth).toFixed(1)}`;
      const tip = toe + ((heel - toe) * (i + 0.5)) / teeth + 26 / points;
      return `L${at(i)} L${(x + long - (long * (i + 0.2)) / teeth).toFixed(1)} ${tip.toFixed(1)}`;
    });
    return `M${x} ${top} L${x + long} ${top} L${x + long} ${toe.toFixed(1)} ${zigzag.join(' ')} L${x} ${heel.toFixed(1)} Z`;
  });
}
