import type { PullFiling } from '@odontis/core/pull/pull-tooth';
import type { RakerTip } from '@odontis/core/raker/raker-plan';
import type { SetChosen } from '@odontis/core/work/tooth-line/inputs';

/** What was chosen on the plan page and not yet accepted; kept over a reload. */
export interface PlanDraft {
  readonly depthMm: number | null;
  readonly line: 'free' | 'level';
  readonly rakeDeg: number | null;
  readonly fleamDeg: number | null;
  /** Null: as the owner wished. */
  readonly convert: boolean | null;
  /** The measured teeth stand for the rest. */
  readonly sample: boolean;
  /** New teeth at this pitch, mm; null: the teeth it has. */
  readonly retoothMm: number | null;
  /** Crown of a line of cutters, mm; null as the teeth lie. Rakers below them, and their tips; null as the shop has them. */
  readonly breastMm: number | null;
  readonly rakerMm: number | null;
  readonly rakerTip: RakerTip | null;
  /** Of a pull saw: null as it is due, and as the shop's table has it. */
  readonly pullFiling: PullFiling['kind'] | null;
  readonly backDeg: number | null;
  readonly topDeg: number | null;
  /** The depth of a two-edged saw's other edge; null as advised. */
  readonly besideMm: number | null;
  /** What is done about the set; null as it is due. This saw's own set a side, mm; null by the table. */
  readonly set: SetChosen | null;
  readonly setMm: number | null;
  /** Why it is chosen, for the record. */
  readonly why: string;
}

export const FRESH: PlanDraft = {
  depthMm: null,
  line: 'free',
  rakeDeg: null,
  fleamDeg: null,
  convert: null,
  sample: false,
  retoothMm: null,
  breastMm: null,
  rakerMm: null,
  rakerTip: null,
  pullFiling: null,
  backDeg: null,
  topDeg: null,
  besideMm: null,
  set: null,
  setMm: null,
  why: '',
};

export function recallPlan(ticket: number): PlanDraft {
  try {
    const text = sessionStorage.getItem(`odontis.plan.${ticket}`);
    return text === null ? FRESH : { ...FRESH, ...(JSON.parse(text) as Partial<PlanDraft>) };
  } catch {
    return FRESH;
  }
}

export function keepPlan(ticket: number, draft: PlanDraft): void {
  try {
    sessionStorage.setItem(`odontis.plan.${ticket}`, JSON.stringify(draft));
  } catch {
    // Without storage a reload begins at the recommendation.
  }
}
