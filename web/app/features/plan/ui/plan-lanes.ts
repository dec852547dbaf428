import type { ForetoldCut } from '@odontis/core/testcut/foretold';
import type { OrderLane } from '@odontis/core/work/tooth-line/lanes';
import type { Lane } from '../../../sawpage/drawing';

const NAMES: Record<OrderLane['id'], string> = {
  over: 'Over the line',
  spacing: 'Spacing',
  strokes: 'Shaping',
  levelling: 'Levelling',
  rakers: 'Rakers too high',
  flats: 'Flats',
};

/** An order's lanes with their names, as the saw sheet draws them. */
export const planLanes = (lanes: readonly OrderLane[], say: (mm: number) => string): Lane[] =>
  lanes.map(({ id, unit, values, before, limit }) => ({
    id,
    name: NAMES[id],
    values,
    before,
    kind: 'bars',
    limit,
    say: unit === 'strokes' ? (value) => `${Math.round(value)} strokes` : say,
  }));

/** Load on every tooth, as it is behind as it is chosen: what each takes beyond all before it. */
export const loadLane = ({ now, chosen }: ForetoldCut, say: (mm: number) => string): Lane => ({
  id: 'load',
  name: 'Load',
  values: chosen.loads?.loadMm ?? new Float64Array(),
  before: now.loads?.loadMm ?? null,
  kind: 'bars',
  limit: NaN,
  say,
});
