import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import type { Person, PersonChange } from '@odontis/contract/people';
import { ROLES } from '@odontis/contract/roles';
import { handOf } from '@odontis/core/calibration/hand';
import { Store } from '@ngrx/store';
import { shopFeature } from '../../../shared/state/shop.feature';
import { CalibrateForm } from '../../../shared/hand/calibrate-form';
import { Speech } from '../../../shared/speech/speech';
import { ROLE_WORDS } from '../../../shared/words/role-words';

/** Somebody of the shop: what they do there, how they are let in, and what is known of their hand. */
@Component({
  selector: 'od-person-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatSelectModule, CalibrateForm],
  template: `
    @let one = person();
    <h3>
      {{ one.name }} <span class="quiet">{{ one.initials }}</span>
    </h3>
    <p class="quiet">{{ letInBy() }}</p>
    @if (asOwner() && !isOwn()) {
      <div class="row">
        <mat-form-field
          ><mat-label>Does here</mat-label>
          <mat-select [value]="one.role" (selectionChange)="change({ role: $event.value })">
            @for (role of roles; track role) {
              <mat-option [value]="role">{{ roleWords[role] }}</mat-option>
            }
          </mat-select></mat-form-field
        >
        <button matButton="outlined" type="button" (click)="change({ here: !one.here })">
          {{ one.here ? 'Has left' : 'Is back' }}
        </button>
        <ng-content />
      </div>
    }
    <ul>
      @for (line of handLines(); track line) {
        <li>{{ line }}</li>
      }
    </ul>
    <od-calibrate-form [person]="one" />
  `,
  styles: `
    :host {
      display: block;
      border-top: 1px solid var(--rule);
      padding: 10px 0;
    }
    h3 {
      margin: 0;
    }
    p,
    ul {
      margin: 4px 0 8px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
    }
    mat-form-field {
      width: 150px;
    }
  `,
})
export class PersonCard {
  readonly person = input.required<Person>();
  /** Whether it is who sits here, and whether they are an owner. */
  readonly isOwn = input(false);
  readonly asOwner = input(false);
  readonly changed = output<PersonChange>();
  private readonly speech = inject(Speech);
  private readonly learned = inject(Store).selectSignal(shopFeature.selectLearned);
  protected readonly roles = ROLES;
  protected readonly roleWords = ROLE_WORDS;

  protected readonly letInBy = computed(() => {
    const { role, here, hasPassword, hasCode } = this.person();
    if (!here) return `was ${ROLE_WORDS[role]} here, let in no more`;
    const by = hasPassword ? (hasCode ? 'password and code' : 'password') : 'no password yet';
    return `${ROLE_WORDS[role]} · ${by}`;
  });

  protected change(told: Partial<PersonChange>): void {
    const { name, initials, role, here } = this.person();
    this.changed.emit({ name, initials, role, here, ...told });
  }

  /** What is known of the hand, a line each. */
  protected readonly handLines = computed(() => {
    const learned = this.learned();
    const { strokeRateOf, files, stoning, setTools } = handOf(this.person().calibrations, learned);
    const unread = (shops: boolean): string =>
      `${shops ? 'as this shop has learned' : 'the trade’s usual'}, nothing measured yet`;
    const rate = (mm: number, error: number, of: string, readings: number, shops: boolean): string =>
      `${this.speech.finer(mm)} ± ${this.speech.finer(error)} a ${of}, ${readings === 0 ? unread(shops) : `from ${readings}`}`;
    return [
      ...[null, ...files].map((file) => {
        const { rateMmPerStroke, errorMmPerStroke, readings } = strokeRateOf(file);
        return rate(
          rateMmPerStroke,
          errorMmPerStroke,
          file === null ? 'stroke' : `stroke of the ${file}`,
          readings,
          learned.strokes !== null,
        );
      }),
      rate(stoning.rate, stoning.error, 'pass of the stone', stoning.readings, learned.stone !== null),
      ...setTools.map((tool) => `set tool “${tool.name}”, read ${tool.readings} times`),
    ];
  });
}
