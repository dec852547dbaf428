import { POWERED_BLADE_CAUTION } from '../../../circular/blade-geometry';
import { stackFor, stackWidth } from '../../../circular/dado-stack';
import { equalise } from '../../../circular/equalise';
import { UNCALIBRATED_STROKES } from '../../../line/strokes';
import type { DadoRecord } from '../../saw-record';

/** A dado set from its record: the widths it stacks to, and its chippers made equal. mm. Throws RangeError without two outer blades. */
export function studyDado(record: DadoRecord) {
  const rate = record.strokeRate ?? UNCALIBRATED_STROKES;
  const outer = record.parts.filter((p) => p.kind === 'outer');
  const inner = record.parts.filter((p) => p.kind !== 'outer');
  const [left, right] = outer;
  if (!left || !right || outer.length !== 2) throw new RangeError('A dado set has two outer blades.');
  return {
    full: stackWidth([left, ...inner, right]),
    wanted: record.wantedMm === undefined ? null : stackFor(record.parts, record.wantedMm),
    chippers: record.chippers ? equalise(record.chippers, 'chipper', rate) : null,
    caution: POWERED_BLADE_CAUTION,
  };
}
