import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { parseLength } from '@odontis/core/units/length';
import { floorReason } from '@odontis/core/circular/groove';
import type { SpreadVerdict } from '@odontis/core/circular/equalise';
import type { DadoOrdered, DadoWish } from '@odontis/core/work/families/dado/inputs';
import type { DadoStudy, KindDepth, PartStudy } from '@odontis/core/work/families/dado/study';
import { GroovePicture } from '../../../shared/loop/groove-picture';
import { Speech } from '../../../shared/speech/speech';
import { SPREAD_SAYS } from '../../../shared/words/spread-words';
import { Notice } from '../../../shared/ui/notice';
import { Why } from '../../../shared/ui/why';
import { speedSays } from './blade-figures';
import { DepthPull } from './depth-pull';

/** A kind of part that comes down together, and what is chosen of it. */
interface Pull {
  readonly kind: 'outer' | 'chipper';
  readonly name: string;
  readonly wish: 'outersDownMm' | 'chippersDownMm';
  readonly of: KindDepth;
}

/** A set: every part with its own condition, the groove it cuts now and when done, and the stack for a wanted width. */
@Component({
  selector: 'od-dado-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatFormFieldModule, MatInput, GroovePicture, Notice, DepthPull, Why],
  templateUrl: './dado-plan.html',
  styleUrl: './plan-part.scss',
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class DadoPlan {
  protected readonly speech = inject(Speech);
  readonly own = input.required<DadoOrdered>();
  readonly study = input.required<DadoStudy>();
  readonly frozen = input.required<boolean>();
  readonly chose = output<DadoWish>();
  /** A part to be seen on the sheet. */
  readonly part = output<string>();
  readonly slipped = output<string | null>();
  protected readonly spread = (verdict: SpreadVerdict | null): string => (verdict === null ? '' : SPREAD_SAYS[verdict]);

  protected readonly speed = computed(() => speedSays(this.own().inputs.markedLimitRpm, null));

  protected readonly floorWhy = computed(() => {
    const { inputs, forecast } = this.own();
    const outers = inputs.parts.filter((part) => part.kind === 'outer').map((part) => part.id);
    return floorReason(forecast.floorAfter, outers);
  });

  /** A part's condition in figures: read or not, how uneven, how much is to come off. */
  protected says({ part, teeth }: PartStudy): string {
    if (part.kind === 'shim') return `${this.speech.plate(part.plateMm)} thick`;
    const read = teeth.flatMap((t) => t.offMm ?? []);
    if (read.length === 0) return `${part.teeth} teeth, not read by dial`;
    const spread = Math.max(...read) - Math.min(...read);
    const strokes = teeth.reduce((sum, t) => sum + t.strokes, 0);
    return `${read.length} of ${part.teeth} read, ${this.speech.fine(spread)} from highest to lowest${strokes > 0 ? `, ${strokes} strokes` : ''}`;
  }

  /** What there is to choose of: nothing where all stand alike. */
  protected readonly depths = computed((): Pull[] => {
    const { outers, chippers } = this.study();
    const pulls = [
      { kind: 'outer', name: 'Outer blades down', wish: 'outersDownMm', of: outers },
      { kind: 'chipper', name: 'Chippers down', wish: 'chippersDownMm', of: chippers },
    ] as const;
    return pulls.flatMap(({ of, ...pull }) => (of && of.deepestMm - of.leastMm > 0 ? [{ ...pull, of }] : []));
  });

  /** Of either kind; null for as advised. */
  protected down(kind: Pull['kind'], mm: number | null): void {
    const change = kind === 'outer' ? { outersDownMm: mm } : { chippersDownMm: mm };
    this.chose.emit({ ...this.own().inputs.wish, ...change });
  }

  protected typed(text: string): void {
    if (text.trim() === '') {
      this.slipped.emit(null);
      this.chose.emit({ ...this.own().inputs.wish, wantedMm: null });
      return;
    }
    const read = parseLength(text, this.speech.speech().lengthUnit === 'thou' ? 'inch' : 'mm');
    const fits = read.ok && read.mm >= 1 && read.mm <= 60;
    this.slipped.emit(fits ? null : `“${text}” is no groove a set cuts: type a width such as 3/4 in or 19 mm.`);
    if (fits) this.chose.emit({ ...this.own().inputs.wish, wantedMm: read.mm });
  }
}
