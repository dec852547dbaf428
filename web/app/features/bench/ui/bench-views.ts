import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { AcceptedPlan } from '@odontis/contract/plan';
import type { Ends } from '@odontis/core/saw/ends';
import { bladeEdgeAt } from '@odontis/core/work/families/circular/edge-work';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import { standsOn } from '@odontis/core/work/moments';
import type { Step, WalkStop } from '@odontis/core/work/step';
import { edgeAt } from '@odontis/core/work/tooth-line/edge-work';
import { gulletAt } from '@odontis/core/work/tooth-line/gullet-work';
import { LoopPicture } from '../../../shared/loop/loop-picture';
import { BandCount } from './band-count';
import { EdgePicture } from './edge-picture';
import { FileLevel } from './file-level';
import { FileWay } from './file-way';
import { GulletPicture } from './gullet-picture';

/** What is between the jaws, drawn: the file in this gullet from three sides, or the loop as it hangs. */
@Component({
  selector: 'od-bench-views',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BandCount, EdgePicture, FileLevel, FileWay, GulletPicture, LoopPicture],
  template: `
    @if (loop(); as l) {
      @if (l.window > 0) {
        <p class="marker">
          Window {{ l.window }} of {{ l.windows }}. The first marker stays on tooth {{ l.teeth }};
          @if (l.window < l.windows) {
            when this one is done, put the other on tooth {{ l.to }}.
          } @else {
            it comes up in this window, at its end.
          }
        </p>
      }
      <od-loop-picture [teeth]="l.teeth" [from]="l.from" [to]="l.to" [doneTo]="l.doneTo" [marked]="l.hung" />
      @if (step().unit === 'window') {
        <od-band-count
          [teeth]="l.teeth"
          [each]="l.each"
          [walk]="walk()"
          [pause]="plan().pause"
          (putRight)="countPutRight.emit($event)"
        />
      }
    } @else if (edge(); as e) {
      <od-edge-picture
        [edge]="e"
        [at]="stop().at"
        [next]="nextAt()"
        [flatMm]="plan().order.round ? undefined : stop().flatMm"
        [side]="plan().order.round ? null : standing()"
        [ends]="ends()"
        [turns]="plan().order.round !== undefined"
      />
    } @else if (step().unit === 'gullet') {
      @if (gullet(); as g) {
        <od-gullet-picture
          [gullet]="g"
          [at]="stop().at"
          [next]="nextAt()"
          [pitchMm]="pitchMm()"
          [side]="step().side"
          [ends]="ends()"
        />
      }
      <div class="pair">
        <od-file-way [step]="step()" [fleamDeg]="plan().order.inputs?.angles?.fleamDeg ?? 0" [ends]="ends()" />
        <od-file-level [side]="step().side" />
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      align-content: start;
    }
    .marker {
      font-size: 19px;
      margin: 0;
    }
    /* Its markers' words stand beside it. */
    od-loop-picture {
      max-width: 340px;
    }
    .pair {
      display: grid;
      grid-template-columns: 1.4fr 1fr;
      gap: 10px;
      align-items: center;
    }
  `,
})
export class BenchViews {
  /** A band's teeth as they were counted at the vise. */
  readonly countPutRight = output<number>();
  readonly plan = input.required<AcceptedPlan>();
  readonly walk = input.required<readonly WalkStop[]>();
  readonly done = input.required<ReadonlySet<number>>();
  readonly step = input.required<Step>();
  readonly stop = input.required<WalkStop>();
  readonly ends = input<Ends>({ heel: 'heel', toe: 'toe' });

  /** The gullet of the stop in hand, drawn large; null where no taper file stands in one. */
  protected readonly gullet = computed(() => {
    const [{ order }, step, stop] = [this.plan(), this.step(), this.stop()];
    const line = linesOfOrder(order).find(({ edge }) => edge === null || edge === step.line);
    if (!line) return null;
    const [walk, done, steps] = [this.walk(), this.done(), order.steps];
    const filed = new Set(
      walk.filter((one) => done.has(one.index) && steps[one.step]?.kind === step.kind).map((one) => one.at),
    );
    return gulletAt(line, step, stop, (at) => filed.has(at));
  });
  /** The tooth of the stop in hand, where it is filed by its edges. */
  protected readonly edge = computed(() => {
    const [{ order }, step, stop] = [this.plan(), this.step(), this.stop()];
    if (order.round) return bladeEdgeAt(order.round, step, stop);
    const line = linesOfOrder(order).find(({ edge }) => edge === null || edge === step.line);
    return line ? edgeAt(line, step, stop) : null;
  });
  protected readonly standing = computed(() => standsOn(this.step()));
  protected readonly pitchMm = computed(() => this.plan().order.forecast?.tooth.pitchMm ?? 1);
  /** Where the next stop of this step is. */
  protected readonly nextAt = computed(() => {
    const next = this.walk()[this.stop().index + 1];
    return next && next.step === this.stop().step ? next.at : null;
  });

  /** The loop as it hangs: what is between the jaws, how far this circuit is done. */
  protected readonly loop = computed(() => {
    const [step, stop, { steps, round }] = [this.step(), this.stop(), this.plan().order];
    if (round?.family !== 'band') return null;
    const { teeth, windows } = round.forecast;
    const windowed = step.unit === 'window';
    const window = windowed ? step.stops.findIndex((one) => one.at === stop.at) + 1 : 0;
    const hung = windowed || steps.slice(0, stop.step).some((one) => one.kind === 'uncoil');
    return {
      teeth,
      windows,
      window,
      hung,
      from: windowed ? stop.at : 0,
      to: windowed ? (stop.to ?? stop.at) : 0,
      doneTo: windowed ? stop.at - 1 : 0,
      each: round.forecast.each,
    };
  });
}
