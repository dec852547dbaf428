import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { aidDxf, aidSvg } from '@odontis/contract/aid-files';
import type { AcceptedPlan } from '@odontis/contract/plan';
import { aidsOfOrder } from '@odontis/core/work/aids/aids-of-order';
import type { BenchAid } from '@odontis/core/work/aids/bench-aid';
import { offerFile } from '../../../shared/ui/offer-file';

/** What can be made for this saw's plan at true scale: printed, or as drawings for who cuts them in brass. */
@Component({
  selector: 'od-aids-offer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `
    @if (aids().length > 0) {
      <details>
        <summary>Bench aids at true scale</summary>
        <p>
          <a matButton="outlined" [href]="print('a4')" target="_blank" rel="noopener">Print them, A4</a>
          <a matButton="outlined" [href]="print('letter')" target="_blank" rel="noopener">Print them, Letter</a>
        </p>
        <ul>
          @for (aid of aids(); track $index) {
            <li>
              {{ aid.title }}
              <button matButton type="button" (click)="save(aid, 'svg')">SVG</button>
              <button matButton type="button" (click)="save(aid, 'dxf')">DXF</button>
            </li>
          }
        </ul>
      </details>
    }
  `,
  styles: `
    summary {
      cursor: pointer;
      padding: 6px 0;
    }
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 4px 0;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
  `,
})
export class AidsOffer {
  readonly plan = input.required<AcceptedPlan>();
  readonly ticketId = input.required<number>();
  protected readonly aids = computed(() => aidsOfOrder(this.plan().order));
  protected print = (paper: 'a4' | 'letter'): string => `/api/tickets/${this.ticketId()}/aids.pdf?paper=${paper}`;

  protected save(aid: BenchAid, as: 'svg' | 'dxf'): void {
    const name = aid.title.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    if (as === 'svg') offerFile(aidSvg(aid), 'image/svg+xml', `${name}.svg`);
    else offerFile(aidDxf(aid), 'image/vnd.dxf', `${name}.dxf`);
  }
}
