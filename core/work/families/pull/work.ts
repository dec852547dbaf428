import { lineWork } from '../../tooth-line/line-work';

/**
 * Pull saws: worked out with face and back changed about, as they cut the other way (`pullTooth`); three
 * filed edges, of which the first two or three filings touch the top bevel alone (`nextPullFiling`),
 * each tooth its sharpening strokes and levelling on top (`pullSteps`). A two-edged saw has a line on
 * either edge under one order. Their own are two thou of set, left alone where it was not measured
 * short, and 25 mm of plate as the least.
 */
export const pullWork = lineWork('pull');
