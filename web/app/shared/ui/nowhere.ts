import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'od-nowhere',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<main>
    <h1>Nothing hangs on this nail</h1>
    <p>There is no page at this address. <a routerLink="/rack">Go to the rack</a>.</p>
  </main>`,
  styles: `
    main {
      padding: 40px;
    }
  `,
})
export class Nowhere {}
