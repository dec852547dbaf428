import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ridgeDropMm } from '@odontis/core/file/flank-angles';
import type { FiledTooth } from '@odontis/core/file/flank-angles';
import { Speech } from '../../../shared/speech/speech';

/** The tooth from the side, the top and the end, because words for angles differ from shop to shop. */
@Component({
  selector: 'od-tooth-views',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 330 118" role="img" [attr.aria-label]="label()">
      <g transform="translate(8 12)">
        <path [attr.d]="side()" class="steel" />
        <text x="40" y="102" text-anchor="middle">side: rake</text>
      </g>
      <g transform="translate(122 12)">
        <rect x="0" y="26" width="86" height="26" class="steel" />
        <path [attr.d]="top()" class="file" />
        <text x="43" y="102" text-anchor="middle">top: fleam</text>
      </g>
      <g transform="translate(238 12)">
        <path [attr.d]="end()" class="steel" />
        <text x="40" y="102" text-anchor="middle">end: set</text>
      </g>
    </svg>
  `,
  styles: `
    svg {
      width: 100%;
      max-width: 360px;
    }
    .steel {
      fill: var(--plate);
      stroke: var(--text);
      stroke-width: 1.2;
    }
    .file {
      fill: none;
      stroke: var(--ink);
      stroke-width: 3;
    }
    text {
      font-size: 12px;
      fill: var(--text-quiet);
    }
  `,
})
export class ToothViews {
  private readonly speech = inject(Speech);
  readonly tooth = input.required<FiledTooth>();
  readonly fleamDeg = input.required<number>();
  readonly plateMm = input.required<number>();
  readonly setMm = input.required<number>();
  readonly heightMm = input.required<number>();

  /** Three teeth, cutting to the right: faces look to the toe. */
  protected readonly side = computed(() => {
    const { tanFace, tanBack } = this.tooth();
    const pitch = 27;
    const high = pitch / (tanFace + tanBack);
    const teeth = [0, 1, 2].map(
      (k) => `L${(k * pitch + high * tanBack).toFixed(1)} ${(58 - high).toFixed(1)} L${(k + 1) * pitch} 58`,
    );
    return `M0 78 L0 58 ${teeth.join(' ')} L81 78 Z`;
  });

  protected readonly top = computed(() => {
    const lean = Math.tan((this.fleamDeg() * Math.PI) / 180) * 32;
    return [16, 43, 70].map((x, k) => `M${x - (k % 2 ? -lean : lean)} 71 L${x + (k % 2 ? -lean : lean)} 7`).join(' ');
  });

  /** One tooth leaning each way over the plate, the points where the fleam leaves them. */
  protected readonly end = computed(() => {
    const scale = 26 / this.plateMm();
    const set = Math.min(14, this.setMm() * scale);
    const high = 34;
    const drop = Math.min(20, (ridgeDropMm(this.plateMm(), this.fleamDeg(), this.tooth()) / this.heightMm()) * high);
    // Only the top third is bent; the point stands on the side the tooth leans to.
    const one = (dx: number, lean: 1 | -1): string => {
      const [left, right] = lean < 0 ? [8, 8 + drop] : [8 + drop, 8];
      return `M${dx} 78 L${dx} 32 L${dx + lean * set} ${left} L${dx + 26 + lean * set} ${right} L${dx + 26} 32 L${dx + 26} 78 Z`;
    };
    return `${one(4, -1)} ${one(50, 1)}`;
  });

  protected readonly label = computed(
    () =>
      `The tooth drawn from the side, the top and the end: face ${this.speech.rake(-this.tooth().faceDeg)}, ${this.speech.fleam(this.fleamDeg())}, set ${this.speech.fine(this.setMm())}.`,
  );
}
