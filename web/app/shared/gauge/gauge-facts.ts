import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { SPREAD_SAYS } from '../words/spread-words';
import type { QuantitySummary } from '@odontis/core/judgement/quantity-verdict';
import { RAKER_OFF_MM } from '@odontis/core/raker/raker-target';
import type { SampleAdvice, SampleEstimate } from '@odontis/core/evidence/sample-plan';
import { SURE_ERRORS } from '@odontis/core/evidence/sample-plan';
import { Speech } from '../speech/speech';
import { Why } from '../ui/why';

export interface Sampling {
  readonly estimate: SampleEstimate;
  /** The decision that hangs on the mean; null where none does. */
  readonly decides: { readonly advice: SampleAdvice; readonly limitMm: number } | null;
}

/** Readings of a bow this far off one bend tell of more than one, mm. Common practice, no source. */
const SECOND_BEND_MM = 0.5;

/** What the readings of a quantity say together, and whether enough have been taken. */
@Component({
  selector: 'od-gauge-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Why],
  template: `
    @if (says(); as s) {
      <table class="plain">
        <tr>
          <th scope="row">Measured</th>
          <td class="figure">{{ s.count }} of {{ s.of }}</td>
        </tr>
        <tr>
          <th scope="row">Mean</th>
          <td class="figure">{{ speech.finer(s.meanMm) }}{{ meanError() }}</td>
        </tr>
        <tr>
          <th scope="row">Lowest, highest</th>
          <td class="figure">
            {{ speech.finer(s.lowest.valueMm) }} at {{ s.lowest.place }}; {{ speech.finer(s.highest.valueMm) }} at
            {{ s.highest.place }}
          </td>
        </tr>
        @if (s.set; as set) {
          <tr>
            <th scope="row">Left, right</th>
            <td class="figure">{{ speech.finer(set.left) }}; {{ speech.finer(set.right) }}</td>
          </tr>
          <tr>
            <th scope="row">It runs</th>
            <td>
              {{ set.balance.runsTo === 'true' ? 'true' : 'to the ' + set.balance.runsTo
              }}{{ set.balance.certain || set.balance.runsTo === 'true' ? '' : ', not certain yet' }}
            </td>
          </tr>
        }
        @if (s.raker; as raker) {
          <tr>
            <th scope="row">Wanted depth</th>
            <td class="figure">{{ speech.fine(raker.targetMm) }} <od-why [reason]="raker.reason" /></td>
          </tr>
          <tr>
            <th scope="row">Too shallow</th>
            <td>{{ raker.shallow.length === 0 ? 'none' : 'rakers ' + list(raker.shallow) }}</td>
          </tr>
          <tr>
            <th scope="row">Too deep</th>
            <td>{{ raker.deep.length === 0 ? 'none' : 'rakers ' + list(raker.deep) }}</td>
          </tr>
        }
        @if (s.breast; as breast) {
          <tr>
            <th scope="row">Breast</th>
            <td class="figure">
              {{
                breast.radiusMm === null
                  ? 'none: the line is straight'
                  : speech.plate(breast.sagittaMm) + ' over ' + speech.long(breast.overMm)
              }}
            </td>
          </tr>
          <tr>
            <th scope="row">The jointer’s file</th>
            <td>
              <strong>{{
                breast.radiusMm === null ? 'straight' : 'bent ' + speech.fine(breast.bend.bendMm) + ' at its middle'
              }}</strong>
              over {{ speech.plate(breast.bend.shoesMm) }}, shoe to shoe <od-why [reason]="breast.bend.reason" />
            </td>
          </tr>
        }
        @if (s.gullets; as gullets) {
          <tr>
            <th scope="row">Gullets wanted</th>
            <td class="figure">
              {{ speech.plate(gullets.leastMm) }} to {{ speech.plate(gullets.mostMm) }}, for a tip of
              {{ gullets.tipDeg }}°
              <od-why [reason]="gullets.reason" />
            </td>
          </tr>
          @for (raker of gullets.each.slice(0, 8); track raker.tooth) {
            <tr>
              <th scope="row">Raker {{ raker.tooth }}</th>
              <td class="figure">
                {{ speech.plate(raker.wantedMm)
                }}{{
                  raker.deeperMm === null
                    ? ''
                    : raker.deeperMm > 0
                      ? ', ' + speech.plate(raker.deeperMm) + ' deeper than it is'
                      : ', deep enough'
                }}
              </td>
            </tr>
          }
        }
        @if (s.dial; as dial) {
          <tr>
            <th scope="row">Off its centre</th>
            <td class="figure">
              {{ speech.finer(dial.eccentricityMm) }} ± {{ speech.finer(dial.eccentricityErrorMm) }}, towards
              {{ dial.towardsDeg.toFixed(0) }}°
            </td>
          </tr>
          <tr>
            <th scope="row">Teeth by themselves</th>
            <td class="figure">scatter {{ speech.finer(dial.scatterMm) }}</td>
          </tr>
        }
        @if (s.bend?.found; as bend) {
          <tr>
            <th scope="row">Bend</th>
            <td class="figure">
              {{ speech.fine(bend.sagMm) }} ± {{ speech.fine(bend.sagErrorMm) }}, bulging to the {{ bend.bulges }}
            </td>
          </tr>
          <tr>
            <th scope="row">Where</th>
            <td class="figure">
              about {{ speech.long(bend.centreMm) }} from {{ from() }},
              {{ bend.lengthMm > 0 ? 'over ' + speech.long(bend.lengthMm) : 'in one place' }} ({{
                speech.long(bend.lengthFromMm)
              }}
              to {{ speech.long(bend.lengthToMm) }} would fit)
            </td>
          </tr>
        }
        @if (s.reach; as reach) {
          <tr>
            <th scope="row">It lies over</th>
            <td class="figure">{{ speech.long(reach.totalMm) }}, {{ speech.share(reach.share) }} of the line</td>
          </tr>
          <tr>
            <th scope="row">Teeth in it</th>
            <td>{{ spans(reach.teeth) }}</td>
          </tr>
        }
        @if (s.chippers; as chippers) {
          <tr>
            <th scope="row">Spread</th>
            <td class="figure">{{ speech.fine(chippers.spreadMm) }}: {{ spreadWords[chippers.verdict] }}</td>
          </tr>
        }
      </table>
      @for (line of s.bend?.advice ?? []; track line) {
        <p class="enough">{{ line }}</p>
      }
      @if ((s.bend?.advice?.length ?? 0) > 1) {
        <p class="quiet">Too few readings about the bend to tell which: take some nearer together there.</p>
      }
      @if (s.bend && s.bend.found.scatterMm > uneven) {
        <p class="quiet">
          One bend leaves these readings {{ speech.fine(s.bend.found.scatterMm) }} off: there is a second one, or a
          twist. Sight along it.
        </p>
      }
      @if (s.raker) {
        <p class="quiet">Off by more than {{ speech.fine(off) }} counts.</p>
      }
      @if (sampling(); as sample) {
        <p [class.enough]="sample.decides?.advice?.enough" role="status">{{ advice(sample) }}</p>
      }
      @if (s.dial && !s.dial.certain) {
        <p class="quiet">
          One set of readings cannot tell the blade from the arbor: turn the blade on it and read again.
        </p>
      }
    } @else {
      <p class="quiet">Nothing measured of this yet.</p>
    }
  `,
  styles: `
    .enough {
      padding: 6px 10px;
      background: var(--brass-wash);
      border-left: 5px solid var(--brass);
    }
  `,
})
export class GaugeFacts {
  protected readonly speech = inject(Speech);
  readonly says = input.required<QuantitySummary | null>();
  readonly sampling = input<Sampling | null>(null);
  /** The end places along the plate are counted from. */
  readonly from = input('the heel');
  protected readonly spreadWords = SPREAD_SAYS;
  protected readonly off = RAKER_OFF_MM;
  protected list = (places: readonly number[]): string =>
    places.slice(0, 10).join(', ') + (places.length > 10 ? ` and ${places.length - 10} more` : '');
  protected readonly uneven = SECOND_BEND_MM;
  protected spans = (all: readonly { readonly first: number; readonly last: number }[]): string =>
    all.length === 0
      ? 'none'
      : all.map(({ first, last }) => (first === last ? `${first}` : `${first} to ${last}`)).join(', ');
  protected readonly meanError = computed(() => {
    const error = this.sampling()?.estimate.errorMm;
    return error === undefined || !Number.isFinite(error) ? '' : ` ± ${this.speech.finer(error)}`;
  });

  protected advice({ estimate, decides }: Sampling): string {
    if (!decides) return `A sample of ${estimate.count} out of ${estimate.of}: no decision hangs on this mean alone.`;
    const { advice, limitMm } = decides;
    const limit = this.speech.finer(limitMm);
    if (advice.enough)
      return `Enough: the mean set is ${advice.side} ${limit}, where it wants setting anew, by more than ${SURE_ERRORS} of its errors${advice.side === 'under' ? '. Set it' : '. It need not be set'}.`;
    if (advice.wanted === null) return `Six at the least, spread all round; the limit that decides is ${limit}.`;
    return `Go on: about ${advice.wanted - estimate.count} more of ${estimate.of} to know whether it is under ${limit}.`;
  }
}
