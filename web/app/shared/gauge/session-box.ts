import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import Papa from 'papaparse';
import { rowsFromSession } from '@odontis/contract/evidence-csv';
import { isAngle, isLength } from '@odontis/core/evidence/reading';
import { Speech } from '../speech/speech';
import { offerFile } from '../ui/offer-file';
import { EvidenceDesk } from '../evidence/evidence-desk';

/** The session that readings go into: before or after, how many are kept, closing and saving it; and those before it. */
@Component({
  selector: 'od-session-box',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, MatButton, MatButtonToggleModule],
  templateUrl: './session-box.html',
  styles: `
    .note {
      display: block;
      margin-top: 8px;
    }
    .tools {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-top: 8px;
    }
    ul {
      margin: 4px 0;
      padding-left: 18px;
    }
    h3 {
      margin: 10px 0 2px;
      font-size: 16px;
    }
  `,
})
export class SessionBox {
  protected readonly sessions = inject(EvidenceDesk);
  protected readonly speech = inject(Speech);
  protected readonly note = signal('');

  protected finish(): void {
    this.sessions.finish(this.note());
    this.note.set('');
  }

  protected readonly holds = computed(() => {
    const session = this.sessions.session();
    return session && { lengths: session.readings.some(isLength), angles: session.readings.some(isAngle) };
  });

  protected readonly simulated = computed(() => this.sessions.readings().filter((r) => r.simulated).length);

  protected save(what: 'lengths' | 'angles'): void {
    const session = this.sessions.session();
    const number = this.sessions.dossier()?.ticket.number ?? 0;
    if (!session) return;
    const rows = rowsFromSession(session)[what];
    offerFile(Papa.unparse(rows), 'text/csv', `ticket-${number}-${what}.csv`);
  }
}
