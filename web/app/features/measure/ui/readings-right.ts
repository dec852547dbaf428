import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import { GAUGE_WORDS } from '@odontis/core/evidence/gauges';
import type { LengthGauge } from '@odontis/core/evidence/gauges';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import { QUANTITY_FACTS } from '@odontis/core/evidence/quantities';
import type { Reading } from '@odontis/core/evidence/reading';
import { isLength } from '@odontis/core/evidence/reading';
import type { SessionKind } from '@odontis/core/evidence/session';
import { parseLength } from '@odontis/core/units/length';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Speech } from '../../../shared/speech/speech';
import { doorFeature } from '../../../shared/state/door.feature';
import { selectRequest, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Notice } from '../../../shared/ui/notice';
import type { Change } from '../data/readings-right';
import { corrected, readingsAt } from '../data/readings-right';

const WORD_QUANTITIES: Readonly<Record<string, string>> = {
  kind: 'Tooth stands, is broken or missing',
  lean: 'Side it leans to',
  note: 'Note',
  angles: 'Angles',
};
const nameOf = (quantity: Reading['quantity']): string =>
  WORD_QUANTITIES[quantity] ?? QUANTITY_FACTS[quantity as LengthQuantity].name;

/** Readings put right, or taken out, after an order was accepted on them: one or many, by whom and why. */
@Component({
  selector: 'od-readings-right',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, MatSelectModule, Notice],
  templateUrl: './readings-right.html',
  styles: `
    :host {
      display: block;
      padding: 10px 16px;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      align-items: center;
    }
    .few {
      width: 130px;
    }
    .why {
      flex: 1 1 220px;
      max-width: 420px;
    }
    p,
    h2 {
      margin: 6px 0;
    }
    ul {
      margin: 4px 0;
      padding-left: 20px;
    }
  `,
})
export class ReadingsRight {
  private readonly store = inject(Store);
  private readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  readonly dossier = input.required<Dossier>();
  protected readonly request = this.store.selectSignal(selectRequest('evidence'));
  private readonly sitting = this.store.selectSignal(doorFeature.selectSittingKey);

  /** What was read of it, by when and what, each once. */
  protected readonly choices = computed(() => {
    const seen = new Map<
      string,
      { id: string; kind: SessionKind; quantity: Reading['quantity']; part: string | null; says: string }
    >();
    for (const { kind, readings } of this.dossier().sessions)
      for (const { quantity, part } of readings) {
        const id = `${kind} ${quantity} ${part ?? ''}`;
        if (!seen.has(id))
          seen.set(id, {
            id,
            kind,
            quantity,
            part,
            says: [nameOf(quantity), part ?? '', kind === 'after' ? 'after the work' : '']
              .filter((w) => w !== '')
              .join(', '),
          });
      }
    return [...seen.values()];
  });
  protected readonly chosen = signal<string | null>(null);
  private readonly choice = computed(() => this.choices().find((one) => one.id === this.chosen()) ?? null);
  protected readonly length = computed(() => {
    const choice = this.choice();
    return choice !== null && WORD_QUANTITIES[choice.quantity] === undefined;
  });
  protected readonly from = signal('');
  protected readonly to = signal('');
  protected readonly way = signal<Change['way'] | null>(null);
  protected readonly value = signal('');
  protected readonly why = signal('');
  /** How many corrections there were when these were sent: more of them, and the fields are cleared. */
  private readonly count = computed(() => this.dossier().reasons.length);
  protected readonly fault = linkedSignal<number, string>({ source: this.count, computation: () => '' });

  constructor() {
    effect(() => {
      const tooth = this.sheet.picked();
      if (tooth !== null) untracked(() => this.from.set(String(tooth)));
    });
    let before = Infinity;
    effect(() => {
      const now = this.count();
      if (now > before)
        untracked(() => {
          for (const field of [this.from, this.to, this.value]) field.set('');
          this.way.set(null);
        });
      before = now;
    });
  }

