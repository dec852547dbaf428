import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { parsePattern, patternFrom } from '@odontis/core/saw/tooth-pattern';

/** How many teeth of a line are spelt out before it goes on alike. */
const SPELT = 12;

/** One group of cutters and rakers drawn; tapped is the tooth the line begins with, as first groups are often short. */
@Component({
  selector: 'od-pattern-taps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule],
  template: `
    @if (letters(); as group) {
      <span id="od-begins">The line begins with</span>
      <mat-button-toggle-group
        hideSingleSelectionIndicator
        aria-labelledby="od-begins"
        [value]="offset()"
        (change)="begun.emit($event.value)"
      >
        @for (role of group; track $index) {
          <mat-button-toggle [value]="$index" [aria-label]="names()[$index] ?? ''">
            <svg viewBox="0 0 24 26" width="24" height="26" aria-hidden="true">
              @if (role === 'cutter') {
                <path d="M2 25 L12 2 L22 25 Z" />
              } @else {
                <path d="M3 25 L3 7 L8 7 L12 17 L16 7 L21 7 L21 25 Z" />
              }
            </svg>
          </mat-button-toggle>
        }
      </mat-button-toggle-group>
      <span class="quiet">{{ says() }}</span>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      align-items: center;
      flex-basis: 100%;
    }
    :host:empty {
      display: none;
    }
    svg {
      display: block;
      margin: 6px 0;
      fill: var(--plate);
      stroke: var(--text);
      stroke-width: 1.5;
    }
  `,
})
export class PatternTaps {
  /** As it was typed: shown once it is a pattern with rakers in it. */
  readonly pattern = input.required<string>();
  readonly offset = input(0);
  /** Teeth of the line, where they are known. */
  readonly teeth = input<number | null>(null);
  readonly begun = output<number>();

  protected readonly letters = computed(() => {
    const read = parsePattern(this.pattern());
    return read.ok && read.roles.includes('raker') ? read.roles : null;
  });
  protected readonly names = computed(() => {
    let cutters = 0;
    return (this.letters() ?? []).map((role) => (role === 'raker' ? 'the raker' : `cutter ${++cutters} of its group`));
  });
  /** How the line then reads, and what is left for its last group. */
  protected readonly says = computed(() => {
    const group = (this.letters() ?? []).map((role) => (role === 'raker' ? 'R' : 'C')).join('');
    if (group === '') return '';
    const begins = patternFrom(group, this.offset()).repeat(SPELT).slice(0, SPELT);
    const teeth = this.teeth();
    const rest = teeth === null ? 0 : (this.offset() + teeth) % group.length;
    return `${begins} …${rest > 0 ? ` The last group has ${rest} of ${group.length}.` : ''}`;
  });
}
