import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatCheckbox } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import type { CheckRound } from '@odontis/contract/check';
import type { CutAdvice } from '@odontis/core/set/test-cut-verdict';
import { setBalance } from '@odontis/core/set/set-balance';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';
import { leanOf } from '@odontis/core/saw/tooth-reading';
import { parseLength } from '@odontis/core/units/length';
import { baseDrawing, heightLane, setLane, spacingLane } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Conflict } from '../../../shared/conflict/conflict';
import { ReadingDesk } from '../../../shared/readings/reading-desk';
import { ReadingKeeper } from '../../../shared/readings/reading-keeper';
import { Speech } from '../../../shared/speech/speech';
import { TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { ADVICE_SAYS } from '../../../shared/words/advice-words';

interface Cut {
  readonly runs: 'true' | 'left' | 'right';
  readonly binds: boolean;
  readonly chatters: boolean;
  readonly note: string;
}

const SOUND: Cut = { runs: 'true', binds: false, chatters: false, note: '' };

/** Measure again, cut, stone what needs it, again until it passes; before and after on the same lanes. */
@Component({
  selector: 'od-check-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatCheckbox, RouterLink, ReadingDesk, Conflict, Notice],
  providers: [ReadingKeeper],
  templateUrl: './check-page.html',
  styleUrl: './check-page.scss',
})
export class CheckPage {
  private readonly store = inject(Store);
  protected readonly keeper = inject(ReadingKeeper);
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly cut = signal<Cut>(SOUND);
  protected readonly slip = signal<string | null>(null);
  protected readonly checking = computed(() => this.keeper.dossier()?.ticket.stage === 'check');
  private readonly rounds = computed(() => this.keeper.dossier()?.checks.length ?? -1);
  protected readonly balance = computed(() => {
    const s = this.keeper.statistics();
    return s && s.setLeft.count > 0 && s.setRight.count > 0 ? setBalance(s.setLeft, s.setRight) : null;
  });

  constructor() {
    inject(Keys).here.set([
      { keys: 'Enter', does: 'keep the value, next tooth' },
      { keys: '↑', does: 'back one tooth' },
      { keys: 'Ctrl Z, Ctrl Y', does: 'undo, do again' },
    ]);
    this.sheet.handle.set(null);
    this.sheet.laneHeight.set(46);
    effect(() => {
      // A round judged begins the next one's measuring.
      if (this.rounds() < 0) return;
      untracked(() => {
        this.keeper.editable.set(this.checking());
        this.keeper.reopen('after', asPlanned);
        this.cut.set(SOUND);
      });
    });
    effect(() => this.draw());
  }

  private draw(): void {
    const dossier = this.keeper.dossier();
    const plan = dossier?.plan;
    const habits = this.speech.book()?.habits;
    if (!dossier || !plan || !habits) return;
    const before = plan.inputs.readings;
    const after = this.keeper.readings();
    const pitch = plan.plan.pitchMm;
    this.sheet.drawing.set({
      ...baseDrawing(dossier, after.length > 0 ? after : before, plan.plan.tooth),
      lanes: [
        heightLane(after, this.speech.fine, before),
        spacingLane(after, pitch, habits.evennessShare * pitch, this.speech.fine, before),
        setLane(after, this.speech.fine, before),
      ],
    });
  }

  /** "2.5 2.6 2.4": set of a few teeth of one side, from the heel on. */
  protected typeSet(lean: 'left' | 'right', text: string): void {
    const words = text
      .trim()
      .split(/[\s;]+/)
      .filter((word) => word !== '');
    const values = words.map((word) => parseLength(word, this.speech.unit()));
    const bad = words.find((_, i) => values[i]?.ok === false);
    this.slip.set(
      bad === undefined ? null : `"${bad}" is not a set. Type numbers with a space between, such as 2.5 2.6 2.4.`,
    );
    const sheet = this.keeper.sheet();
    if (bad !== undefined || !sheet) return;
    let next = 0;
    sheet.replace(
      sheet.readings().map((reading) => {
        if (leanOf(reading) !== lean || reading.kind !== 'tooth') return reading;
        const value = values[next++];
        return { ...reading, setMm: value?.ok ? value.mm : null };
      }),
    );
  }

  protected change(change: Partial<Cut>): void {
    this.cut.update((cut) => ({ ...cut, ...change }));
  }

  protected advice(round: CheckRound): string[] {
    return round.advice.map((code) => ADVICE_SAYS[code as CutAdvice] ?? code);
  }

  protected judge(dossier: Dossier): void {
    const check = { version: dossier.ticket.version, ...this.cut() };
    this.store.dispatch(TicketPageEvents.cutJudged({ id: dossier.ticket.id, check }));
  }
}

/** The line to begin from: as last measured after the work, else as planned; set is measured anew. */
function asPlanned(dossier: Dossier): readonly ToothReading[] {
  const last = dossier.measurings.filter((m) => m.kind === 'after').at(-1);
  if (last) return last.readings as ToothReading[];
  const targets = new Map(dossier.plan?.plan.targets.map((t) => [t.tooth, t]));
  return (dossier.plan?.inputs.readings ?? []).map((reading) => {
    const target = targets.get(reading.tooth);
    return { ...reading, xMm: target?.xMm ?? reading.xMm, yMm: target?.yMm ?? reading.yMm, setMm: null };
  });
}
