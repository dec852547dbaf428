import { MatInput } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import type { CsvFault } from '@odontis/contract/csv-fault';
import type { ReadingFault } from '@odontis/core/evidence/reading-faults';
import { parseLength } from '@odontis/core/units/length';
import { Speech } from '../speech/speech';
import { Notice } from '../ui/notice';
import { faultSays } from '../words/fault-words';
import { readCsv, saveLine } from './csv-file';
import { CsvOpen } from './csv-open';
import type { Column, LineDesk } from './line-desk';

const COLUMNS: readonly { id: Column; name: string; asks: string }[] = [
  { id: 'gap', name: 'gap', asks: 'gap under the straight edge' },
  { id: 'height', name: 'height', asks: 'height over the straight edge' },
  { id: 'set', name: 'set', asks: 'set to its side' },
  { id: 'place', name: 'place', asks: 'place from the heel' },
];

/** Keyed entry tooth by tooth, paste or file, the list of teeth, and what the line says at a glance. */
@Component({
  selector: 'od-reading-desk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatFormFieldModule,
    MatInput,
    CsvOpen,
    CdkVirtualScrollViewport,
    CdkFixedSizeVirtualScroll,
    CdkVirtualForOf,
    MatButton,
    MatButtonToggleModule,
    Notice,
  ],
  templateUrl: './reading-desk.html',
  styleUrl: './reading-desk.scss',
  host: { '(document:keydown)': 'shortcut($event)', '(paste)': 'pasted($event)' },
})
export class ReadingDesk {
  protected readonly speech = inject(Speech);
  readonly sheet = input.required<LineDesk>();
  readonly fileName = input.required<string>();
  readonly show = output<number>();
  private readonly entry = viewChild.required<ElementRef<HTMLInputElement>>('entry');
  private readonly list = viewChild.required(CdkVirtualScrollViewport);
  protected readonly columns = COLUMNS;
  protected readonly typed = signal('');
  protected readonly slip = signal<string | null>(null);
  protected readonly csvFaults = signal<readonly CsvFault[]>([]);
  private readonly atBroken = computed(() => this.sheet().readings()[this.sheet().cursor()]?.kind === 'broken');
  protected readonly asks = computed(() => {
    const asks = COLUMNS.find((c) => c.id === this.sheet().column())?.asks ?? '';
    return this.atBroken() ? `broken: ${asks}` : asks;
  });
  protected readonly says = (fault: ReadingFault): string => faultSays(fault, this.speech);
  protected readonly faulty = computed(
    () =>
      new Set(
        this.sheet()
          .faults()
          .map((f) => f.tooth),
      ),
  );

  /** What is being typed, as it will be taken. */
  protected readonly reading = computed(() => {
    const text = this.typed().trim();
    if (text === '') return '';
    if (text === 'b') return 'broken tooth; then how low it stands';
    if (text === 'm') return 'missing tooth';
    const read = parseLength(text, this.unit());
    return read.ok
      ? this.sheet().column() === 'place'
        ? this.speech.plate(read.mm)
        : this.speech.fine(read.mm)
      : 'not a length yet';
  });

  constructor() {
    effect(() => {
      const at = this.sheet().cursor();
      this.list().scrollToIndex(Math.max(0, at - 3));
    });
  }

  private unit(): 'thou' | 'inch' | 'mm' {
    if (this.speech.unit() === 'mm') return 'mm';
    return this.sheet().column() === 'place' ? 'inch' : 'thou';
  }

  protected keyed(event: Event): void {
    event.preventDefault();
    const text = this.typed().trim();
    const sheet = this.sheet();
    this.slip.set(null);
    if (text === '') {
      if (this.atBroken()) sheet.goTo(sheet.cursor() + 1);
      return;
    }
    if (text === 'b') sheet.mark('broken');
    else if (text === 'm') sheet.mark('missing');
    else {
      const read = parseLength(text, this.unit());
      if (!read.ok) {
        this.slip.set(
          `"${text}" is not a length. Type a number such as 4, 0.004, 1/64 or 0.1 mm; b for broken, m for missing.`,
        );
        return;
      }
      sheet.key(read.mm);
    }
    this.typed.set('');
    // At once, not at the next redraw: a fast hand is already typing the next value.
    this.entry().nativeElement.value = '';
    this.show.emit(sheet.cursor());
  }

  protected entryKey(event: KeyboardEvent): void {
    if (event.key === 'ArrowUp' || (event.key === 'Backspace' && this.typed() === '')) this.sheet().back();
    else if (event.key === 'ArrowDown') this.sheet().goTo(this.sheet().cursor() + 1);
    else return;
    event.preventDefault();
    this.show.emit(this.sheet().cursor() + 1);
  }

  protected shortcut(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey)) return;
    if (event.key.toLowerCase() === 'z' && !event.shiftKey) this.sheet().undo();
    else if (event.key.toLowerCase() === 'y' || (event.key.toLowerCase() === 'z' && event.shiftKey))
      this.sheet().redo();
    else return;
    event.preventDefault();
  }

  protected column(id: Column): void {
    this.sheet().chooseColumn(id);
    this.sheet().goTo(0);
    this.entry().nativeElement.focus();
  }

  protected goTo(index: number): void {
    this.sheet().goTo(index);
    this.show.emit(index + 1);
    this.entry().nativeElement.focus();
  }

  protected pasted(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text') ?? '';
    if (!text.includes('\n')) return;
    event.preventDefault();
    this.take(text);
  }

  protected take(text: string): void {
    const saw = this.sheet().saw();
    if (!saw) return;
    const read = readCsv(text, saw);
    const holdsLine = read.ok && read.holds === 'line';
    this.csvFaults.set(
      read.ok
        ? holdsLine
          ? []
          : [{ line: 1, message: `This file holds ${read.holds}: open it under Gauge and indicator, or Angles.` }]
        : read.faults,
    );
    if (holdsLine) this.sheet().takeLine(read);
  }

  protected save(): void {
    saveLine(this.sheet().readings(), this.fileName());
  }
}
