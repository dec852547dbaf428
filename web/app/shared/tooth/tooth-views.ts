import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Speech } from '../speech/speech';
import type { DrawnTeeth } from './place-teeth';
import { placeTeeth, VIEW } from './place-teeth';

/** Teeth from the side, the top and the end, because words for angles differ from shop to shop. */
@Component({
  selector: 'od-tooth-views',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (placed(); as p) {
      <div class="views" role="img" [attr.aria-label]="label()">
        <figure>
          <svg [attr.viewBox]="box">
            <path class="far" [attr.d]="p.side.far" />
            <path class="steel" [attr.d]="p.side.near" />
          </svg>
          <figcaption><b>From the side</b> face {{ speech.rake(own().rakeDeg) }}, {{ back() }}{{ top() }}</figcaption>
        </figure>
        <figure>
          <svg [attr.viewBox]="box">
            <path class="back" [attr.d]="p.top.backs" />
            <path class="bevel" [attr.d]="p.top.bevels" />
            <path class="steel" [attr.d]="p.top.faces" />
            <path class="ridge" [attr.d]="p.top.ridges" />
            <text x="2" y="12">left</text>
            <text x="2" [attr.y]="height - 3">right</text>
          </svg>
          <figcaption><b>From the top</b> {{ speech.bothFleams(own().faceTurnDeg) }}</figcaption>
        </figure>
        <figure>
          <svg [attr.viewBox]="box">
            <path class="far" [attr.d]="p.end.far" />
            <path class="steel" [attr.d]="p.end.near" />
          </svg>
          <figcaption>
            <b>From the end</b>
            {{ p.point ? 'edge falls ' + speech.fine(p.dropMm) + ' from its point' : 'edge level, a chisel' }};
            {{ set() }}
          </figcaption>
        </figure>
      </div>
    } @else {
      <p class="quiet">These angles leave no tooth to be drawn.</p>
    }
  `,
  styles: `
    .views {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 10px;
      max-width: 440px;
    }
    figure {
      margin: 0;
    }
    svg {
      width: 100%;
    }
    figcaption {
      color: var(--text-quiet);
      font-size: 13px;
      line-height: 1.3;
    }
    b {
      display: block;
      color: var(--text);
    }
    path {
      stroke: var(--text);
      stroke-width: 1.1;
      stroke-linejoin: round;
    }
    .steel {
      fill: var(--plate);
    }
    .far,
    .back {
      fill: var(--paper);
      stroke: var(--text-quiet);
    }
    .bevel {
      fill: color-mix(in srgb, var(--plate) 40%, var(--paper));
    }
    .ridge {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.4;
    }
    text {
      font-size: 10px;
      fill: var(--text-quiet);
    }
  `,
})
export class ToothViews {
  protected readonly speech = inject(Speech);
  readonly teeth = input.required<DrawnTeeth>();
  protected readonly box = `0 0 ${VIEW.width} ${VIEW.height}`;
  protected readonly height = VIEW.height;
  protected readonly placed = computed(() => placeTeeth(this.teeth()));
  /** The gullet of the middle tooth's face. */
  protected readonly own = computed(() => {
    const { gullets } = this.teeth();
    return gullets[Math.floor(gullets.length / 2)] ?? { rakeDeg: 0, backDeg: 60, faceTurnDeg: 0, backTurnDeg: 0 };
  });
  protected readonly back = computed(() =>
    this.teeth().backGuessed ? 'back not read' : `back ${this.own().backDeg.toFixed(1)}°`,
  );
  protected readonly top = computed(() => {
    const { top } = this.teeth();
    return top ? `, top ${top.topDeg.toFixed(1)}°` : '';
  });
  protected readonly set = computed(() => {
    const { setMm } = this.teeth();
    return setMm === null ? 'set not measured' : `set ${this.speech.fine(setMm)}`;
  });
  protected readonly label = computed(() => {
    const { rakeDeg, faceTurnDeg } = this.own();
    return `Teeth drawn from the side, the top and the end: face ${this.speech.rake(rakeDeg)}, ${this.back()}${this.top()}, ${this.speech.bothFleams(faceTurnDeg)}, ${this.set()}.`;
  });
}
