import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Person } from '@odontis/contract/people';
import type { FileShelf } from '@odontis/core/store/shelf';
import { cornersOf } from '@odontis/core/store/stock';
import type { ToolDeed } from '@odontis/core/store/tool';
import { Speech } from '../../../shared/speech/speech';
import { Why } from '../../../shared/ui/why';
import { sayCorners } from '../../../shared/words/corner-words';
import { CornerPicture } from './corner-picture';
import { HandsOfTool } from './hands-of-tool';
import { ToolUpkeep } from './tool-upkeep';

/** One file: what lies by, whose corners are how worn, what is promised of it, and what the fortnight wants. */
@Component({
  selector: 'od-file-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CornerPicture, HandsOfTool, MatButton, ToolUpkeep, RouterLink, Why],
  templateUrl: './file-card.html',
  styleUrl: './tool-card.scss',
})
export class FileCard {
  readonly shelf = input.required<FileShelf>();
  readonly people = input.required<readonly Person[]>();
  /** Who sits here, where they may say what happened to a tool. */
  readonly own = input<number | null>(null);
  /** Corners that the widest bar of the page stands for. */
  readonly most = input(1);
  readonly done = output<ToolDeed>();
  readonly changing = output();
  protected readonly speech = inject(Speech);
  protected readonly say = sayCorners;
  protected readonly corners = computed(() => {
    const { kept } = this.shelf();
    return kept ? cornersOf(kept.tool) : 0;
  });
  /** Corners left, those of them that are kept, and where the fortnight's want ends; hundredths of the bar. */
  protected readonly bar = computed(() => {
    const { left, free, need } = this.shelf();
    const of = (corners: number): number => (100 * Math.max(0, corners)) / this.most();
    return { left: of(left), kept: of(Math.min(left, left - free)), wanted: of(need.planned + need.unplanned) };
  });
  protected readonly hands = computed(() => {
    const { kept, life } = this.shelf();
    return (kept?.stock.inHand ?? []).map((one) => ({
      ...one,
      name: this.people().find(({ id }) => id === one.personId)?.name ?? 'somebody',
      worn: one.strokes / life.strokes,
    }));
  });
  protected readonly mine = computed(() => this.hands().find((one) => one.personId === this.own()) ?? null);
  protected readonly lasts = computed(() => {
    const { life } = this.shelf();
    const known = `${Math.round(life.strokes)} ± ${Math.round(life.error)} strokes a corner`;
    return life.corners === 0
      ? `${known}, as it was told: fewer than three were worn out here.`
      : `${known}, from ${life.corners} worn out here.`;
  });
  protected noteSays = (note: string): string =>
    `${note[0]?.toUpperCase()}${note.slice(1)}${/[.!?]$/.test(note) ? '' : '.'}`;
  protected readonly wanted = computed(() => this.shelf().need.planned + this.shelf().need.unplanned);
}
