import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Ends } from '@odontis/core/saw/ends';
import { theEnd } from '@odontis/core/saw/ends';
import type { Step } from '@odontis/core/work/step';

/** The saw seen from above, heel on the left: where to stand and which way the file points. */
@Component({
  selector: 'od-file-way',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 260 150" role="img" [attr.aria-label]="label()">
      <rect x="10" y="70" width="240" height="10" fill="var(--plate)" stroke="var(--text)" />
      <text x="14" y="66">{{ ends().heel }}</text>
      <text x="248" y="66" text-anchor="end">{{ ends().toe }}</text>
      <g [attr.transform]="'rotate(' + turn() + ' 130 75)'">
        <path d="M130 128 L130 34" stroke="var(--ink)" stroke-width="7" />
        <path d="M130 14 L119 40 L141 40 Z" fill="var(--ink)" />
        <rect x="124" y="122" width="12" height="24" rx="5" fill="var(--handle)" />
      </g>
      <text [attr.x]="clear().x" [attr.text-anchor]="clear().anchor" [attr.y]="standsLeft() ? 22 : 142" class="stand">
        {{ step().side === null ? '' : 'you, on the ' + step().side }}
      </text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 260px;
      max-height: 120px;
    }
    text {
      font-size: 13px;
      fill: var(--text-quiet);
    }
    .stand {
      font-weight: 600;
      fill: var(--text);
    }
  `,
})
export class FileWay {
  readonly step = input.required<Step>();
  readonly fleamDeg = input.required<number>();
  readonly ends = input<Ends>({ heel: 'heel', toe: 'toe' });
  protected readonly standsLeft = computed(() => this.step().side === 'left');

  /** The words stand on the side the file's handle is not. */
  protected readonly clear = computed(() =>
    this.step().tipTowards === 'toe' ? { x: 250, anchor: 'end' } : { x: 10, anchor: 'start' },
  );

  /** Facing the toe the left hand is up on the sheet; the file leaves the filer and leans to where its tip points. */
  protected readonly turn = computed(() => {
    const lean = this.step().tipTowards === 'toe' ? 1 : this.step().tipTowards === 'heel' ? -1 : 0;
    return this.standsLeft() ? 180 - lean * this.fleamDeg() : lean * this.fleamDeg();
  });

  protected readonly label = computed(() => {
    const { side, tipTowards } = this.step();
    return `From above: ${side === null ? 'stand on either side' : `stand on the ${side}`}, file ${tipTowards === 'across' ? 'square across' : `pointing to ${theEnd(this.ends(), tipTowards === 'toe' ? 'toe' : 'heel')}`}.`;
  });
}
