/** No line is breasted by more than this share of its length. Judgement, no source. */
export const MOST_BREAST_SHARE = 0.05;
