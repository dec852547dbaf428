/** Metal an ordinary sharpening takes off the tips, mm. Common practice, no source. */
export const SHARPENING_MM = 0.05;

/** One standard error of it before a saw has a history: give or take a third at two. mm. Common practice, no source. */
export const SHARPENING_ERROR_MM = SHARPENING_MM / 6;
