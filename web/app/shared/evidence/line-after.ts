import type { Filing } from '@odontis/core/saw/families';
import type { Dossier } from '@odontis/contract/dossier';
import { sawIn } from '@odontis/core/work/saw-after';
import { lineOf } from '@odontis/core/evidence/line-of';
import { sidesOf } from '@odontis/core/evidence/sides';
import { setAt } from '@odontis/core/evidence/set-of';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';

/**
 * The line as the work left it: as measured again where it was; else as it was planned, with
 * only the sets that were measured. Null where nothing was planned and nothing measured.
 */
export function lineAfter(dossier: Dossier, edge: Filing | null = null): readonly ToothReading[] | null {
  const line = lineOf(dossier.sessions, sawIn('after', dossier.saw, dossier.plan?.order), 'after', edge);
  if (line && line.heightsRead > 0) return line.teeth;
  const whole = dossier.plan?.order;
  const order = edge && whole?.beside?.inputs.pull?.edge === edge ? whole.beside : whole;
  if (!order?.inputs) return null;
  const set = setAt(dossier.sessions, 'after', sidesOf(dossier.saw), edge);
  const targets = new Map(order.targets.map((t) => [t.tooth, t]));
  return order.inputs.readings.map((tooth) => {
    const target = targets.get(tooth.tooth);
    const setMm = set.get(tooth.tooth)?.valueMm ?? null;
    return { ...tooth, xMm: target?.xMm ?? tooth.xMm, yMm: target?.yMm ?? tooth.yMm, setMm };
  });
}
