import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { heightOn } from '@odontis/core/line/joint-line';
import { Speech } from '../shared/speech/speech';
import type { Layout } from './draw/layout';
import { yPx } from './draw/layout';
import type { SawDrawing } from './drawing';
import type { DepthHandle } from './saw-sheet';

/** One press of an arrow key moves the joint line this far, mm; with Shift ten times. */
const KEY_STEP_MM = 0.005;

/** The handle at the toe that pulls the joint line down, by hand or by arrow keys. */
@Component({
  selector: 'od-depth-grip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="why-mark" [style.top.px]="markTop()" aria-hidden="true"></div>
    <div
      class="grip"
      role="slider"
      tabindex="0"
      aria-label="Joint depth"
      aria-orientation="vertical"
      [attr.aria-valuemin]="0"
      [attr.aria-valuemax]="handle().deepestMm"
      [attr.aria-valuenow]="handle().depthMm"
      [attr.aria-valuetext]="handle().says"
      [style.top.px]="top()"
      (pointerdown)="grab($event)"
      (pointermove)="pull($event)"
      (pointerup)="grabbed = null"
      (pointercancel)="grabbed = null"
      (keydown)="key($event)"
    >
      <span aria-hidden="true">⇕</span>
    </div>
    <output [style.top.px]="top() + 30">{{ speech.fine(handle().depthMm) }}</output>
  `,
  styles: `
    .grip {
      position: absolute;
      right: 6px;
      width: 44px;
      height: 30px;
      margin-top: -15px;
      border-radius: 4px;
      background: var(--brass);
      color: var(--paper);
      display: grid;
      place-items: center;
      cursor: ns-resize;
      touch-action: none;
      font-weight: 600;
    }
    .why-mark {
      position: absolute;
      right: 50px;
      border: 5px solid transparent;
      border-left-color: var(--brass);
      margin-top: -5px;
    }
    output {
      position: absolute;
      right: 4px;
      width: 52px;
      margin-top: -12px;
      font-size: 12px;
      font-weight: 600;
      text-align: center;
    }
  `,
})
export class DepthGrip {
  protected readonly speech = inject(Speech);
  readonly handle = input.required<DepthHandle>();
  readonly drawing = input.required<SawDrawing>();
  readonly layout = input.required<Layout>();
  protected grabbed: { y: number; depthMm: number } | null = null;

  /** The handle rides on the line at the toe. */
  protected readonly top = computed(() => {
    const joint = this.drawing().joint;
    return joint ? yPx(this.layout(), this.drawing(), heightOn(joint, this.drawing().lengthMm)) : 40;
  });
  protected readonly markTop = computed(() => {
    const off = (this.handle().depthMm - this.handle().recommendedMm) * this.pxPerMm();
    return this.top() - off;
  });

  private pxPerMm(): number {
    return this.layout().toothPx / this.drawing().toothHeightMm;
  }

  protected grab(event: PointerEvent): void {
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    this.grabbed = { y: event.clientY, depthMm: this.handle().depthMm };
  }

  protected pull(event: PointerEvent): void {
    if (!this.grabbed) return;
    // Four times finer than the drawing: a thousandth must be within the hand's reach.
    this.move(this.grabbed.depthMm + (event.clientY - this.grabbed.y) / this.pxPerMm() / 4);
  }

  protected key(event: KeyboardEvent): void {
    const step = KEY_STEP_MM * (event.shiftKey ? 10 : 1);
    const { depthMm, deepestMm, recommendedMm } = this.handle();
    const to: Record<string, number> = {
      ArrowDown: depthMm + step,
      ArrowRight: depthMm + step,
      ArrowUp: depthMm - step,
      ArrowLeft: depthMm - step,
      Home: 0,
      End: deepestMm,
      Enter: recommendedMm,
    };
    const wanted = to[event.key];
    if (wanted === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    this.move(wanted);
  }

  private move(depthMm: number): void {
    this.handle().move(Math.min(this.handle().deepestMm, Math.max(0, depthMm)));
  }
}
