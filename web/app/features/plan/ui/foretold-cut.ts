import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import type { Wood } from '@odontis/core/saw/families';
import { WOODS } from '@odontis/core/saw/families';
import { timesOf } from '@odontis/core/testcut/kerf-outline';
import type { TestCut } from '@odontis/core/testcut/test-cut';
import type { ForetoldCut } from '@odontis/core/testcut/foretold';
import { cutReasons, DRIFT_DEPTH_MM, hardestOf, leavesLineBy, roomOf } from '@odontis/core/testcut/foretold';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { WOOD_WORDS } from '../../../shared/words/wood-words';
import { KerfPicture } from '../../../shared/cut/kerf-picture';

/** Less than this is no number to be said, mm. */
const NOTHING_MM = 1e-4;
/** Named at the most; the lane shows them all. */
const NAMED = 6;

/** The cut as it is and as chosen, side by side; both move with the handle. */
@Component({
  selector: 'od-foretold-cut',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [KerfPicture, MatButtonToggleModule, MatFormFieldModule, MatInput, Notice, Why],
  templateUrl: './foretold-cut.html',
  styleUrls: ['./plan-part.scss', './foretold-cut.scss'],
})
export class ForetoldCutPanel {
  readonly cut = input.required<ForetoldCut>();
  readonly plateMm = input.required<number>();
  readonly woodChosen = output<Wood>();
  readonly boardChosen = output<string>();
  /** A tooth to be shown on the saw. */
  readonly show = output<number>();
  protected readonly speech = inject(Speech);
  protected readonly woods = WOODS;
  protected readonly woodWords = WOOD_WORDS;
  protected readonly times = computed(() => timesOf([this.cut().now, this.cut().chosen]));
  protected readonly why = computed(() => cutReasons(this.cut().chosen, this.cut(), this.plateMm()));

  /** It lies on its teeth in a board: a saw that goes round does not. */
  protected readonly rides = computed(() => this.cut().now.hopMm !== null);
  protected readonly rows = computed(() => {
    const { now, chosen } = this.cut();
    const [fine, share] = [this.speech.fine, this.speech.share];
    const row = (name: string, why: keyof ReturnType<typeof cutReasons>, say: (cut: TestCut) => string) => ({
      name,
      reason: this.why()[why],
      now: say(now),
      chosen: say(chosen),
    });
    const worst = (cut: TestCut): string => {
      const hardest = hardestOf(cut);
      return hardest && cut.loads
        ? `${cut.loads.worstOverMean.toFixed(1)} times the mean, tooth ${hardest.tooth}`
        : 'not known';
    };
    const room = (cut: TestCut): string => {
      const sides = roomOf(cut, this.plateMm());
      return sides ? `${fine(sides.left)} left, ${fine(sides.right)} right` : 'not known';
    };
    const loaded = this.cut().now.loads || this.cut().chosen.loads;
    return [
      ...(loaded
        ? [
            row('Teeth that cut', 'working', ({ loads }) => (loads ? share(loads.shareWorking) : 'not known')),
            row('Hardest worked', 'worst', worst),
          ]
        : []),
      ...(this.rides() ? [row('Hop', 'hop', ({ hopMm }) => fine(hopMm ?? 0))] : []),
      row('Kerf', 'kerf', ({ section }) => (section ? this.speech.plate(section.widthMm) : 'not known')),
      row('Room beside the plate', 'kerf', room),
      row('Ridge in the floor', 'ridge', ({ section }) => (section ? fine(section.ridgeMm) : 'not known')),
      row(`Leaves its line over ${this.speech.long(DRIFT_DEPTH_MM)}`, 'drift', (cut) => this.drift(cut)),
    ];
  });

  /** Which teeth make the kerf, now and as chosen. */
  protected readonly makers = computed(() =>
    [
      { when: 'as it is', of: this.cut().now.makers },
      { when: 'as chosen', of: this.cut().chosen.makers },
    ].flatMap(({ when, of }) => {
      if (!of) return [];
      const named = [
        { what: 'left wall', tooth: of.left },
        { what: 'right wall', tooth: of.right },
        // Of a blade whose heights were not all read nothing is known of its deepest.
        ...(this.cut().now.loads ? [{ what: 'deepest of the floor', tooth: of.deepest }] : []),
      ].flatMap(({ what, tooth }) => (tooth === null ? [] : [{ what, tooth }]));
      return [{ when, named }];
    }),
  );

  /** Single teeth that scratch a wall. */
  protected readonly scratches = computed(() =>
    [
      { when: 'as it is', marks: this.cut().now.marks },
      { when: 'as chosen', marks: this.cut().chosen.marks },
    ].flatMap(({ when, marks }) =>
      marks.length > 0 ? [{ when, named: marks.slice(0, NAMED), more: Math.max(0, marks.length - NAMED) }] : [],
    ),
  );

  private drift(cut: TestCut): string {
    const { driftTimes } = this.cut();
    const off = leavesLineBy(cut, driftTimes);
    if (!off || !cut.drift) return 'not known';
    const [{ finer }, size] = [this.speech, Math.abs(off.mm)];
    const error = off.errorMm === null ? '' : ` ± ${finer(off.errorMm)}`;
    if (cut.drift.by === 'load') return `to the ${cut.drift.runsTo}, by the load`;
    if (cut.drift.runsTo === 'true')
      return Math.max(size, off.errorMm ?? 0) < NOTHING_MM ? 'runs true' : `runs true: ${finer(size)}${error}`;
    return `${finer(size)}${error} to the ${cut.drift.runsTo}${driftTimes === 1 ? ', at the least' : ''}`;
  }
}
