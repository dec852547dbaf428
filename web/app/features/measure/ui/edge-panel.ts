import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { SetsSummary, ToothSet } from '@odontis/core/photograph/edge-readings';
import { parseLength } from '@odontis/core/units/length';
import type { Figure } from '../../../shared/ui/figures';
import { Figures } from '../../../shared/ui/figures';
import { Notice } from '../../../shared/ui/notice';
import { Speech } from '../../../shared/speech/speech';
import { EdgeDesk } from '../state/edge-desk';
import { PictureBusy } from './picture-busy';
import { droppedFile, PictureFile } from './picture-file';
import { TracedPicture } from './traced-picture';
import { SetBars } from './set-bars';
import { StripCamera } from './strip-camera';
import { StripsPrinted } from './strips-printed';

/** Teeth furthest off their own side's mean that are named. */
const NAMED = 5;

/** A photograph along the points becomes set and lean of every tooth. */
@Component({
  selector: 'od-edge-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatButtonToggleModule,
    MatFormFieldModule,
    MatInput,
    Figures,
    Notice,
    PictureBusy,
    PictureFile,
    TracedPicture,
    SetBars,
    StripCamera,
    StripsPrinted,
  ],
  templateUrl: './edge-panel.html',
  styleUrl: './trace-panel.scss',
})
export class EdgePanel {
  protected readonly desk = inject(EdgeDesk);
  protected readonly speech = inject(Speech);
  readonly taken = output<readonly ToothSet[]>();
  protected readonly abs = Math.abs;
  protected readonly camera = signal(false);
  protected readonly slip = signal('');
  protected readonly furthest = computed(() => {
    const summary = this.desk.summary();
    const off = (s: ToothSet): number => {
      const side = s.lean === 'left' ? summary?.left : s.lean === 'right' ? summary?.right : null;
      return side ? s.setMm - side.value : 0;
    };
    return this.desk
      .sets()
      .map((s) => ({ ...s, off: off(s) }))
      .filter((s) => Math.abs(s.off) > 2 * s.errorMm)
      .sort((a, b) => Math.abs(b.off) - Math.abs(a.off))
      .slice(0, NAMED);
  });
  protected readonly sideless = computed(() =>
    this.desk
      .sets()
      .filter((s) => s.lean === null)
      .map((s) => s.tooth),
  );

  protected dropped(event: DragEvent): void {
    const file = droppedFile(event);
    if (file) void this.desk.open(file);
  }

  protected photographed(file: File): void {
    this.camera.set(false);
    void this.desk.open(file);
  }

  /** Both sides' means, how far they are apart, and the cut. */
  protected figures({ left, right, leftMoreMm, kerfMm }: SetsSummary): Figure[] {
    const { finer } = this.speech;
    const side = (mean: SetsSummary['left']): string =>
      mean ? `${finer(mean.value)} ± ${finer(mean.error)} on ${mean.teeth} teeth` : 'none';
    return [
      { name: 'Left', says: side(left) },
      { name: 'Right', says: side(right) },
      ...(leftMoreMm
        ? [
            {
              name: leftMoreMm.value < 0 ? 'Right over left' : 'Left over right',
              says: `${finer(Math.abs(leftMoreMm.value))} ± ${finer(leftMoreMm.error)}`,
            },
          ]
        : []),
      ...(kerfMm ? [{ name: 'Cut as wide as', says: finer(kerfMm) }] : []),
    ];
  }

  protected countFrom(value: string): void {
    const first = Number(value.trim());
    if (Number.isInteger(first) && first >= 1 && first <= 5000) {
      this.slip.set('');
      this.desk.countFrom(first);
    } else this.slip.set(`"${value}" is no tooth’s number: the first tooth in the picture is one of 1 to 5000.`);
  }

  protected standOver(value: string): void {
    const read = parseLength(value, this.speech.unit() === 'mm' ? 'mm' : 'inch');
    if (read.ok && read.mm > 0 && read.mm <= 60) {
      this.slip.set('');
      void this.desk.standOver(read.mm);
    } else this.slip.set(`"${value}" is no height of the points over the strips: say 1 to 60 mm.`);
  }
}
