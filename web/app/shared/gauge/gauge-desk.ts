import { sidesOf } from '@odontis/core/evidence/sides';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { MatFormFieldModule } from '@angular/material/form-field';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { CsvFault } from '@odontis/contract/csv-fault';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import { summariseQuantity, setLimitMm } from '@odontis/core/judgement/quantity-verdict';
import type { LengthGauge } from '@odontis/core/evidence/gauges';
import { GAUGE_ERROR_MM, GAUGE_WORDS, LENGTH_GAUGES } from '@odontis/core/evidence/gauges';
import { endsOf, theEnd } from '@odontis/core/saw/ends';
import { QUANTITY_FACTS } from '@odontis/core/evidence/quantities';
import { awayFromWeld } from '@odontis/core/band/away-from-weld';
import { teethOf } from '@odontis/core/saw/saw';
import { sampleAdvice, sampleEstimate } from '@odontis/core/evidence/sample-plan';
import { parseLength } from '@odontis/core/units/length';
import { standInValue } from '../indicator/stand-in-indicator';
import { tone } from '../indicator/tone';
import { readCsv } from '../evidence/csv-file';
import { EvidenceDesk } from '../evidence/evidence-desk';
import { CsvOpen } from '../evidence/csv-open';
import { Speech } from '../speech/speech';
import { Notice } from '../ui/notice';
import { doubtSays, meantSays } from '../words/doubt-words';
import type { Asked } from './gauge-keeper';
import { GaugeKeeper } from './gauge-keeper';
import { GaugeFacts } from './gauge-facts';
import type { Sampling } from './gauge-facts';
import { GaugeLane } from './gauge-lane';
import type { Pressed } from './indicator-bar';
import { IndicatorBar } from './indicator-bar';
import { SessionBox } from './session-box';

/** Any saw measured place by place: keyed, pressed on an indicator, sampled or out of a file. */
@Component({
  selector: 'od-gauge-desk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatInput,
    MatFormFieldModule,
    MatSelectModule,
    MatButton,
    MatButtonToggleModule,
    CsvOpen,
    Notice,
    GaugeLane,
    GaugeFacts,
    IndicatorBar,
    SessionBox,
  ],
  templateUrl: './gauge-desk.html',
  styleUrl: './desk.scss',
})
export class GaugeDesk {
  protected readonly keeper = inject(GaugeKeeper);
  private readonly sessions = inject(EvidenceDesk);
  protected readonly speech = inject(Speech);
  private readonly entry = viewChild<ElementRef<HTMLInputElement>>('entry');
  protected readonly facts = QUANTITY_FACTS;
  protected readonly gauges = LENGTH_GAUGES.filter((gauge) => gauge !== 'scan' && gauge !== 'photograph');
  protected readonly gaugeWords = GAUGE_WORDS;
  protected readonly typed = signal('');
  protected readonly slip = signal('');
  protected readonly said = signal('');
  protected readonly csvFaults = signal<readonly CsvFault[]>([]);

  protected doubtSays = ({ reading, doubt }: Asked): string => doubtSays(reading.quantity, doubt, this.speech);
  protected meantSays = (meant: NonNullable<Asked['doubt']['meant']>): string => meantSays(meant, this.speech);

