import { endsOf } from '@odontis/core/saw/ends';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { CsvFault } from '@odontis/contract/csv-fault';
import type { AngleFinding } from '@odontis/core/evidence/angle-finding';
import { ANGLE_WAY_WORDS } from '@odontis/core/evidence/angle-finding';
import { cornerDeg } from '@odontis/core/file/file-section';
import { toothFor } from '@odontis/core/file/flank-angles';
import { alternateGullets } from '../../../shared/tooth/alternate-gullets';
import type { DrawnTeeth } from '../../../shared/tooth/place-teeth';
import { ToothViews } from '../../../shared/tooth/tooth-views';
import { readCsv } from '../../../shared/evidence/csv-file';
import { CsvOpen } from '../../../shared/evidence/csv-open';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { angleDoubtSays, angleMeantSays } from '../../../shared/words/angle-words';
import { AngleKeeper, asMeant } from '../state/angle-keeper';
import type { AskedAngle } from '../state/angle-keeper';
import { AngleEntry } from './angle-entry';
import { AngleFacts } from './angle-facts';
import { SessionBox } from '../../../shared/gauge/session-box';
import { SidesStrip } from './sides-strip';

/** A saw's angles: read by a seated file, a bevel or the eye, taken from a scan; drawn, and each point against its lean. */
@Component({
  selector: 'od-angle-desk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatButton,
    MatButtonToggleModule,
    CsvOpen,
    Notice,
    AngleEntry,
    AngleFacts,
    SessionBox,
    SidesStrip,
    ToothViews,
  ],
  templateUrl: './angle-desk.html',
  styleUrl: '../../../shared/gauge/desk.scss',
})
export class AngleDesk {
  /** What the saw's ends are called. */
  protected readonly named = computed(() => {
    const saw = this.keeper.saw();
    return saw ? endsOf(saw) : { heel: 'heel', toe: 'toe' };
  });
  protected readonly keeper = inject(AngleKeeper);
  protected readonly speech = inject(Speech);
  protected readonly wayWords = ANGLE_WAY_WORDS;
  protected readonly said = signal('');
  protected readonly csvFaults = signal<readonly CsvFault[]>([]);

  /** The saw's own mean tooth, as far as it is known; a fleam nobody read is drawn out of the side view. */
  protected readonly drawn = computed<DrawnTeeth | null>(() => {
    const [saw, says] = [this.keeper.dossier()?.saw, this.keeper.says()];
    const rake = says?.all.rakeDeg?.value;
    if (!saw || !says || rake === undefined) return null;
    const fleamDeg = says.all.fleamDeg?.value ?? says.silhouette?.fleamDeg ?? 0;
    // Where nobody read the back, it is the one this saw's file leaves behind such a face.
    const backDeg = says.all.backDeg?.value ?? backBehind(rake, fleamDeg, cornerDeg(this.keeper.section()));
    if (backDeg === null) return null;
    const first = this.keeper.sides()[0]?.point === 'right' ? 1 : -1;
    return {
      gullets: alternateGullets({ rakeDeg: rake, backDeg, fleamDeg }, 4, first),
      pitchMm: saw.pitchMm,
      plateMm: saw.plateThicknessMm,
      setMm: this.keeper.setMm(),
      cuts: this.keeper.cuts(),
      backGuessed: !says.all.backDeg,
    };
  });

  constructor() {
    const keys = inject(Keys);
    effect(() =>
      keys.here.set([
        { keys: 'Enter', does: 'take the reading, next tooth' },
        { keys: '↑ ↓', does: 'back one tooth, on one' },
        ...(this.keeper.way() === 'eye' ? [{ keys: 'l, r, c', does: 'point left, right; level edge' }] : []),
      ]),
    );
  }

  protected take(finding: AngleFinding): void {
    const tooth = this.keeper.tooth();
    const good = this.keeper.take(finding);
    this.said.set(good ? `tooth ${tooth} taken` : '');
  }

  protected alternate(point: 'left' | 'right'): void {
    const count = this.keeper.alternate(point);
    this.said.set(`${count} teeth said to alternate; what was seen before stays.`);
  }

  protected doubtSays = ({ doubt }: AskedAngle): string => angleDoubtSays(doubt, this.speech);
  protected meantSays = ({ doubt }: AskedAngle): string =>
    doubt.meant ? angleMeantSays(doubt.meant, this.speech) : '';
  protected settleMeant({ reading, doubt }: AskedAngle): void {
    this.keeper.settle(reading, asMeant(reading.value, doubt));
  }

  protected opened(text: string): void {
    const saw = this.keeper.dossier()?.saw;
    if (!saw) return;
    const read = readCsv(text, saw);
    if (!read.ok || read.holds !== 'angles') {
      const message = 'This file holds no angles: columns way and tooth are wanted.';
      this.csvFaults.set(read.ok ? [{ line: 1, message }] : read.faults);
      return;
    }
    this.csvFaults.set([]);
    const aside = this.keeper.takeAll(read.rows);
    this.said.set(`${read.rows.length} readings taken${aside ? `, ${aside} of them set aside to be looked at` : ''}.`);
  }
}

function backBehind(rakeDeg: number, fleamDeg: number, sectionDeg: number): number | null {
  try {
    return toothFor(rakeDeg, fleamDeg, sectionDeg).backDeg;
  } catch {
    return null;
  }
}
