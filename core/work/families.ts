import type { Family } from '../saw/all-families';
import { backWork } from './families/back/work';
import { bandWork } from './families/band/work';
import { circularWork } from './families/circular/work';
import { crosscutWork } from './families/crosscut/work';
import { dadoWork } from './families/dado/work';
import { handWork } from './families/hand/work';
import { pullWork } from './families/pull/work';
import type { FamilyWork } from './family-work';

/** Every family and how its saws are worked: the one table of families. */
export const FAMILY_WORK = {
  hand: handWork,
  back: backWork,
  pull: pullWork,
  crosscut: crosscutWork,
  band: bandWork,
  circular: circularWork,
  dado: dadoWork,
} as const satisfies Record<Family, FamilyWork>;

/** How a saw of this family is worked. */
export const workOf = (family: Family): FamilyWork => FAMILY_WORK[family];

/** Whether its plan is a line of teeth from end to end. */
export const isLinePlanned = (family: Family): boolean => workOf(family).way === 'planned';
