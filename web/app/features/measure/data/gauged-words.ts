import { estimatesOf } from '@odontis/core/evidence/estimates';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { Evidence } from '@odontis/core/evidence/session';
import { softEdgesOf } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import type { Saw } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import { isLinePlanned } from '@odontis/core/work/families';

const AT_ANY_TIME = 'it may be planned at any time';

/** A band is planned by its count, a blade by its flats; what was read of them tells the rest. */
function sampledSays(saw: Saw, evidence: Evidence): string {
  const readings = evidence.filter((s) => s.kind === 'before').flatMap((s) => s.readings);
  const read = (quantity: LengthQuantity): number => estimatesOf(readings, quantity, null).length;
  if (saw.family === 'dado') {
    const heights = readings.filter((r) => r.quantity === 'chipper-height' || r.quantity === 'runout').length;
    return `${saw.parts.length} parts; ${heights} heights read by dial of ${teethOf(saw)} teeth: ${AT_ANY_TIME}`;
  }
  if (saw.family === 'circular')
    return `${teethOf(saw)} teeth; ${read('runout')} read by dial, ${read('runout-turned')} of them again turned: ${AT_ANY_TIME}`;
  return `${teethOf(saw)} teeth; set sampled at ${read('set')}, heights at ${read('height')}: ${AT_ANY_TIME}`;
}

/** What was gauged of a saw so far, in a sentence. */
export function gaugedSays(saw: Saw, evidence: Evidence): string {
  if (!isLinePlanned(saw.family)) return sampledSays(saw, evidence);
  const edges = softEdgesOf(saw);
  const line = (edge: Filing | null) => lineOf(evidence, saw, 'before', edge);
  if (edges.length > 0) {
    const counts = edges.map((edge) => `${line(edge)?.heightsRead ?? 0} on the ${edge} edge`);
    return `teeth with a height: ${counts.join(', ')}`;
  }
  const read = line(null);
  return `${read?.heightsRead ?? 0} cutters have a height, ${read?.rakersRead.length ?? 0} rakers a depth`;
}
