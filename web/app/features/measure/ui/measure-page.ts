import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { baseDrawing, drawnTooth, heightLane, setLane, spacingLane } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Conflict } from '../../../shared/conflict/conflict';
import { ReadingDesk } from '../../../shared/readings/reading-desk';
import { ReadingKeeper } from '../../../shared/readings/reading-keeper';
import { Speech } from '../../../shared/speech/speech';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';

/** Measure the line as it came in; lanes and numbers move as it is typed. */
@Component({
  selector: 'od-measure-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, RouterLink, ReadingDesk, Conflict, Notice],
  providers: [ReadingKeeper],
  templateUrl: './measure-page.html',
})
export class MeasurePage {
  protected readonly keeper = inject(ReadingKeeper);
  protected readonly sheet = inject(SawSheet);
  private readonly speech = inject(Speech);
  private readonly router = inject(Router);
  private leaving = false;

  protected readonly editable = computed(() => ['measure', 'plan'].includes(this.keeper.dossier()?.ticket.stage ?? ''));
  protected readonly stopped = computed(() => this.keeper.faults().some((f) => f.weight === 'stop'));

  constructor() {
    inject(Keys).here.set([
      { keys: 'Enter', does: 'keep the value, next tooth' },
      { keys: '↑', does: 'back one tooth' },
      { keys: 'b, m', does: 'broken, missing (then Enter); a broken one is then measured' },
      { keys: 'Ctrl Z, Ctrl Y', does: 'undo, do again' },
    ]);
    this.sheet.handle.set(null);
    this.sheet.laneHeight.set(46);
    effect(() => {
      const dossier = this.keeper.dossier();
      if (!dossier) return;
      untracked(() => {
        this.keeper.editable.set(this.editable());
        this.keeper.open('before', () => []);
        if (this.leaving && dossier.ticket.stage === 'plan') {
          this.leaving = false;
          void this.router.navigate(['/ticket', dossier.ticket.id, 'plan']);
        }
      });
    });
    effect(() => this.draw());
    effect(() => {
      const tooth = this.sheet.picked();
      if (tooth !== null) untracked(() => this.keeper.sheet()?.goTo(tooth - 1));
    });
  }

  private draw(): void {
    const dossier = this.keeper.dossier();
    const habits = this.speech.book()?.habits;
    if (!dossier || !habits) return;
    const readings = this.keeper.readings();
    const tooth = drawnTooth(dossier, habits);
    const pitch = this.keeper.statistics()?.pitchMm ?? dossier.saw.pitchMm;
    const cursor = this.keeper.sheet()?.cursor() ?? 0;
    this.sheet.drawing.set({
      ...baseDrawing(dossier, readings, tooth),
      current: cursor < readings.length ? { at: cursor + 1, unit: 'tooth' } : null,
      lanes: [
        heightLane(readings, this.speech.fine),
        spacingLane(readings, pitch, habits.evennessShare * pitch, this.speech.fine),
        setLane(readings, this.speech.fine),
      ],
    });
  }

  protected plan(): void {
    this.leaving = true;
    this.keeper.finish();
  }
}
