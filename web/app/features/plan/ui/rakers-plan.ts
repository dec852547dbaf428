import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSliderModule } from '@angular/material/slider';
import { parseLength } from '@odontis/core/units/length';
import { saySharpenings } from '@odontis/core/life/life';
import { MANUAL_RAKERS_MM } from '@odontis/core/raker/raker-target';
import type { Handle } from '@odontis/core/work/family-work';
import type { LineOrder } from '@odontis/core/work/order';
import type { ChaseSide } from '@odontis/core/work/tooth-line/chase-offer';
import type { CutterStudy } from '@odontis/core/work/tooth-line/cutters';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { WOOD_WORDS } from '../../../shared/words/wood-words';
import { Why } from '../../../shared/ui/why';
import type { PlanDraft } from '../data/plan-draft';

type BreastWay = 'lies' | 'gauged' | 'straight' | 'given';
/** A straight edge and the tips that disagree by more than this are asked about, mm. No source. */
const TWO_BREASTS_MM = 0.3;
/** A crown of a hand's own is told from the one it begins at by so little. mm. */
const GIVEN_APART_MM = 1e-6;

/** The line's breast and the rakers under it: what they are, what they become, and what a hand moves of both. */
@Component({
  selector: 'od-rakers-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, MatFormFieldModule, MatInput, MatSliderModule, Notice, Why],
  templateUrl: './rakers-plan.html',
  styleUrl: './plan-part.scss',
})
export class RakersPlan {
  protected readonly speech = inject(Speech);
  readonly study = input.required<CutterStudy>();
  readonly order = input.required<LineOrder>();
  readonly handles = input.required<readonly Handle[]>();
  /** Every cutter brought down to the lowest raker; null where none is too low or they do not bear it. */
  readonly lowest = input.required<ChaseSide | null>();
  readonly frozen = input.required<boolean>();
  readonly chose = output<Partial<PlanDraft>>();
  readonly show = output<number>();
  /** What was typed is none, in a sentence; null where it is. */
  readonly slipped = output<string | null>();
  protected readonly manual = MANUAL_RAKERS_MM;
  protected readonly sharpenings = saySharpenings;

  protected readonly way = computed((): BreastWay => {
    const { gaugedMm, ownSagittaMm } = this.study();
    const mm = this.order().inputs.cutters?.breastMm ?? null;
    if (mm === null) return gaugedMm === null ? 'lies' : 'gauged';
    return mm === 0 ? 'straight' : mm === ownSagittaMm ? 'lies' : 'given';
  });
  /** The tips lie on another arc than was gauged under the straight edge, plainly. */
  protected readonly twoBreasts = computed(() => {
    const { gaugedMm, ownSagittaMm } = this.study();
    return gaugedMm !== null && Math.abs(gaugedMm - ownSagittaMm) > TWO_BREASTS_MM;
  });
  protected readonly woodSays = computed(() => WOOD_WORDS[this.order().inputs.saw.wood]);
  /** From the shallowest to the deepest, each raker's own by its width. */
  protected readonly gullets = computed(() => {
    const { gullets } = this.study();
    if (!gullets) return null;
    const [least, most] = [this.speech.plate(gullets.leastMm), this.speech.plate(gullets.mostMm)];
    return `${least === most ? least : `${least} to ${most}`} deep, each by its width`;
  });

  protected handle(id: Handle['id']): Handle | null {
    return this.handles().find((one) => one.id === id) ?? null;
  }

  protected cost({ price, minutes }: ChaseSide): string {
    return price ? this.speech.money(price.amount) : this.speech.minutes(minutes);
  }

  /** A sagitta as it was measured over the whole line, typed. */
  protected typedBreast(text: string, mostMm: number): void {
    const read = parseLength(text, this.speech.speech().lengthUnit === 'thou' ? 'inch' : 'mm');
    const fits = read.ok && read.mm >= 0 && read.mm <= mostMm;
    this.slipped.emit(
      fits ? null : `“${text}” is no breast of this line: type a length from none to ${this.speech.plate(mostMm)}.`,
    );
    if (fits) this.chose.emit({ breastMm: read.mm, depthMm: null });
  }

  /** `given` begins at what stands now. */
  protected breast(way: BreastWay): void {
    const { ownSagittaMm, gaugedMm, sagittaMm } = this.study();
    const given = Math.max(0.1, sagittaMm + GIVEN_APART_MM);
    const lies = gaugedMm === null ? null : ownSagittaMm;
    const breastMm = { lies, gauged: null, straight: 0, given }[way];
    this.chose.emit({ breastMm, depthMm: null });
  }
}
