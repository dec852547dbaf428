import { MatInput } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatProgressBar } from '@angular/material/progress-bar';
import { traceDxf } from '@odontis/contract/trace-dxf';
import { traceSvg } from '@odontis/core/trace/trace-svg';
import { readingsOfTrace } from '@odontis/core/trace/readings-of-trace';
import type { Estimate } from '@odontis/core/evidence/estimate';
import type { PicturePlace, TracedTooth } from '@odontis/core/trace/traced-line';
import { DOUBT_WORDS, NOTE_WORDS } from '@odontis/core/trace/trace-words';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { ROUND_DIAMETERS_MM, roundSheets } from '@odontis/core/photograph/measuring-strip';
import { parseLength } from '@odontis/core/units/length';
import { offerFile } from '../../../shared/ui/offer-file';
import { Notice } from '../../../shared/ui/notice';
import { Speech } from '../../../shared/speech/speech';
import { TraceDesk } from '../state/trace-desk';
import { TracedPicture } from './traced-picture';
import { StripCamera } from './strip-camera';
import { StripsPrinted } from './strips-printed';

/** What a click on the picture means. */
type Hand = 'pick' | 'add' | 'length';

/** A picture becomes readings: opened, scaled, traced, looked over where in doubt, taken. */
@Component({
  selector: 'od-trace-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatFormFieldModule,
    MatInput,
    MatButton,
    MatButtonToggleModule,
    MatProgressBar,
    Notice,
    TracedPicture,
    StripCamera,
    StripsPrinted,
  ],
  templateUrl: './trace-panel.html',
  styleUrl: './trace-panel.scss',
})
export class TracePanel {
  protected readonly desk = inject(TraceDesk);
  protected readonly speech = inject(Speech);
  readonly fileName = input.required<string>();
  readonly taken = output<ToothReading[]>();
  /** The pattern as the line reads from its heel, to be written on the ticket. */
  readonly begins = output<string>();
  /** A round blade, as the ticket has it; null for a line. */
  protected readonly round = computed(() => this.desk.laying().round ?? null);
  /** Its diameter in whole mm where round strips are made for it. */
  protected readonly roundMm = computed(() => {
    const round = this.round();
    const mm = Math.round(round?.diameterMm ?? 0);
    return mm >= ROUND_DIAMETERS_MM.least && mm <= ROUND_DIAMETERS_MM.most ? mm : null;
  });
  /** Strips to be printed: one sheet is 81 cm of line, or one or two pieces of a round. */
  protected readonly sheets = computed(() => {
    const at = '/api/measuring-sheet.pdf?paper=';
    const mm = this.roundMm();
    if (this.round())
      return mm === null
        ? []
        : (['a4', 'letter'] as const).flatMap((paper) =>
            Array.from({ length: roundSheets(mm).sheets }, (_, i) => ({
              words: `${paper === 'a4' ? 'Round strips, A4' : 'Letter'}, sheet ${i + 1}`,
              href: `${at}${paper}&kind=round&diameter=${mm}&sheet=${i + 1}`,
            })),
          );
    return [
      { words: 'Print the measuring sheet, A4', href: `${at}a4` },
      { words: 'Letter', href: `${at}letter` },
      { words: 'Short strips for a band', href: `${at}a4&kind=short` },
    ];
  });
  protected readonly hand = signal<Hand>('pick');
  protected readonly marks = signal<readonly PicturePlace[]>([]);
  protected readonly dpi = signal('');
  protected readonly length = signal('');
  protected readonly slip = signal('');
  protected readonly shared = signal('');
  /** Whether the camera is out, and whether its picture is joined to those here. */
  protected readonly camera = signal<'first' | 'joined' | null>(null);
  protected readonly least = ROUND_DIAMETERS_MM.least;
  protected readonly most = ROUND_DIAMETERS_MM.most;

  protected readonly tooth = computed(
    () => this.desk.line()?.teeth.find((t) => t.tooth === this.desk.selected()) ?? null,
  );
  protected readonly dpiOf = computed(() => {
    const scale = this.desk.picture()?.scale;
    return scale ? (25.4 / scale.mmPerPx).toFixed(0) : '';
  });
  protected readonly notes = computed(() => this.desk.line()?.notes.map((note) => NOTE_WORDS[note]) ?? []);
  protected doubts = (t: TracedTooth): string => t.doubts.map((d) => DOUBT_WORDS[d]).join('; ');
  /** A length with its error, both in the shop's own unit. */
  protected length_ = (e: Estimate): string => `${this.speech.finer(e.value)} ± ${this.speech.finer(e.error)}`;
  protected angle = (e: Estimate): string => `${e.value.toFixed(1)}° ± ${e.error.toFixed(2)}°`;
  protected one = (value: number | null, error: number | null): string =>
    value === null || error === null ? 'not seen' : `${value.toFixed(1)}° ± ${error.toFixed(2)}°`;

