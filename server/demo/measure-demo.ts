import { randomUUID } from 'node:crypto';
import type { Reading } from '@odontis/core/evidence/reading';
import { takeLine } from '@odontis/core/evidence/take';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { Saw } from '@odontis/core/saw/saw';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import type { WorkOrder } from '@odontis/core/work/order';
import { sampledBand, WORN_BAND } from './demo-band';
import type { BandWear } from './demo-band';
import { dialledBlade, FILED_BLADE, WORN_BLADE } from './demo-blade';
import type { BladeWear } from './demo-blade';
import { gaugedCrosscut, wornCrosscut } from './demo-crosscut';
import type { CrosscutWear } from './demo-crosscut';
import { dialledSet, FILED_DADO, WORN_DADO } from './demo-dado';
import { edgesToMeasure, readPull, wornPull } from './demo-pull';
import { demoAfter, demoReadings, setKept } from './demo-saw';
import type { DemoWear } from './demo-saw';

/** How a saw of any family came in; left out where as its family ordinarily does. */
export interface CameIn extends DemoWear {
  readonly wear?: CrosscutWear;
  readonly band?: BandWear;
  readonly blade?: BladeWear;
}

/** What was measured of a saw, and the teeth of its line (of its first edge); none where its teeth go round. */
export interface DemoMeasured {
  readonly readings: readonly Reading[];
  readonly teeth: readonly ToothReading[];
}

/** How a crosscut saw came in on earlier visits. */
const PAST_WEAR: CrosscutWear = { breastMm: 10, hollowMm: 0.2, tooLow: 0 };
/** A band as it leaves the vise. */
const WORKED_BAND: BandWear = { setMm: 0.175, unevenMm: 0.03 };

/** A line of like teeth as it is keyed, tooth after tooth. */
const keyedLine = (teeth: readonly ToothReading[]): Reading[] =>
  takeLine([], { teeth, places: true }, { gauge: 'straight-edge', simulated: false, mint: randomUUID });

/** A saw as it is measured before the work, whatever its family; null of one that is sent out as it came. */
export function measuredBefore(saw: Saw, came: CameIn, random: () => number): DemoMeasured | null {
  switch (saw.family) {
    case 'crosscut': {
      const wear = came.wear ?? PAST_WEAR;
      const teeth = wornCrosscut(saw, wear, random);
      return { readings: gaugedCrosscut(saw, teeth, { widths: true, cutters: wear.cutters }, random), teeth };
    }
    case 'band':
      return { readings: sampledBand(saw, came.band ?? WORN_BAND, random), teeth: [] };
    case 'circular':
      if (saw.tipped === 'carbide') return null;
      return { readings: dialledBlade(saw, came.blade ?? WORN_BLADE, random), teeth: [] };
    case 'dado':
      return { readings: dialledSet(saw, WORN_DADO, random), teeth: [] };
    case 'pull': {
      const edges = edgesToMeasure(saw).map((edge) => ({ edge, teeth: wornPull(saw, edge, random) }));
      const readings = edges.flatMap(({ edge, teeth }) => readPull(saw, edge, teeth));
      return { readings, teeth: edges[0]?.teeth ?? [] };
    }
    default: {
      const teeth = demoReadings(saw, came, random);
      return { readings: keyedLine(teeth), teeth };
    }
  }
}

/** The same saw as it is measured again when its order is done. */
export function measuredAfter(
  saw: Saw,
  order: WorkOrder,
  before: readonly ToothReading[],
  random: () => number,
): Reading[] {
  if (saw.family === 'band') return sampledBand(saw, WORKED_BAND, random);
  if (saw.family === 'dado') return dialledSet(saw, FILED_DADO, random, true);
  if (saw.family === 'circular') return saw.tipped === 'steel' ? dialledBlade(saw, FILED_BLADE, random) : [];
  return linesOfOrder(order).flatMap(({ edge, inputs, targets, forecast }, i) => {
    const teeth = i === 0 ? before : inputs.readings;
    const depthMm = i === 0 ? (order.choice?.depthMm ?? 0) : (order.beside?.depthMm ?? 0);
    const set = forecast.set.reset
      ? { renewedMm: forecast.set.perSideMm }
      : { keptShare: setKept(depthMm, forecast.tooth.heightMm) };
    const after = demoAfter(targets, teeth, set, random);
    if (saw.family === 'pull') return readPull(saw, edge, after);
    return saw.family === 'crosscut' ? gaugedCrosscut(saw, after, { widths: false }, random) : keyedLine(after);
  });
}
