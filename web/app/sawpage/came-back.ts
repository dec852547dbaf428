import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { LastCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { setOf } from '@odontis/core/evidence/set-of';
import { sidesOf } from '@odontis/core/evidence/sides';
import { recall, remember } from '../shared/api/remembered';
import { Speech } from '../shared/speech/speech';

const FOLDED = 'cameBackFolded';

/** A saw that comes back complaining, beside its last check: what was told then, what is measured now. */
@Component({
  selector: 'od-came-back',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details [open]="!folded" (toggle)="fold($event)">
      <summary>It came back</summary>
      <table class="plain">
        <thead>
          <tr>
            <td></td>
            <th scope="col">when it was checked, {{ when() }}</th>
            <th scope="col">now</th>
          </tr>
        </thead>
        @for (row of rows(); track row.name) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td>{{ row.then }}</td>
            <td>{{ row.now }}</td>
          </tr>
        }
      </table>
    </details>
  `,
  styles: `
    :host {
      display: block;
      padding: 8px 16px;
      border-bottom: 1px solid var(--rule);
    }
    summary {
      font-weight: 600;
      cursor: pointer;
    }
    table {
      width: auto;
    }
    th,
    td {
      white-space: normal;
    }
    th[scope='col'] {
      text-align: left;
    }
  `,
})
export class CameBack {
  readonly dossier = input.required<Dossier>();
  readonly last = input.required<LastCheck>();
  private readonly speech = inject(Speech);
  /** Folded away once, it stays so. */
  protected readonly folded = recall(FOLDED) === 'yes';

  protected fold(event: Event): void {
    remember(FOLDED, event.target instanceof HTMLDetailsElement && !event.target.open ? 'yes' : 'no');
  }

  protected readonly when = computed(() => {
    const { closedAt, number, rounds } = this.last();
    return `${this.speech.fullDay(closedAt ?? rounds.at(-1)?.at ?? '')}, no. ${number}`;
  });

  /** The cut it went home with, of every edge that was cut. */
  protected readonly rows = computed(() => {
    const { rounds, note } = this.last();
    const { ticket, sessions, saw } = this.dossier();
    const edges = [...new Set(rounds.map((round) => round.edge))];
    const fine = this.speech.fine;
    const sets = edges.flatMap((edge) => {
      const round = rounds.findLast((one) => one.edge === edge && one.setLeftMm !== null && one.setRightMm !== null);
      const now = setOf(sessions, 'before', sidesOf(saw), edge);
      const read = now !== null && now.left.count > 0 && now.right.count > 0;
      if (!round && !read) return [];
      return [
        {
          name: edge ? `Set, ${edge} edge` : 'Set',
          then: round ? `left ${fine(round.setLeftMm ?? 0)}, right ${fine(round.setRightMm ?? 0)}` : 'not measured',
          now: read ? `left ${fine(now.left.meanMm)}, right ${fine(now.right.meanMm)}` : 'not measured yet',
        },
      ];
    });
    const cut = rounds.at(-1);
    const off = cut && cut.offLineMm !== null && cut.overMm !== null ? cut : null;
    return [
      { name: 'The cut', then: cut ? this.cutSays(cut) : '', now: ticket.complaint },
      ...sets,
      ...(off
        ? [
            {
              name: 'Off its line',
              then: `${fine(Math.abs(off.offLineMm ?? 0))} over ${this.speech.long(off.overMm ?? 0)}`,
              now: 'to be cut again',
            },
          ]
        : []),
      ...(note === '' ? [] : [{ name: 'Told then', then: note, now: '' }]),
    ];
  });

  private cutSays({ runs, binds, chatters, verdict }: LastCheck['rounds'][number]): string {
    const said = [
      runs === 'true' ? 'ran true' : `ran to the ${runs}`,
      binds ? 'bound' : 'did not bind',
      chatters ? 'jumped' : 'did not jump',
    ].join(', ');
    return verdict === 'pass' ? `passed: ${said}` : said;
  }
}
