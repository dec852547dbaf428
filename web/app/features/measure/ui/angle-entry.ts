import { MatInput } from '@angular/material/input';
import type { Ends } from '@odontis/core/saw/ends';
import { theEnd } from '@odontis/core/saw/ends';
import type { Cut } from '@odontis/core/saw/families';
import { MatSelectModule } from '@angular/material/select';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { AngleFinding, AngleWay, SeatedSection } from '@odontis/core/evidence/angle-finding';
import { SEATED_SECTIONS } from '@odontis/core/evidence/angle-finding';
import { leavesTooth } from '@odontis/core/angles/doubt-angle';

import { gulletAngles } from '@odontis/core/angles/gullet-angles';
import { SECTIONS } from '@odontis/core/file/file-section';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import type { AngleDraft } from '../data/angle-draft';
import { EMPTY_DRAFT, readDraft } from '../data/angle-draft';

const POINT_KEYS: Readonly<Record<string, 'left' | 'right' | 'none'>> = { l: 'left', r: 'right', c: 'none' };

const other = (side: Lean): Lean => (side === 'left' ? 'right' : 'left');

/** One reading of a tooth's angles, by the way chosen: typed, seen live as what it leaves, taken by Enter. */
@Component({
  selector: 'od-angle-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInput, MatFormFieldModule, MatSelectModule, MatButton, MatButtonToggleModule, Notice],
  templateUrl: './angle-entry.html',
  styleUrl: './angle-entry.scss',
})
export class AngleEntry {
  protected readonly speech = inject(Speech);
  readonly way = input.required<AngleWay>();
  readonly section = input.required<SeatedSection>();
  readonly cuts = input.required<Cut>();
  /** What the saw's two ends are called. */
  readonly named = input.required<Ends>();
  readonly tooth = input.required<number>();
  readonly teeth = input.required<number>();
  readonly endless = input(false);
  readonly found = output<AngleFinding>();
  /** Teeth on from the present one: a step, as keys may come faster than the screen turns. */
  readonly moved = output<number>();
  readonly alternated = output<Lean>();
  readonly sectionChosen = output<SeatedSection>();
  protected readonly draft = signal<AngleDraft>(EMPTY_DRAFT);
  protected readonly slip = signal('');
  protected readonly sections = SEATED_SECTIONS;
  protected readonly sectionWords = SECTIONS;

  /** Gullets are filed from the two sides by turns: whatever was said of one odd or even tooth holds for the others. */
  protected readonly from = computed<Lean>(() => (this.tooth() % 2 ? this.draft().from : other(this.draft().from)));
  private readonly read = computed(() =>
    readDraft({ ...this.draft(), from: this.from() }, this.way(), this.section(), this.cuts(), this.speech.speech()),
  );
  /** What these figures leave, while they are typed. */
  protected readonly leaves = computed(() => {
    const read = this.read();
    if (!read.ok) return '';
    const { finding } = read;
    if (finding.way === 'file' && !leavesTooth(finding)) return 'a file held like that leaves no tooth';
    const { rakeDeg, backDeg, faceTurnDeg } = gulletAngles(finding, this.cuts());
    return [
      rakeDeg && `face ${this.speech.rake(rakeDeg.value)}`,
      backDeg && `back ${backDeg.value.toFixed(1)}°`,
      faceTurnDeg && this.speech.bothFleams(faceTurnDeg.value),
    ]
      .filter((one) => one !== null)
      .join(', ');
  });
  protected readonly nearest = computed(() => theEnd(this.named(), 'heel'));
  protected readonly ends = computed(() => {
    if (this.endless()) return { along: 'along the cut', against: 'against the cut' };
    const [toe, heel] = [`towards ${theEnd(this.named(), 'toe')}`, `towards ${theEnd(this.named(), 'heel')}`];
    return this.cuts() === 'push' ? { along: toe, against: heel } : { along: heel, against: toe };
  });
  protected readonly turned = computed(() => {
    const read = this.read();
    return read.ok && 'turnDeg' in read.finding && read.finding.turnDeg !== null && read.finding.turnDeg !== 0;
  });

  protected choose(change: Partial<AngleDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
    this.slip.set('');
  }

  protected chooseFrom(from: Lean): void {
    this.choose({ from: this.tooth() % 2 ? from : other(from) });
  }

  /** Enter takes it; the figures stay typed for the next gullet, which was filed from the other side. */
  protected take(event: Event): void {
    event.preventDefault();
    const read = this.read();
    this.slip.set(read.ok ? '' : read.says);
    if (read.ok) this.found.emit(read.finding);
  }

  protected key(event: KeyboardEvent): void {
    const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    const point = this.way() === 'eye' ? POINT_KEYS[event.key.toLowerCase()] : undefined;
    if (event.ctrlKey || event.metaKey || event.altKey || (step === 0 && !point)) return;
    event.preventDefault();
    if (step !== 0) this.moved.emit(step);
    if (point) this.found.emit({ way: 'eye', point });
  }
}
