import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { ToolDeed } from '@odontis/core/store/tool';
import { PiecesForm } from './pieces-form';

/** What is seldom done with a tool, folded away: pieces told, the tool told anew, its kind put away. */
@Component({
  selector: 'od-tool-upkeep',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, PiecesForm],
  template: `
    <details>
      <summary>Pieces, and what it is called</summary>
      <div>
        <od-pieces-form [name]="name()" (told)="done.emit($event)" />
        <button matButton="outlined" type="button" (click)="changing.emit()">Tell it anew</button>
        <button matButton="outlined" type="button" (click)="done.emit({ what: 'put-away' })">No longer used</button>
      </div>
    </details>
  `,
  styles: `
    summary {
      cursor: pointer;
      min-height: 40px;
      align-content: center;
    }
    div {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      align-items: center;
    }
  `,
})
export class ToolUpkeep {
  readonly name = input.required<string>();
  readonly done = output<ToolDeed>();
  readonly changing = output();
}
