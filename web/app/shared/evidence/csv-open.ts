import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { CsvFault } from '@odontis/contract/csv-fault';
import { Notice } from '../ui/notice';

/** Larger files than this hold no readings of one saw, bytes. */
const MOST_BYTES = 20_000_000;
const MOST_NAMED = 8;

/** A button that opens a CSV, and what was wrong with the one that nothing was taken from. */
@Component({
  selector: 'od-csv-open',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice],
  template: `
    <div class="tools">
      <label class="file"
        >Open a CSV<input type="file" accept=".csv,text/csv,text/plain" (change)="opened($event)"
      /></label>
      <ng-content />
    </div>
    @if (told().length > 0) {
      <od-notice weight="stop">
        Nothing was taken from that file.
        <ul>
          @for (fault of told().slice(0, most); track $index) {
            <li>Line {{ fault.line }}: {{ fault.message }}</li>
          }
        </ul>
        @if (told().length > most) {
          and {{ told().length - most }} more
        }
      </od-notice>
    }
  `,
  styles: `
    .tools {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      align-items: center;
      margin-top: 8px;
    }
    ul {
      margin: 4px 0;
      padding-left: 18px;
    }
  `,
})
export class CsvOpen {
  readonly faults = input.required<readonly CsvFault[]>();
  /** The file's whole text. */
  readonly text = output<string>();
  protected readonly most = MOST_NAMED;
  private readonly tooLarge = signal(false);
  protected readonly told = computed<readonly CsvFault[]>(() =>
    this.tooLarge()
      ? [{ line: 1, message: 'The file is over 20 MB: that holds no readings of one saw.' }]
      : this.faults(),
  );

  protected async opened(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    this.tooLarge.set(file.size > MOST_BYTES);
    if (file.size <= MOST_BYTES) this.text.emit(await file.text());
  }
}
