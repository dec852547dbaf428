import { lineWork } from '../../tooth-line/line-work';

/**
 * Back saws: a stiffened plate and fine teeth. One line of like teeth; their own are the shop's
 * fine crosscut angles (`anglesFor`), two to three thou of set (`familySet`) and twenty
 * millimetres of plate under the back as the least to work with (`lifeCost`).
 */
export const backWork = lineWork('back');
