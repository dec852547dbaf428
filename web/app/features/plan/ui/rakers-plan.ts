import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSliderModule } from '@angular/material/slider';
import { parseLength } from '@odontis/core/units/length';
import { saySharpenings } from '@odontis/core/life/life';
import { MANUAL_RAKERS_MM } from '@odontis/core/raker/raker-target';
import type { Wood } from '@odontis/core/saw/families';
import type { Handle } from '@odontis/core/work/family-work';
import type { LineOrder } from '@odontis/core/work/order';
import type { ChaseSide } from '@odontis/core/work/tooth-line/chase-offer';
import type { CutterStudy } from '@odontis/core/work/tooth-line/cutters';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import type { PlanDraft } from '../data/plan-draft';

const WOOD_SAYS: Record<Wood, string> = { 'dry-hard': 'dry hardwood', 'dry-soft': 'dry softwood', green: 'green wood' };

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

  protected readonly way = computed(() => {
    const mm = this.order().inputs.cutters?.breastMm ?? null;
    return mm === null ? 'lies' : mm === 0 ? 'straight' : 'given';
  });
  protected readonly woodSays = computed(() => WOOD_SAYS[this.order().inputs.saw.wood]);
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

  /** `given` begins at what the teeth lie on. */
  protected breast(way: 'lies' | 'straight' | 'given'): void {
    const own = Math.max(0.1, this.study().ownSagittaMm);
    this.chose.emit({ breastMm: way === 'lies' ? null : way === 'straight' ? 0 : own, depthMm: null });
  }
}