  private readonly wanted = computed(() => {
    const choice = this.choice();
    const from = Number(this.from().trim().replace(',', '.') || NaN);
    const to = this.to().trim() === '' ? from : Number(this.to().trim().replace(',', '.'));
    return choice && Number.isFinite(from) && Number.isFinite(to) && to >= from ? { ...choice, from, to } : null;
  });
  protected readonly found = computed(() => {
    const wanted = this.wanted();
    return wanted ? readingsAt(this.dossier().sessions, wanted) : [];
  });
  /** What counts there now; of many, how many. */
  protected readonly stands = computed(() => {
    const found = this.found();
    if (this.wanted() === null) return '';
    if (found.length === 0) return 'Nothing counts there: nobody read it, or it was taken out.';
    if (found.length > 3) return `${found.length} readings count there.`;
    return found
      .map(({ reading: r }) => {
        const read = isLength(r) ? this.speech.finer(r.value) : typeof r.value === 'string' ? r.value : 'angles';
        return `${read}, ${GAUGE_WORDS[r.gauge as LengthGauge] ?? r.gauge}, ${r.by}, ${this.speech.day(r.at)}`;
      })
      .join('; ');
  });
  protected readonly history = computed(() => {
    const reasons = new Map(this.dossier().reasons.map(({ key, why }) => [key, why]));
    const all = this.dossier().sessions.flatMap((one) => one.readings);
    const known = new Map(all.map((r) => [r.key, r]));
    return all
      .filter((r) => reasons.has(r.key))
      .map((r) => {
        const old = r.corrects === null ? undefined : known.get(r.corrects);
        const said = (one: typeof r | undefined): string =>
          one && isLength(one) ? this.speech.finer(one.value) : 'it';
        const what = r.setAside ? `${said(old)} taken out` : `${said(old)} before, ${said(r)} now`;
        return `${nameOf(r.quantity)} at ${r.place}: ${what}, ${r.by}, ${this.speech.day(r.at)} (${reasons.get(r.key) ?? ''})`;
      })
      .toReversed();
  });

  protected keep(): void {
    const [found, way, why] = [this.found(), this.way(), this.why().trim()];
    const read = parseLength(this.value(), this.speech.unit());
    const change: Change | null = way === 'out' ? { way } : way && read.ok ? { way, mm: read.mm } : null;
    const fault =
      this.choice() === null
        ? 'Say what was read wrongly.'
        : this.wanted() === null
          ? 'Say at which tooth or place, and to which where it is many.'
          : found.length === 0
            ? 'Nothing counts there: there is nothing to put right.'
            : way === null
              ? 'Say whether it is another value, by how much they differ, or whether it is taken out.'
              : change === null
                ? `“${this.value()}” is no length in ${this.speech.unit()}.`
                : why === ''
                  ? 'Write why: an order may stand on it.'
                  : new Set(found.map(({ session }) => session.key)).size > 1
                    ? 'These were read in more than one session: put them right place by place.'
                    : '';
    this.fault.set(fault);
    const session = found[0]?.session;
    if (fault !== '' || !change || !session) return;
    const readings = found.map(({ reading }) => corrected(reading, change, crypto.randomUUID()));
    const { seen, ticket } = this.dossier();
    this.store.dispatch(
      TicketPageEvents.evidenceTaken({
        id: ticket.id,
        evidence: { session: { key: session.key, kind: session.kind }, seen, why, readings },
        sitting: this.sitting(),
      }),
    );
    // Why readings were put right comes with the ticket.
    this.sent.set(true);
  }
  private readonly sent = signal(false);
  private readonly readAgain = effect(() => {
    const { busy, refusal } = this.request();
    if (!this.sent() || busy) return;
    untracked(() => {
      this.sent.set(false);
      if (!refusal) this.store.dispatch(TicketPageEvents.readAnew({ id: this.dossier().ticket.id, refused: [] }));
    });
  });
}
