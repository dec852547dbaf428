import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { TraceEdit } from '@odontis/core/trace/edit-trace';
import type { PicturePlace } from '@odontis/core/trace/traced-line';
import { Notice } from '../../../shared/ui/notice';
import { TraceDesk } from '../state/trace-desk';
import { DoubtfulTeeth } from './doubtful-teeth';
import { PictureBusy } from './picture-busy';
import type { Hand } from './picture-tools';
import { PictureTools } from './picture-tools';
import { StripCamera } from './strip-camera';
import { TraceBegin } from './trace-begin';
import { TracedPicture } from './traced-picture';
import { TracedResult } from './traced-result';

/** How far an arrow moves a tooth, picture px. */
const NUDGES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-0.5, 0],
  ArrowRight: [0.5, 0],
  ArrowUp: [0, -0.5],
  ArrowDown: [0, 0.5],
};

/** A picture becomes readings: opened, scaled, traced, looked over where in doubt, taken. */
@Component({
  selector: 'od-trace-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[MatButton, Notice, DoubtfulTeeth, PictureBusy, PictureTools],
    ...[StripCamera, TraceBegin, TracedPicture, TracedResult],
  ],
  templateUrl: './trace-panel.html',
  styleUrl: './trace-panel.scss',
})
export class TracePanel {
  protected readonly desk = inject(TraceDesk);
  readonly fileName = input.required<string>();
  readonly taken = output<ToothReading[]>();
  /** The pattern as the line reads from its heel, to be written on the ticket. */
  readonly begins = output<string>();
  /** A round blade, as the ticket has it; null for a line. */
  protected readonly round = computed(() => this.desk.laying().round ?? null);
  protected readonly hand = signal<Hand>('pick');
  protected readonly marks = signal<readonly PicturePlace[]>([]);
  /** Whether the camera is out, and whether its picture is joined to those here. */
  protected readonly camera = signal<'first' | 'joined' | null>(null);
  protected readonly tooth = computed(
    () => this.desk.line()?.teeth.find((t) => t.tooth === this.desk.selected()) ?? null,
  );

  protected take(to: Hand): void {
    this.hand.set(this.hand() === to ? 'pick' : to);
    this.marks.set([]);
  }

  protected placed(place: PicturePlace): void {
    if (this.hand() === 'length') this.marks.update((all) => (all.length >= 2 ? [place] : [...all, place]));
    else if (this.hand() === 'add') {
      this.desk.edit({ do: 'add', at: place, scan: this.desk.shown() });
      this.hand.set('pick');
    }
  }

  /** One hand on the keys: choose, nudge, call, accept. */
  protected keyed(event: KeyboardEvent): void {
    const tooth = this.tooth();
    const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    const move = NUDGES[event.key];
    const command = event.ctrlKey || event.metaKey ? event.key.toLowerCase() : '';
    if (command === 'z') this.desk.undo();
    else if (command === 'y') this.desk.redo();
    else if (event.shiftKey && move && tooth) {
      const { x, y } = tooth.tipPx;
      this.edit({ do: 'move', tooth: tooth.tooth, to: { x: x + move[0], y: y + move[1] } });
    } else if (step !== 0) this.choose((tooth?.tooth ?? 0) + step);
    else if (event.key === 'Enter') this.desk.accept();
    else if (tooth && event.key === 'Delete') this.edit({ do: 'remove', tooth: tooth.tooth });
    else if (tooth && (event.key === 'b' || event.key === 'm'))
      this.edit({ do: 'call', tooth: tooth.tooth, kind: event.key === 'b' ? 'broken' : 'missing' });
    else return;
    event.preventDefault();
  }

  protected choose(tooth: number): void {
    const found = this.desk.line()?.teeth.find((t) => t.tooth === tooth);
    if (!found) return;
    this.desk.show(found.scan);
    this.desk.select(tooth);
  }

  /** Done by hand; what is looked at next follows from it. */
  protected edit(change: TraceEdit): void {
    this.desk.edit(change);
    if (change.do === 'remove') this.desk.select(Math.max(1, change.tooth - 1));
    if (change.do === 'begin') this.desk.select(1);
  }
}
