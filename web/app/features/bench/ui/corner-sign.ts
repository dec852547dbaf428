import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Notice } from '../../../shared/ui/notice';
import { CornerKeeper } from '../state/corner-keeper';

/** Which corner of the file is in hand and how worn it is; turned to the next, or another file begun, with one press. */
@Component({
  selector: 'od-corner-sign',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Notice],
  template: `
    @if (keeper.shelf(); as shelf) {
      <p [class.worn]="worn()">
        {{ says() }}
        @if (keeper.mine(); as own) {
          @if (own.corner < own.corners) {
            <button matButton="outlined" type="button" (click)="keeper.say('turned')">Turned to the next corner</button>
          }
        }
        @if (shelf.kept!.stock.lying > 0 && (!keeper.mine() || keeper.mine()!.corner >= keeper.mine()!.corners)) {
          <button matButton="outlined" type="button" (click)="keeper.say('begun')">A new file from the Store</button>
        }
      </p>
    }
    @if (keeper.refusal(); as no) {
      <od-notice weight="stop">{{ no.detail }}</od-notice>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
    }
    .worn {
      color: var(--lead);
      font-weight: 600;
    }
  `,
})
export class CornerSign {
  protected readonly keeper = inject(CornerKeeper);
  protected readonly worn = computed(() => {
    const own = this.keeper.mine();
    return own !== null && own.made >= own.gives;
  });
  protected readonly says = computed(() => {
    const [shelf, own] = [this.keeper.shelf(), this.keeper.mine()];
    if (!shelf) return '';
    if (!own)
      return shelf.kept?.stock.lying === 0
        ? `You have no ${shelf.name} in hand, and none lies in the Store.`
        : `You have no ${shelf.name} in hand by the Store.`;
    return `Corner ${own.corner} of ${own.corners} of your ${shelf.name}: ${own.made} of some ${Math.round(own.gives)} strokes.`;
  });
}
