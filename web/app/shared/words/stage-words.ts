import type { Stage, Waits } from '@odontis/contract/ticket';
import type { Family } from '@odontis/core/saw/all-families';
import { isPlanned } from '@odontis/core/work/families';

/** What a stage is called on the screen, and the page it opens. */
export const STAGE_NAMES: Record<Stage, string> = {
  measure: 'Measure',
  plan: 'Plan',
  bench: 'Bench',
  check: 'Check',
  handover: 'Handover',
  closed: 'Closed',
  declined: 'Declined',
};

export const STAGE_WAITS: Record<Stage, string> = {
  measure: 'to be measured',
  plan: 'to be planned',
  bench: 'at the bench',
  check: 'to be checked',
  handover: 'ready to go',
  closed: 'closed',
  declined: 'declined',
};

/** The stages of a saw's page in the order of the trade. */
export const STAGE_PAGES = ['measure', 'plan', 'bench', 'check', 'handover'] as const;
/** A saw worked by hand and written down has its job in their place. */
export const JOB_PAGES = ['measure', 'job', 'handover'] as const;
export type StagePage = (typeof STAGE_PAGES)[number] | 'job';

export const PAGE_NAMES: Record<StagePage, string> = {
  measure: 'Measure',
  plan: 'Plan',
  bench: 'Bench',
  check: 'Check',
  handover: 'Handover',
  job: 'Job',
};

export const pagesFor = (family: Family): readonly StagePage[] => (isPlanned(family) ? STAGE_PAGES : JOB_PAGES);

/** The page a ticket of this stage opens at. */
export function pageOf(stage: Stage, family: Family): StagePage {
  if (stage === 'closed' || stage === 'declined') return 'handover';
  return isPlanned(family) || stage === 'handover' ? stage : 'job';
}

/** What a saw on the rack waits for by its stage. */
export const stageWaits = (stage: Stage, family: Family): string =>
  stage === 'measure' && !isPlanned(family) ? 'to be worked' : STAGE_WAITS[stage];

/** What a ticket waits for, as it is said. */
export const WAIT_WORDS: Record<Waits, string> = {
  customer: 'the customer',
  part: 'a part',
  grinder: 'the grinder',
};
