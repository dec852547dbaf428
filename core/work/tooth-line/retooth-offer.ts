import type { Sharpenings } from '../../life/life';
import { retooth } from '../../line/retooth';
import { toothHeightMm } from '../../file/flank-angles';
import { heightOn } from '../../line/joint-line';
import type { ToothReading } from '../../evidence/tooth-reading';
import { countFromPitchMm, pitchMmFromCount } from '../../units/points';
import type { Price, Rates } from '../price';
import { makeOrder } from './make-order';
import type { LineStudy } from './study';
import { studyLine } from './study';

/** So many teeth broken or missing are not blended in any more. Share, no source. */
const LOST_SHARE = 0.2;

/** Why a tooth line is past saving; null where jointing and shaping will do. */
export type PastSaving = 'teeth-lost' | 'too-deep';

/** Cutters, rakers and the three edges of a pull saw are not cut anew here. */
export const canRetooth = ({ cutters, pull }: LineStudy): boolean => cutters === null && pull === null;

/** Too many teeth are gone, or reaching the rest would take more of the tooth than jointing may. O(n). */
export function pastSaving(study: LineStudy): PastSaving | null {
  if (study.inputs.retooth || !canRetooth(study)) return null;
  const { readings } = study.inputs;
  const lost = readings.filter((r) => r.kind !== 'tooth').length;
  if (lost > LOST_SHARE * readings.length) return 'teeth-lost';
  return study.recommended.least.byTeethMm > study.deepestMm ? 'too-deep' : null;
}

/** One pitch new teeth could be cut at, and what it costs. Lengths mm. */
export interface RetoothChoice {
  readonly pitchMm: number;
  readonly teeth: number;
  /** How far the tips come down. */
  readonly lossMm: number;
  readonly gulletsDeeperMm: number;
  readonly spent: Sharpenings;
  readonly left: Sharpenings;
  readonly minutes: number;
  readonly price: Price | null;
}

/** Points to the inch beside the present count that are offered. */
const POINTS_BESIDE = [-2, -1, 1, 2] as const;

/**
 * New teeth at the pitch it has, at twice that, and at the counts beside it, each with its cost, the
 * finest first; another pitch is worked out when it is asked for. O(choices n).
 */
export function retoothOffer(study: LineStudy, rates: Rates | null): RetoothChoice[] {
  const { pitchMm } = study;
  const points = Math.round(countFromPitchMm(pitchMm, 'points'));
  const beside = POINTS_BESIDE.flatMap((by) => (points + by > 2 ? [pitchMmFromCount(points + by, 'points')] : []));
  return [pitchMm, 2 * pitchMm, ...beside]
    .filter((own, i, all) => all.findIndex((p) => Math.abs(p - own) < 1e-3 * own) === i)
    .sort((a, b) => a - b)
    .flatMap((own) => {
      try {
        const { forecast, minutes, price, inputs } = makeOrder(retoothed(study, own), 0, rates);
        const { lossMm, gulletsDeeperMm } = inputs.retooth as NonNullable<typeof inputs.retooth>;
        const { spent, left } = forecast.life;
        return [{ pitchMm: own, teeth: inputs.readings.length, lossMm, gulletsDeeperMm, spent, left, minutes, price }];
      } catch (error) {
        // A pitch that does not fit the line or its file is not offered.
        if (error instanceof RangeError) return [];
        throw error;
      }
    });
}

/**
 * The saw with new teeth at another pitch, as a study of the line they will be: every tooth in its
 * place, lowered until it stands in full metal. Between old teeth that all stand the least loss is
 * found ({@link retooth}); where some are lost only the plate under the gullets is sure to be there.
 * Throws RangeError on a pitch that does not fit. mm. O(n).
 */
export function retoothed(study: LineStudy, pitchMm: number): LineStudy {
  const { inputs, tooth, newTooth, datum } = study;
  if (!canRetooth(study)) throw new RangeError('The teeth of such a saw are not cut anew here.');
  const old = inputs.readings;
  const [first, last] = [old[0], old[old.length - 1]];
  if (!first || !last) throw new RangeError('There is no line to cut teeth into.');
  const lineMm = last.xMm - first.xMm;
  const cut = retooth(tooth, study.pitchMm, newTooth, pitchMm, lineMm);
  const oldHeightMm = toothHeightMm(study.pitchMm, tooth);
  const lost = old.some((r) => r.kind !== 'tooth');
  // Between short teeth the metal begins at the line that reaches them all.
  const shortMm = study.prepared.xMm.reduce(
    (most, x, i) => Math.max(most, heightOn(datum, x) - (study.prepared.yMm[i] as number)),
    0,
  );
  const lossMm = lost ? Math.max(oldHeightMm, shortMm) : Math.min(oldHeightMm, shortMm + cut.lossMm);
  // Measured again they lie on another straight edge: their own line is the height to count from.
  const line = { alphaMm: 0, beta: datum.beta };
  const teeth = Math.floor((lineMm - cut.phaseMm) / pitchMm + 1e-9) + 1;
  const readings = Array.from({ length: teeth }, (_, k): ToothReading => {
    const xMm = first.xMm + cut.phaseMm + k * pitchMm;
    return { tooth: k + 1, xMm, yMm: heightOn(line, xMm), kind: 'tooth', sample: true };
  });
  const { toeZones: _toe, ...saw } = inputs.saw;
  return studyLine({
    ...inputs,
    saw: { ...saw, pitchMm, teeth },
    from: null,
    readings,
    measured: readings.length,
    retooth: {
      oldPitchMm: study.pitchMm,
      oldTeeth: old.length,
      oldHeightMm,
      lossMm,
      phaseMm: cut.phaseMm,
      gulletsDeeperMm: lossMm + cut.newHeightMm - oldHeightMm,
    },
  });
}
