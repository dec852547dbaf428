import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { Store } from '@ngrx/store';
import type { Calibration } from '@odontis/core/calibration/hand';
import type { Step, StepKind } from '@odontis/core/work/step';
import { CalibrateForm } from '../../../shared/hand/calibrate-form';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';

/** What the first places of a step can be measured for. */
const TRIED: Partial<Record<StepKind, Calibration>> = {
  set: 'set-tool',
  stone: 'stoning',
  shape: 'strokes',
  reshape: 'strokes',
  cut: 'strokes',
  sharpen: 'strokes',
  'last-pass': 'strokes',
  point: 'strokes',
  'raker-tips': 'strokes',
  'raker-gullets': 'strokes',
  round: 'strokes',
  'round-rakers': 'strokes',
  chipper: 'strokes',
};

/** Readings of a tool in a hand from which on nobody asks for more. */
const ENOUGH = 3;

/** At the first teeth of a step: what this hand's tool is known to do there, and a place to keep what it did. */
@Component({
  selector: 'od-tool-trial',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatSelectModule, CalibrateForm],
  template: `
    @if (person(); as who) {
      @if (tried(); as what) {
        @if (what === 'set-tool') {
          @if (hand().setTools.length > 1) {
            <mat-form-field
              ><mat-label>Set tool</mat-label>
              <mat-select [value]="tool()" (selectionChange)="tool.set($event.value)">
                @for (one of hand().setTools; track one.name) {
                  <mat-option [value]="one.name">{{ one.name }}</mat-option>
                }
              </mat-select></mat-form-field
            >
          }
          <p class="offer">{{ offer() }}</p>
        } @else {
          <p class="quiet">{{ rate() }}</p>
        }
        <details>
          <summary>{{ asks() }}</summary>
          <od-calibrate-form
            [person]="who"
            [only]="what"
            [named]="what === 'set-tool' ? tool() : (step().tool ?? '')"
          />
        </details>
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .offer {
      font-size: 24px;
      font-weight: 600;
      color: var(--ink);
      margin: 0 0 6px;
    }
    summary {
      cursor: pointer;
      min-height: 44px;
      align-content: center;
    }
  `,
})
export class ToolTrial {
  readonly step = input.required<Step>();
  private readonly store = inject(Store);
  protected readonly speech = inject(Speech);
  protected readonly person = this.store.selectSignal(shopFeature.selectPerson);
  protected readonly hand = this.store.selectSignal(shopFeature.selectHand);
  protected readonly tried = computed(() => TRIED[this.step().kind] ?? null);
  private readonly first = computed(() => this.hand().setTools[0]?.name ?? '');
  /** The tool that was chosen stays when another reading of it is kept. */
  protected readonly tool = linkedSignal(() => this.first());

  /** The number to begin with, or why there is none. */
  protected readonly offer = computed(() => {
    const [tool, target] = [this.hand().setTools.find((t) => t.name === this.tool()), this.step().targetMm];
    if (!tool) return 'No set tool of yours is known yet: measure the first teeth.';
    const at = target === null ? null : tool.numberFor(target);
    if (!at) return `“${tool.name}” was read at one number only: measure at another.`;
    const sure = at.errorMm === null ? '' : ` Its set is known to ± ${this.speech.fine(at.errorMm)}.`;
    return `Turn “${tool.name}” to ${(Math.round(at.number * 2) / 2).toString()}.${sure}`;
  });

  /** Asked for in passing while little is known of this tool in this hand. */
  protected readonly asks = computed(() => {
    const [what, name] = [this.tried(), this.tried() === 'set-tool' ? this.tool() : (this.step().tool ?? '')];
    const read = this.person()?.calibrations.filter((one) => one.what === what && one.tool === name).length ?? 0;
    const places = what === 'set-tool' ? 'teeth' : 'places';
    return read < ENOUGH
      ? `Measure the first three ${places} in passing: ${read === 0 ? 'none was read' : `${read} read`} with this in your hand. What is left of this saw goes by it`
      : `Measured the first ${places}? Keep it: what is left goes by it`;
  });

  protected readonly rate = computed(() => {
    const { strokeRateOf, files, stoning } = this.hand();
    const { tool } = this.step();
    const strokeRate = strokeRateOf(tool);
    const other = this.tried() === 'strokes' && !files.includes(tool ?? '') ? ' with other files' : '';
    const [mm, error, readings, of] =
      this.tried() === 'stoning'
        ? [stoning.rate, stoning.error, stoning.readings, 'pass']
        : [strokeRate.rateMmPerStroke, strokeRate.errorMmPerStroke, strokeRate.readings, 'stroke'];
    const known = `${this.speech.finer(mm)} ± ${this.speech.finer(error)} a ${of}`;
    return readings === 0
      ? `The trade’s usual ${known}: yours is not measured yet.`
      : `Your hand${other}: ${known}, from ${readings}.`;
  });
}
