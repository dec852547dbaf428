import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ROUND_DIAMETERS_MM, roundSheets } from '@odontis/core/photograph/measuring-strip';
import { droppedFile, PictureFile } from './picture-file';

/** Before a picture is there: how the saw is laid, what is printed for it, and how a picture comes. */
@Component({
  selector: 'od-trace-begin',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, PictureFile],
  template: `
    <div class="empty" (dragover)="$event.preventDefault()" (drop)="dropped($event)">
      @if (round() && roundMm() === null) {
        <p>
          Round strips are made for blades of {{ least }} to {{ most }} mm, and a blade is photographed among them:
          measure this one by dial.
        </p>
      } @else if (round()) {
        <p>
          Print the round strips for this blade, cut them out and lay them in a round, flat, strip 1 at tooth 1. Lay the
          blade on them, the points on the thin line, nothing in its bore.
        </p>
        <p>Hold the camera straight over the middle of the blade and take all strips in.</p>
      } @else {
        <p>
          Lay the saw flat on the scanner with a plain sheet behind it: a dark sheet for a bright plate, a white one for
          a dark.
        </p>
        <p>
          600 dots to the inch, a strip along the teeth with 5 mm over the points. A long saw takes two scans with ten
          teeth on both.
        </p>
      }
      <od-picture-file [says]="round() ? 'Open a photograph' : 'Open a scan'" (opened)="opened.emit($event)" />
      <span class="quiet">PNG, JPEG or TIFF; or drop it here</span>
      @if (!round()) {
        <p>
          Or photograph it: lay the printed strips along the points, plain margin under the teeth, the saw flat; hold
          the camera straight over it and take the whole line in. A photograph opened here is known by its strips.
        </p>
      }
      <div class="tools">
        <button matButton="outlined" type="button" (click)="photograph.emit()">Photograph it</button>
        @for (sheet of sheets(); track sheet.href) {
          <a matButton="outlined" [href]="sheet.href" target="_blank" rel="noopener">{{ sheet.words }}</a>
        }
      </div>
    </div>
  `,
  styleUrl: './trace-part.scss',
})
export class TraceBegin {
  /** A round blade, as the ticket has it; null for a line. */
  readonly round = input.required<{ readonly diameterMm: number } | null>();
  readonly opened = output<File>();
  readonly photograph = output();
  protected readonly least = ROUND_DIAMETERS_MM.least;
  protected readonly most = ROUND_DIAMETERS_MM.most;

  /** Its diameter in whole mm where round strips are made for it. */
  protected readonly roundMm = computed(() => {
    const mm = Math.round(this.round()?.diameterMm ?? 0);
    return mm >= ROUND_DIAMETERS_MM.least && mm <= ROUND_DIAMETERS_MM.most ? mm : null;
  });
  /** Strips to be printed: one sheet is 81 cm of line, or one or two pieces of a round. */
  protected readonly sheets = computed(() => {
    const at = '/api/measuring-sheet.pdf?paper=';
    const mm = this.roundMm();
    if (!this.round())
      return [
        { words: 'Print the measuring sheet, A4', href: `${at}a4` },
        { words: 'Letter', href: `${at}letter` },
        { words: 'Short strips for a band', href: `${at}a4&kind=short` },
      ];
    if (mm === null) return [];
    return (['a4', 'letter'] as const).flatMap((paper) =>
      Array.from({ length: roundSheets(mm).sheets }, (_, i) => ({
        words: `${paper === 'a4' ? 'Round strips, A4' : 'Letter'}, sheet ${i + 1}`,
        href: `${at}${paper}&kind=round&diameter=${mm}&sheet=${i + 1}`,
      })),
    );
  });

  protected dropped(event: DragEvent): void {
    const file = droppedFile(event);
    if (file) this.opened.emit(file);
  }
}
