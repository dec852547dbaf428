import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { TraceEdit } from '@odontis/core/trace/edit-trace';
import { DOUBT_WORDS } from '@odontis/core/trace/trace-words';
import type { TracedTooth } from '@odontis/core/trace/traced-line';
import { Speech } from '../../../shared/speech/speech';
import { Figures } from '../../../shared/ui/figures';
import { toothFigures } from './traced-figures';

/** So many are named at once. */
const NAMED = 8;

/** Teeth that want a look, the worst doubt first, and the chosen one: what was read of it and what it may be called. */
@Component({
  selector: 'od-doubtful-teeth',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Figures],
  template: `
    <h2>{{ doubtful().length === 0 ? 'No tooth is in doubt' : doubtful().length + ' want a look' }}</h2>
    <ul class="doubts">
      @for (t of doubtful().slice(0, named); track t.tooth) {
        <li>
          <button type="button" class="link" [class.at]="t.tooth === tooth()?.tooth" (click)="chosen.emit(t.tooth)">
            Tooth {{ t.tooth }}: {{ doubts(t) }}
          </button>
        </li>
      }
      @if (doubtful().length > named) {
        <li class="quiet">and {{ doubtful().length - named }} more</li>
      }
    </ul>
    @if (tooth(); as t) {
      <od-figures [figures]="figures()" />
      <div class="tools">
        <button matButton="outlined" type="button" (click)="accepted.emit()">Looks right <kbd>Enter</kbd></button>
        @if (t.kind !== 'tooth') {
          <button matButton="outlined" type="button" (click)="call(t, 'tooth')">A whole tooth</button>
        }
        @if (t.kind !== 'broken') {
          <button matButton="outlined" type="button" (click)="call(t, 'broken')">Broken <kbd>b</kbd></button>
        }
        @if (t.kind !== 'missing') {
          <button matButton="outlined" type="button" (click)="call(t, 'missing')">Missing <kbd>m</kbd></button>
        }
        <button matButton="outlined" type="button" (click)="edited.emit({ do: 'remove', tooth: t.tooth })">
          No tooth here <kbd>Del</kbd>
        </button>
        @if (round() && t.tooth !== 1) {
          <button matButton="outlined" type="button" (click)="edited.emit({ do: 'begin', tooth: t.tooth })">
            This is tooth 1
          </button>
        }
      </div>
    }
    <ng-content />
  `,
  styleUrl: './trace-part.scss',
})
export class DoubtfulTeeth {
  private readonly speech = inject(Speech);
  readonly doubtful = input.required<readonly TracedTooth[]>();
  /** The chosen tooth; null where none is. */
  readonly tooth = input.required<TracedTooth | null>();
  /** Of a blade any tooth may be the first. */
  readonly round = input.required<boolean>();
  readonly chosen = output<number>();
  readonly accepted = output();
  readonly edited = output<TraceEdit>();
  protected readonly named = NAMED;
  protected readonly figures = computed(() => {
    const tooth = this.tooth();
    return tooth ? toothFigures(tooth, this.speech) : [];
  });

  protected doubts = (t: TracedTooth): string => t.doubts.map((d) => DOUBT_WORDS[d]).join('; ');

  protected call({ tooth }: TracedTooth, kind: TracedTooth['kind']): void {
    this.edited.emit({ do: 'call', tooth, kind });
  }
}
