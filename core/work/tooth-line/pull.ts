import { SHARPENING_MM } from '../../life/sharpening-metal';
import type { PullFiling, PullTooth, TopOnly } from '../../pull/pull-tooth';
import { afterTopOnly, freshHeightMm, nextPullFiling, pullCyclesLeft } from '../../pull/pull-tooth';
import type { LineInputs, PullEdges } from './inputs';

/** What a study knows of a pull saw's line, whatever the depth. Lengths mm, angles degrees. */
export interface PullStudy {
  /** What is filed this time, and why. */
  readonly filing: PullFiling;
  /** Advised where another was chosen. */
  readonly advised: PullFiling['kind'];
  readonly tooth: PullTooth;
  /** The tooth as it stands before this filing, and after its top bevel alone was filed once more. */
  readonly now: TopOnly;
  readonly afterTop: TopOnly;
  /** Height measured now over that of a tooth newly cut; null where no gullet was measured. */
  readonly measuredShare: number | null;
  /** Full filings the plate still bears. */
  readonly fullLeft: number;
}

/** Height a full filing must win back: what three filings of the top bevel take. mm. */
const CYCLE_MM = 3 * SHARPENING_MM;

export function studyPull({ saw, angles }: LineInputs, told: PullEdges, pitchMm: number): PullStudy {
  const shape = { faceDeg: -angles.rakeDeg || 0, backDeg: told.backDeg, topDeg: told.topDeg, pitchMm };
  const tooth = { ...shape, heightMm: freshHeightMm(shape) };
  const measuredShare = told.gulletMm === null ? null : told.gulletMm / tooth.heightMm;
  const now = afterTopOnly(tooth, told.topOnlySince * SHARPENING_MM);
  const afterTop = afterTopOnly(tooth, (told.topOnlySince + 1) * SHARPENING_MM);
  const due = nextPullFiling(told.topOnlySince, measuredShare ?? now.heightShare);
  return {
    filing: told.filing === null || told.filing === due.kind ? due : { ...due, kind: told.filing },
    advised: due.kind,
    tooth,
    now,
    afterTop,
    measuredShare,
    fullLeft: pullCyclesLeft(saw.plateDepthMm, CYCLE_MM),
  };
}
