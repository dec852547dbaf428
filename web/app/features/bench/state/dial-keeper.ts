import { computed, inject, Injectable, linkedSignal } from '@angular/core';
import type { Further } from '@odontis/core/circular/further-strokes';
import { BenchWalk } from './bench-walk';

/** A tooth of a part in place on the arbor that comes down to a height on the dial. mm. */
export interface DialStop {
  readonly part: string;
  readonly tooth: number;
  /** As it was read before the work; null where nobody read it. */
  readonly beforeMm: number | null;
  readonly aimMm: number;
  readonly strokes: number;
  readonly tool: string | null;
}

/** A chipper's tooth counts as done once the dial was read at it, or once somebody said twice that it is. */
@Injectable()
export class DialKeeper {
  private readonly walk = inject(BenchWalk);

  /** The tooth in hand that loses metal; null of any other stop. */
  readonly stop = computed<DialStop | null>(
    () => {
      const [step, stop, round] = [this.walk.step(), this.walk.stop(), this.walk.order()?.round];
      if (step?.kind !== 'chipper' || !step.part || !stop || stop.strokes === 0 || round?.family !== 'dado')
        return null;
      if (step.targetMm === null) return null;
      const read = round.inputs.heights[stop.part ?? -1]?.find((one) => one.tooth === stop.at);
      return {
        ...{ part: step.part, tooth: stop.at, strokes: stop.strokes, tool: step.tool },
        ...{ beforeMm: read?.offMm ?? null, aimMm: step.targetMm },
      };
    },
    { equal: (a, b) => a?.part === b?.part && a?.tooth === b?.tooth },
  );
  /** What the dial said here since. */
  private readonly further = linkedSignal<DialStop | null, Further | null>({
    source: this.stop,
    computation: () => null,
  });
  /** Asked once before the tooth counts as done. */
  readonly asked = linkedSignal<DialStop | null, string | null>({ source: this.stop, computation: () => null });

  /** A fresh reading is another question. */
  read(further: Further | null): void {
    this.further.set(further);
    this.asked.set(null);
  }

  /** Whether the tooth in hand is asked about now rather than done. */
  asks(): boolean {
    const further = this.further();
    if (!this.stop() || this.asked() !== null || (further !== null && further.finds !== 'more')) return false;
    this.asked.set(
      further === null
        ? 'Read the dial at this tooth first: nobody knows where it stands now. Done once more goes on without.'
        : `It still wants ${further.strokes} ${further.strokes === 1 ? 'stroke' : 'strokes'}. Done once more leaves it so.`,
    );
    return true;
  }
}
