import { leanOf } from '../../evidence/tooth-reading';
import type { Lean, ToothReading } from '../../evidence/tooth-reading';
import type { FlankFiling } from '../../line/metal';
import { cautionsFor } from '../cautions';
import type { Heavier, Step, StepKind, Stop } from '../step';
import { settingMinutes } from '../times';
import { onLine } from './cutters';
import type { LineStudy } from './study';

// What the steps of every line are made of, whether its teeth are filed through gullets or pointed one by one.

/** A step of which nothing is said yet but its cautions. */
export const blank = (kind: StepKind, unit: Step['unit'], etch: boolean): Step => ({
  kind,
  unit,
  side: null,
  tipTowards: null,
  tool: null,
  targetMm: null,
  passes: 0,
  minutes: 0,
  stops: [],
  cautions: cautionsFor(kind, etch),
  reasons: [],
});

/** A flank counts as the heavier one when it travels this many times the other. No source. */
const HEAVIER_TIMES = 1.25;

export const heavierOf = ({ faceMm, backMm }: FlankFiling): Heavier =>
  faceMm > HEAVIER_TIMES * backMm ? 'face' : backMm > HEAVIER_TIMES * faceMm ? 'back' : 'even';

/** The teeth that lean one way, then those that lean the other; rakers stand straight. */
export function settingSteps(study: LineStudy): Step[] {
  const teeth = onLine(study.inputs.readings, study.cutters?.roles ?? null);
  return (['left', 'right'] as const).flatMap((side) => {
    const own = teeth.filter((r) => leanOf(r) === side && r.kind === 'tooth');
    if (own.length === 0) return [];
    return [
      {
        ...blank('set', 'tooth', study.inputs.etch),
        side,
        targetMm: study.set.perSideMm,
        minutes: settingMinutes(own.length),
        stops: own.map((r) => ({ at: r.tooth, strokes: 0, heavier: 'even' as const })),
        reasons: [study.set.reason],
      },
    ];
  });
}

/** From the heel as measured, or from the toe. */
export const inOrder = (stops: readonly Stop[], startAt: 'heel' | 'toe'): Stop[] =>
  startAt === 'heel' ? [...stops] : [...stops].reverse();

/** Stops at teeth by the side they are filed from: that towards which their bevel looks, away from their lean. */
export function fromBothSides({ inputs }: LineStudy, stops: readonly Stop[]): { side: Lean; own: Stop[] }[] {
  const byNumber = new Map(inputs.readings.map((r): [number, ToothReading] => [r.tooth, r]));
  const leans = (stop: Stop): Lean => {
    const tooth = byNumber.get(stop.at);
    return tooth ? leanOf(tooth) : 'left';
  };
  return (['right', 'left'] as const).flatMap((side) => {
    const own = inOrder(
      stops.filter((stop) => leans(stop) !== side),
      inputs.habits.startAt,
    );
    return own.length > 0 ? [{ side, own }] : [];
  });
}
