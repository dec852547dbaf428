import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { FileChoice } from '@odontis/core/file/file-choice';
import { STROKES_PER_CORNER } from '@odontis/core/file/file-choice';
import { strokesOfFiles } from '@odontis/core/store/uses';
import type { Step } from '@odontis/core/work/step';
import { StoreRoomPage, storeRoomFeature } from '../../../shared/state/store-room.feature';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { sayCorners } from '../../../shared/words/corner-words';

/** What the files of an order wear, and whether the Store has it free: other saws' orders hold what they were promised. */
@Component({
  selector: 'od-files-wanted',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice, RouterLink, Why],
  template: `
    @if (rows().length > 0) {
      <h3>Files for it</h3>
      <ul>
        @for (row of rows(); track row.name) {
          <li [class.short]="row.short">
            <strong>{{ row.name }}</strong>: {{ row.wants }}. {{ row.has }}
            @if (row.why; as reason) {
              <od-why [reason]="reason" />
            }
          </li>
        }
      </ul>
      @for (text of instead(); track text) {
        <od-notice weight="decide">{{ text }} <a routerLink="/store">To the Store</a></od-notice>
      }
    }
  `,
  styles: `
    ul {
      margin: 4px 0 8px;
      padding-left: 18px;
    }
    .short {
      color: var(--lead);
    }
  `,
})
export class FilesWanted {
  readonly steps = input.required<readonly Step[]>();
  readonly ticketId = input.required<number>();
  /** How the files came to be chosen, where they were. */
  readonly choices = input<readonly FileChoice[]>([]);
  private readonly store = inject(Store);
  private readonly shelves = this.store.selectSignal(storeRoomFeature.selectShelves);
  private readonly room = this.store.selectSignal(storeRoomFeature.selectRoom);

  constructor() {
    this.store.dispatch(StoreRoomPage.opened());
  }

  protected readonly rows = computed(() =>
    strokesOfFiles(this.steps()).map(({ name, strokes }) => {
      const shelf = this.shelves().find((one) => one.name === name);
      const wanted = strokes / (shelf?.life.strokes ?? STROKES_PER_CORNER);
      const own = shelf?.reserved.find((one) => one.ticketId === this.ticketId())?.corners ?? 0;
      const free = (shelf?.free ?? 0) + own;
      const known = shelf?.kept ?? null;
      const wants = `${strokes} strokes, ${sayCorners(wanted)}`;
      const has = !this.room()
        ? ''
        : !known
          ? 'The Store does not know this file.'
          : `${free > 0 ? sayCorners(free) : 'None'} free there${own > 0 ? ', with what is kept for this saw' : ''}.`;
      return {
        name,
        wants,
        has,
        short: known !== null && free < wanted,
        why: known ? (shelf?.need.reason ?? null) : null,
      };
    }),
  );

  /** Filed with another than is best, or with one that is not there. */
  protected readonly instead = computed(() => [
    ...new Set(
      this.choices().flatMap(({ lacking, file }) => {
        if (!lacking) return [];
        return [
          lacking.name === file.name
            ? `The Store has no corner of ${file.name} free, nor of the next two sizes.`
            : `Best filed with ${lacking.name}, of which no corner is free: planned with ${file.name}, the next wider that is.`,
        ];
      }),
    ),
  ]);
}
