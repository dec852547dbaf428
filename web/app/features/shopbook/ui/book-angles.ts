import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { ShopBook } from '@odontis/contract/shop';
import { parseFleam, parseRake } from '@odontis/core/units/angle';
import { USUAL_CUTTERS, USUAL_PULL } from '@odontis/core/work/habits';
import { Speech } from '../../../shared/speech/speech';

type Angles = ShopBook['habits']['angles'];

const ROWS: readonly (readonly [row: keyof Angles, name: string])[] = [
  ['rip', 'Rip'],
  ['crosscutFine', 'Crosscut, back saws'],
  ['crosscutHand', 'Crosscut, hand saws'],
  ['cutters', 'Cutters, half the point and bevel'],
  ['pull', 'Pull saws, face and board'],
];

/** Rake and fleam by use, in this shop's way of saying them. */
@Component({
  selector: 'od-book-angles',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput],
  template: `
    <table class="plain">
      <tr>
        <th scope="col">Filing</th>
        <th scope="col">Rake</th>
        <th scope="col">Fleam</th>
      </tr>
      @for (row of rows(); track row.id) {
        <tr>
          <th scope="row">{{ row.name }}</th>
          @for (one of row.angles; track one.which) {
            <td>
              <mat-form-field class="cell-field"
                ><input
                  matInput
                  #typed
                  [attr.aria-label]="row.name + one.called"
                  [value]="one.says"
                  (change)="read(row.id, one.which, typed.value)"
              /></mat-form-field>
            </td>
          }
        </tr>
      }
    </table>
  `,
  styleUrl: './shopbook-part.scss',
})
export class BookAngles {
  private readonly speech = inject(Speech);
  readonly angles = input.required<Angles>();
  readonly changed = output<Angles>();
  /** What was typed is no angle, in a sentence. */
  readonly slipped = output<string>();

  protected readonly rows = computed(() =>
    ROWS.map(([id, name]) => {
      const { rakeDeg, fleamDeg } = this.pair(id);
      return {
        ...{ id, name },
        angles: [
          { which: 'rakeDeg' as const, called: ' rake', says: this.speech.rakeTyped(rakeDeg) },
          { which: 'fleamDeg' as const, called: ' fleam', says: this.speech.fleamTyped(fleamDeg) },
        ],
      };
    }),
  );

  /** Cutters and pull saws are filed to the trade's usual where the shop has not said otherwise. */
  private pair(row: keyof Angles) {
    return this.angles()[row] ?? (row === 'pull' ? USUAL_PULL : USUAL_CUTTERS);
  }

  protected read(row: keyof Angles, which: 'rakeDeg' | 'fleamDeg', text: string): void {
    const { rakeSpeech, fleamSpeech } = this.speech.speech();
    const read = which === 'rakeDeg' ? parseRake(text, rakeSpeech) : parseFleam(text, fleamSpeech);
    if (read.ok) this.changed.emit({ ...this.angles(), [row]: { ...this.pair(row), [which]: read.deg } });
    else this.slipped.emit(`"${text}" is not an angle a file can leave.`);
  }
}
