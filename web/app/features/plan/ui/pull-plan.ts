import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { FRESH_BEVEL_SHARE, pullOutline } from '@odontis/core/pull/pull-tooth';
import type { LineOrder } from '@odontis/core/work/order';
import type { PullStudy } from '@odontis/core/work/tooth-line/pull';
import { Speech } from '../../../shared/speech/speech';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import type { PlanDraft } from '../data/plan-draft';

const VIEW = { width: 150, height: 96, base: 12 } as const;

/** A pull saw's three edges: which are filed this time and why, what is left of tooth and plate, against a new blade. */
@Component({
  selector: 'od-pull-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonToggleModule, MatFormFieldModule, MatInput, Notice, Why],
  templateUrl: './pull-plan.html',
  styleUrl: './plan-part.scss',
})
export class PullPlan {
  protected readonly speech = inject(Speech);
  readonly study = input.required<PullStudy>();
  readonly order = input.required<LineOrder>();
  readonly frozen = input.required<boolean>();
  readonly chose = output<Partial<PlanDraft>>();
  /** What was typed is no such angle, in a sentence; null where it is. */
  readonly slipped = output<string | null>();
  protected readonly view = VIEW;

  protected readonly share = computed(() => {
    const { measuredShare, now } = this.study();
    return { value: measuredShare ?? now.heightShare, measured: measuredShare !== null };
  });
  /** Side view, handle on the left: the tooth as it stands, and as this filing leaves it. */
  protected readonly outline = computed(() => {
    const { tooth, now, afterTop, filing } = this.study();
    const fresh = { tipHeightMm: tooth.heightMm, bevelMm: afterTop.bevelMm };
    const scale = Math.min((VIEW.width - 8) / tooth.pitchMm, (VIEW.height - VIEW.base - 6) / tooth.heightMm);
    const left = (VIEW.width - tooth.pitchMm * scale) / 2;
    const path = (points: readonly { readonly x: number; readonly y: number }[]): string =>
      `M${points.map((p) => `${(left + p.x * scale).toFixed(1)} ${(VIEW.height - VIEW.base - p.y * scale).toFixed(1)}`).join(' L')}`;
    const full = filing.kind === 'full';
    return {
      before: path(pullOutline(tooth, now)),
      after: path(pullOutline(tooth, full ? { ...fresh, bevelMm: FRESH_BEVEL_SHARE * tooth.pitchMm } : afterTop)),
    };
  });
  /** What this and the filings left cost beside a new blade; null where nobody said what one costs. */
  protected readonly against = computed(() => {
    const { newBlade } = this.order().inputs.pull ?? {};
    const price = this.order().price;
    if (!newBlade || !price) return null;
    const dear = price.amount > newBlade;
    return `A new blade costs ${this.speech.money(newBlade)}, this filing ${this.speech.money(price.amount)}${dear ? ': the blade is cheaper, unless the saw means something to its owner' : ''}.`;
  });

  protected typed(which: 'backDeg' | 'topDeg', text: string): void {
    const deg = Number(text.trim().replace('°', '').replace(',', '.') || NaN);
    const [least, most] = which === 'backDeg' ? [5, 60] : [0, 60];
    const fits = deg >= least && deg <= most;
    this.slipped.emit(fits ? null : `“${text}” is no such angle: type degrees from ${least} to ${most}.`);
    if (fits) this.chose.emit({ [which]: deg });
  }
}