  private readonly station = computed(() => QUANTITY_FACTS[this.keeper.quantity()].place === 'station');
  protected readonly round = computed(() => this.keeper.quantity() === 'runout');
  protected readonly placeSays = computed(() => {
    const [place, saw] = [this.keeper.place(), this.keeper.dossier()?.saw];
    if (place === null || !saw) return '';
    if (this.station())
      return `${this.speech.plate(place)} from ${saw.family === 'band' ? 'the weld' : theEnd(endsOf(saw), 'heel')}`;
    const side = this.keeper.quantity() === 'set' ? sidesOf(saw)(place) : null;
    return `${this.keeper.quantity().startsWith('raker') ? 'raker' : 'tooth'} ${place}${side ? `, ${side}` : ''}`;
  });
  protected readonly says = computed(() => {
    const dossier = this.keeper.dossier();
    const { quantity, estimates, places } = this.keeper;
    const [own, habits] = [this.speech.book()?.judgement, this.speech.book()?.habits];
    if (!dossier) return null;
    const { wood } = dossier.ticket;
    const gulletDepths = estimatesOf(this.keeper.readings(), 'gullet-depth', null);
    return summariseQuantity(dossier.saw, quantity(), estimates(), places().length, {
      ...{ wood, own, gulletDepths },
      shareOnLine: habits?.shareOnLine,
      shoesMm: habits?.jointerShoesMm,
      tipDeg: habits?.rakerTipDeg,
    });
  });
  protected readonly sampling = computed<Sampling | null>(() => {
    const dossier = this.keeper.dossier();
    const set = this.keeper.quantity() === 'set';
    if (!dossier || !(set || this.keeper.sampled())) return null;
    // The weld's own place is no sample of a band.
    const band = dossier.saw.family === 'band';
    const teeth = teethOf(dossier.saw);
    const read = band ? awayFromWeld(this.keeper.estimates(), teeth) : this.keeper.estimates();
    const places = band ? teeth - 2 : this.keeper.places().length;
    const estimate = sampleEstimate(
      read.map((e) => e.valueMm),
      Math.max(places, read.length),
    );
    // Only the mean of a set decides something; of anything else the sample tells its mean and error.
    if (!set) return { estimate, decides: null };
    const limitMm = setLimitMm(dossier.saw, dossier.ticket.wood, this.speech.book()?.judgement);
    const advice = sampleAdvice(estimate, limitMm, GAUGE_ERROR_MM[this.keeper.gauge()]);
    return { estimate, decides: { limitMm, advice } };
  });
  protected readonly aim = computed(() => this.says()?.raker?.targetMm ?? this.sampling()?.decides?.limitMm ?? null);
  protected readonly other = computed(() => {
    const session = this.sessions.shownBehind();
    return session ? estimatesOf(session.readings, this.keeper.quantity(), this.keeper.part()) : [];
  });
  protected readonly laneSays = computed(
    () =>
      `${QUANTITY_FACTS[this.keeper.quantity()].name}: ${this.keeper.estimates().length} of ${this.keeper.places().length} places measured.`,
  );
  /** What the saw is measured from. */
  protected readonly from = computed(() => {
    const saw = this.keeper.dossier()?.saw;
    return saw ? theEnd(endsOf(saw), 'heel') : 'the heel';
  });
  /** What the stand-in's spindle touches: this saw's own made-up value where the next reading lands. */
  protected readonly spindle = (): number =>
    standInValue(this.keeper.quantity(), this.keeper.part(), this.keeper.place() ?? 0);

  protected reading(): string {
    const text = this.typed().trim();
    if (text === '') return '';
    const read = parseLength(text, this.unit());
    return read.ok ? this.speech.finer(read.mm) : 'not a length yet';
  }

  private unit(): 'thou' | 'inch' | 'mm' {
    if (this.speech.unit() === 'mm') return 'mm';
    return ['rust', 'pitting'].includes(this.keeper.quantity()) ? 'inch' : 'thou';
  }

  protected keyed(event: Event): void {
    event.preventDefault();
    const text = this.typed().trim();
    this.slip.set('');
    if (text === '') {
      this.keeper.next();
      return;
    }
    const read = parseLength(text, this.unit());
    if (!read.ok) {
      this.slip.set(`"${text}" is not a length. Type a number such as 4, 0.004 in, 1/64 or 0.1 mm.`);
      return;
    }
    this.typed.set('');
    const field = this.entry()?.nativeElement;
    if (field) field.value = '';
    this.land(read.mm, this.keeper.gauge());
  }

  protected pressed({ mm, simulated }: Pressed): void {
    // With a question open the press answers nothing: it is measured again once that is settled.
    if (!this.keeper.asked()) this.land(mm, 'indicator', simulated);
  }

  private land(mm: number, gauge: LengthGauge, simulated = false): void {
    const where = this.placeSays();
    const good = this.keeper.take(mm, gauge, simulated);
    tone(good);
    this.said.set(good ? `${where}: ${this.speech.finer(mm)}` : '');
  }

  protected entryKey(event: KeyboardEvent): void {
    if (event.key === 'ArrowUp') this.keeper.back();
    else if (event.key === 'ArrowDown') this.keeper.next();
    else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') this.keeper.takeBack();
    else return;
    event.preventDefault();
  }

  protected opened(text: string): void {
    const saw = this.keeper.dossier()?.saw;
    if (!saw) return;
    const read = readCsv(text, saw);
    if (!read.ok || read.holds !== 'lengths') {
      const message = 'This file holds no lengths place by place: columns quantity, place and value_mm are wanted.';
      this.csvFaults.set(read.ok ? [{ line: 1, message }] : read.faults);
      return;
    }
    this.csvFaults.set([]);
    const aside = this.keeper.takeAll(read.rows);
    this.said.set(`${read.rows.length} readings taken${aside ? `, ${aside} of them set aside to be looked at` : ''}.`);
  }
}