  protected photographed(file: File): void {
    void this.desk.open(file, this.camera() === 'joined');
  }

  protected opened(event: Event, join: boolean): void {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (file) void this.desk.open(file, join);
  }

  protected dropped(event: DragEvent): void {
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) void this.desk.open(file, false);
  }

  protected setDpi(event: Event): void {
    event.preventDefault();
    const value = Number(this.dpi().trim() || this.dpiOf());
    if (!(value >= 50 && value <= 10_000)) {
      this.slip.set(`"${this.dpi()}" is no resolution. Type what the scanner was set to, such as 600.`);
      return;
    }
    this.slip.set('');
    this.dpi.set('');
    void this.desk.scaleByDpi(value);
  }

  protected setLength(event: Event): void {
    event.preventDefault();
    const [from, to] = this.marks();
    const read = parseLength(this.length(), this.speech.unit() === 'mm' ? 'mm' : 'inch');
    if (!from || !to) this.slip.set('Click the two ends of the known length on the picture first.');
    else if (!read.ok || read.mm <= 0) this.slip.set(`"${this.length()}" is not a length such as 100 mm.`);
    else {
      this.slip.set('');
      this.pickAgain();
      void this.desk.scaleByLength(read.mm, from, to);
    }
  }

  protected turn(to: 'up' | 'down' | null): void {
    void this.desk.layAs({ ...this.desk.lie(), teethPoint: to ?? undefined });
  }

  protected heel(to: 'left' | 'right' | null): void {
    void this.desk.layAs({ ...this.desk.lie(), heel: to ?? undefined });
  }

  protected take(to: Hand): void {
    this.hand.set(this.hand() === to ? 'pick' : to);
    this.marks.set([]);
  }

  private pickAgain(): void {
    this.hand.set('pick');
    this.marks.set([]);
    this.length.set('');
  }

  protected placed(place: PicturePlace): void {
    if (this.hand() === 'length') this.marks.update((all) => (all.length >= 2 ? [place] : [...all, place]));
    else if (this.hand() === 'add') {
      this.desk.edit({ do: 'add', at: place, scan: this.desk.shown() });
      this.hand.set('pick');
    }
  }

  protected joinBy(event: Event): void {
    event.preventDefault();
    const told = Number(this.shared());
    if (Number.isInteger(told) && told >= 4) this.desk.joinAll(told);
    else this.slip.set('Say how many teeth both pictures show, four at least.');
  }

  /** One hand on the keys: choose, nudge, call, accept. */
  protected keyed(event: KeyboardEvent): void {
    const tooth = this.tooth();
    const step = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    const nudge: Record<string, [number, number]> = {
      ArrowLeft: [-0.5, 0],
      ArrowRight: [0.5, 0],
      ArrowUp: [0, -0.5],
      ArrowDown: [0, 0.5],
    };
    const move = nudge[event.key];
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') this.desk.undo();
    else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'y') this.desk.redo();
    else if (event.shiftKey && move && tooth)
      this.desk.edit({
        do: 'move',
        tooth: tooth.tooth,
        to: { x: tooth.tipPx.x + move[0], y: tooth.tipPx.y + move[1] },
      });
    else if (step !== 0) this.choose((tooth?.tooth ?? 0) + step);
    else if (event.key === 'Enter') this.desk.accept();
    else if (tooth && event.key === 'Delete') this.remove(tooth);
    else if (tooth && (event.key === 'b' || event.key === 'm'))
      this.desk.edit({ do: 'call', tooth: tooth.tooth, kind: event.key === 'b' ? 'broken' : 'missing' });
    else return;
    event.preventDefault();
  }

  protected choose(tooth: number): void {
    const found = this.desk.line()?.teeth.find((t) => t.tooth === tooth);
    if (!found) return;
    this.desk.show(found.scan);
    this.desk.select(tooth);
  }

  protected call(tooth: TracedTooth, kind: TracedTooth['kind']): void {
    this.desk.edit({ do: 'call', tooth: tooth.tooth, kind });
  }

  protected remove(tooth: TracedTooth): void {
    this.desk.edit({ do: 'remove', tooth: tooth.tooth });
    this.desk.select(Math.max(1, tooth.tooth - 1));
  }

  protected beginAt(tooth: TracedTooth): void {
    this.desk.edit({ do: 'begin', tooth: tooth.tooth });
    this.desk.select(1);
  }

  protected keep(): void {
    const line = this.desk.line();
    if (line) this.taken.emit(readingsOfTrace(line));
  }

  protected save(as: 'svg' | 'dxf'): void {
    const line = this.desk.line();
    if (!line) return;
    const [text, type] = as === 'svg' ? [traceSvg(line), 'image/svg+xml'] : [traceDxf(line), 'image/vnd.dxf'];
    offerFile(text, type, `${this.fileName()}.${as}`);
  }
}
