import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { AnglePair } from '@odontis/core/file/angle-pair';
import { parseFleam, parseRake } from '@odontis/core/units/angle';
import type { MeasuredAngles } from '@odontis/core/work/tooth-line/angles-of-evidence';
import { Speech } from '../../../shared/speech/speech';
import type { PlanDraft } from '../data/plan-draft';

/** Rake and fleam as they are filed, in this shop's way of saying them, beside those the saw came with. */
@Component({
  selector: 'od-angle-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput],
  template: `
    <div class="pair">
      <mat-form-field
        ><mat-label>Rake</mat-label
        ><input matInput [value]="speech.rakeTyped(angles().rakeDeg)" #rake (change)="typeRake(rake.value)"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>Fleam</mat-label
        ><input matInput [value]="speech.fleamTyped(angles().fleamDeg)" #fleam (change)="typeFleam(fleam.value)"
      /></mat-form-field>
    </div>
    @if (measured(); as m) {
      <p class="quiet">
        {{ came() }}
        @if (m.match) {
          @if (matches()) {
            The plan matches it.
          } @else {
            <button type="button" class="link" (click)="match(m)">Match what the saw has</button>
          }
        }
      </p>
    }
  `,
  styleUrl: './plan-part.scss',
})
export class AngleChoice {
  protected readonly speech = inject(Speech);
  readonly angles = input.required<AnglePair>();
  /** As the saw came; null where no face was read. */
  readonly measured = input.required<MeasuredAngles | null>();
  /** A pull saw's: its back is chosen beside them. */
  readonly pull = input.required<boolean>();
  readonly chose = output<Partial<PlanDraft>>();
  /** What was typed is no such angle, in a sentence; null where it is. */
  readonly slipped = output<string | null>();

  protected readonly came = computed(() => {
    const m = this.measured();
    if (!m) return '';
    const { rakeDeg, fleamDeg } = m;
    const fleam = fleamDeg
      ? `, ${this.speech.bothFleams(fleamDeg.value)} ± ${fleamDeg.error.toFixed(1)}°`
      : '; its fleam was not read';
    return `This saw came with ${this.speech.rake(rakeDeg.value)} ± ${rakeDeg.error.toFixed(1)}°${fleam}.`;
  });
  protected readonly matches = computed(() => {
    const [match, angles] = [this.measured()?.match, this.angles()];
    return match?.rakeDeg === angles.rakeDeg && match.fleamDeg === angles.fleamDeg;
  });

  protected match({ match, backDeg }: MeasuredAngles): void {
    if (match) this.chose.emit({ ...match, ...(this.pull() && { backDeg }), depthMm: null });
  }

  protected typeRake(text: string): void {
    const read = parseRake(text, this.speech.speech().rakeSpeech);
    this.slipped.emit(
      read.ok ? null : `"${text}" is not a rake a file can leave. Type degrees, such as ${this.speech.rakeTyped(-12)}.`,
    );
    if (read.ok) this.chose.emit({ rakeDeg: read.deg, depthMm: null });
  }

  protected typeFleam(text: string): void {
    const read = parseFleam(text, this.speech.speech().fleamSpeech);
    this.slipped.emit(
      read.ok ? null : `"${text}" is not a fleam. Type degrees off square such as 20, or 70 to the plate.`,
    );
    if (read.ok) this.chose.emit({ fleamDeg: read.deg, depthMm: null });
  }
}
