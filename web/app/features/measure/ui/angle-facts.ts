import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { sideViewOf } from '@odontis/core/angles/angles-of';
import type { AngleEstimates, AnglesView } from '@odontis/core/angles/angles-of';
import { ANGLE_WAY_WORDS } from '@odontis/core/evidence/angle-finding';
import type { SidesSummary, ToothSides } from '@odontis/core/angles/point-sides';
import { cornerDeg } from '@odontis/core/file/file-section';
import { because, input as given } from '@odontis/core/reason/reason';
import type { Estimate } from '@odontis/core/evidence/estimate';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { angleWords } from '../../../shared/words/angle-words';

const MOST_NAMED = 12;

/** What the readings of a saw's angles say together, way beside way, and which teeth lean off their points. */
@Component({
  selector: 'od-angle-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice, Why],
  templateUrl: './angle-facts.html',
  styles: `
    th {
      padding-right: 10px;
      white-space: nowrap;
      vertical-align: top;
    }
    td {
      white-space: normal;
    }
    .names {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 8px;
    }
  `,
})
export class AngleFacts {
  protected readonly speech = inject(Speech);
  readonly says = input.required<AnglesView | null>();
  /** The same of the session shown behind. */
  readonly behind = input<AnglesView | null>(null);
  readonly sides = input.required<SidesSummary>();
  readonly picked = output<number>();
  protected readonly wayWords = ANGLE_WAY_WORDS;
  protected readonly words = angleWords;
  protected readonly most = MOST_NAMED;

  protected rake = (e: Estimate): string => `${this.speech.rake(e.value)} ${pm(e)}`;
  protected plain = (e: Estimate): string => `${e.value.toFixed(1)}° ${pm(e)}`;
  protected fleam = (e: Estimate): string => `${this.speech.bothFleams(e.value)} ${pm(e)}`;
  protected short = (way: AngleEstimates): string =>
    [
      way.rakeDeg && `face ${this.speech.rake(way.rakeDeg.value)}`,
      way.backDeg && `back ${way.backDeg.value.toFixed(1)}°`,
      way.fleamDeg && `fleam ${way.fleamDeg.value.toFixed(1)}°`,
    ]
      .filter((one) => one !== null)
      .join(', ');
  protected off = (one: ToothSides): string =>
    `tooth ${one.tooth}: point ${one.point}, leans ${one.lean}${one.assumed ? ' as usual' : ''}`;

  protected readonly silhouetteReason = computed(() => {
    const [says, s] = [this.says(), this.says()?.silhouette];
    if (!says || !s) return null;
    const scan = sideViewOf(says.ways);
    return because(
      'Fleam out of the side view',
      'tan A = tan a ÷ cos f and tan B = tan(S − a) ÷ cos f, solved for the roll a and the fleam f',
      [
        given('face A', -(scan?.rakeDeg?.value ?? 0), 'deg'),
        given('back B', scan?.backDeg?.value ?? 0, 'deg'),
        given('file S', cornerDeg(s.section), 'deg'),
        given('roll a', s.rollDeg, 'deg'),
      ],
      'Geometry section 2: one file, held level, for both flanks of a gullet',
      s.orDeg === null ? undefined : `A fleam of ${s.orDeg.toFixed(0)}° would leave the same side view.`,
    );
  });
}

const pm = (e: Estimate): string => `± ${e.error.toFixed(1)}°`;
