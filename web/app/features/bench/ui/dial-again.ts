import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { Store } from '@ngrx/store';
import type { Further } from '@odontis/core/circular/further-strokes';
import { furtherStrokes } from '@odontis/core/circular/further-strokes';
import { standing } from '@odontis/core/evidence/estimates';
import type { LengthReading } from '@odontis/core/evidence/reading';
import { isLength } from '@odontis/core/evidence/reading';
import { parseLength } from '@odontis/core/units/length';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { IndicatorBar } from '../../../shared/gauge/indicator-bar';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { Notice } from '../../../shared/ui/notice';
import type { DialStop } from '../state/dial-keeper';

/** The dial read again between strokes: how many more, or enough. Kept as measured after the work: the check asks for none of it again. */
@Component({
  selector: 'od-dial-again',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, IndicatorBar, Notice],
  template: `
    <mat-form-field
      ><mat-label>The dial now, tooth {{ stop().tooth }}</mat-label
      ><input matInput #field autocomplete="off" (keydown.enter)="typed(field)"
    /></mat-form-field>
    <od-indicator-bar [spindle]="spindle" [byKey]="false" (pressed)="take($event.mm, $event.simulated)" />
    @if (slip(); as text) {
      <od-notice weight="stop">{{ text }}</od-notice>
    }
    @if (says(); as text) {
      <p class="says" role="status">{{ text }}</p>
    }
  `,
  styles: `
    mat-form-field {
      width: min(260px, 100%);
    }
    .says {
      font-size: 24px;
      font-weight: 600;
      margin: 0 0 6px;
    }
  `,
})
export class DialAgain {
  private readonly desk = inject(EvidenceDesk);
  private readonly speech = inject(Speech);
  private readonly hand = inject(Store).selectSignal(shopFeature.selectHand);
  readonly stop = input.required<DialStop>();
  /** What the last reading of this tooth says; null before there is one. */
  readonly found = output<Further | null>();
  protected readonly slip = signal<string | null>(null);

  private readonly last = computed<LengthReading | null>(() => {
    const { part, tooth } = this.stop();
    const here = standing(this.desk.readings())
      .filter(isLength)
      .filter((r) => r.quantity === 'chipper-height' && r.part === part && r.place === tooth);
    return here.at(-1) ?? null;
  });
  private readonly rate = computed(() => this.hand().strokeRateOf(this.stop().tool));
  private readonly further = computed(() => {
    const last = this.last();
    return last && furtherStrokes(last.value, this.stop().aimMm, this.rate());
  });
  protected readonly says = computed(() => {
    const [further, last] = [this.further(), this.last()];
    if (!further || !last) return null;
    const read = `${this.speech.fine(last.value)} on the dial: `;
    switch (further.finds) {
      case 'more':
        return `${read}${further.strokes} ${further.strokes === 1 ? 'stroke' : 'strokes'} more, then read again.`;
      case 'there':
        return `${read}enough, another stroke could take it under. Next.`;
      case 'under':
        return `${read}${this.speech.fine(further.byMm)} under its aim. Leave it; no other comes down to it.`;
    }
  });
  /** What the stand-in's spindle touches: the tooth as last known, less what this hand's strokes take. */
  protected readonly spindle = (): number => {
    const [{ beforeMm, aimMm, strokes }, further, last] = [this.stop(), this.further(), this.last()];
    const done = further === null ? strokes : further.finds === 'more' ? further.strokes : 0;
    return (last?.value ?? beforeMm ?? aimMm) - done * this.rate().rateMmPerStroke;
  };

  constructor() {
    this.desk.chooseKind('after');
    effect(() => {
      const further = this.further();
      untracked(() => this.found.emit(further));
    });
  }

  protected typed(field: HTMLInputElement): void {
    const text = field.value.trim();
    if (text === '') return;
    const read = parseLength(text, this.speech.unit());
    this.slip.set(
      read.ok ? null : `“${text}” is no dial reading: type it as it stands, such as ${this.speech.fine(-0.4)}.`,
    );
    if (!read.ok) return;
    field.value = '';
    // The space bar is the bench's again.
    field.blur();
    this.take(read.mm, false);
  }

  /** A later reading of the same tooth stands in for the earlier: metal went in between. */
  protected take(value: number, simulated: boolean): void {
    const { part, tooth } = this.stop();
    this.desk.take([
      {
        ...{ key: crypto.randomUUID(), quantity: 'chipper-height', part, place: tooth, value, gauge: 'indicator' },
        ...{ setAside: false, corrects: this.last()?.key ?? null, simulated },
      },
    ]);
  }
}
