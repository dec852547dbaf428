import { lineWork } from '../../tooth-line/line-work';

/**
 * One- and two-man crosscut saws, buck and frame saws: a line that may be breasted, cutters pointed
 * one by one, rakers under them (`cutterSteps`). Their own are the depth of rakers by kind and wood
 * (`rakerTarget`), the bend of the jointer (`jointerBend`), nine thou of set (`familySet`) and the
 * least plate by kind (`leastPlateMm`). Fine frame saws without rakers are filed through their gullets.
 */
export const crosscutWork = lineWork('crosscut');
