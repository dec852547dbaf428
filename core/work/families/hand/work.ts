import { lineWork } from '../../tooth-line/line-work';

/**
 * Hand saws: long, thin plates without a back. One line of like teeth; their own are the shop's
 * hand saw angles (`anglesFor`), about five thou of set (`familySet`) and forty millimetres of
 * plate under the handle as the least to work with (`lifeCost`).
 */
export const handWork = lineWork('hand');
