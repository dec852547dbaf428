import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { traceDxf } from '@odontis/contract/trace-dxf';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { readingsOfTrace } from '@odontis/core/trace/readings-of-trace';
import { traceSvg } from '@odontis/core/trace/trace-svg';
import type { TracedLine } from '@odontis/core/trace/traced-line';
import type { FleamSeen } from '@odontis/core/trace/turns-of-trace';
import { Speech } from '../../../shared/speech/speech';
import { Figures } from '../../../shared/ui/figures';
import { offerFile } from '../../../shared/ui/offer-file';
import { tracedFigures } from './traced-figures';

/** The line as traced: its figures, to be taken as readings or saved as a drawing. */
@Component({
  selector: 'od-traced-result',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Figures],
  template: `
    <od-figures [figures]="figures()" />
    @if (!line().rim) {
      <p class="quiet">Set is not to be seen from the side: a picture along the points tells it.</p>
    }
    <div class="tools">
      <button matButton="filled" type="button" (click)="keep()">Take these {{ line().teeth.length }} teeth</button>
      <button matButton="outlined" type="button" (click)="save('svg')">Save as SVG</button>
      <button matButton="outlined" type="button" (click)="save('dxf')">Save as DXF</button>
    </div>
  `,
  styles: `
    .tools {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-top: 8px;
    }
  `,
})
export class TracedResult {
  private readonly speech = inject(Speech);
  readonly line = input.required<TracedLine>();
  readonly fleam = input.required<FleamSeen | null>();
  /** Bevels were looked for. */
  readonly lit = input.required<boolean>();
  readonly fileName = input.required<string>();
  readonly taken = output<ToothReading[]>();
  protected readonly figures = computed(() =>
    tracedFigures(this.line(), { fleam: this.fleam(), lit: this.lit() }, this.speech),
  );

  protected keep(): void {
    this.taken.emit(readingsOfTrace(this.line()));
  }

  protected save(as: 'svg' | 'dxf'): void {
    const line = this.line();
    const [text, type] = as === 'svg' ? [traceSvg(line), 'image/svg+xml'] : [traceDxf(line), 'image/vnd.dxf'];
    offerFile(text, type, `${this.fileName()}.${as}`);
  }
}
