import { mean, sampleStandardDeviation } from 'simple-statistics';

/** Strokes one corner gives, and how surely that is known. */
export interface CornerLife {
  readonly strokes: number;
  readonly error: number;
  /** Corners it was learned from; 0: as it was told. */
  readonly corners: number;
}

/** So many worn corners tell more than a table. */
const LEAST_CORNERS = 3;
/** Told and not tried, a corner lasts so long give or take a third. Common practice, no source. */
const TOLD_ERROR = 1 / 3;

/**
 * By what the shop's own corners made until somebody gave them up: their mean, with its standard error s / √n.
 * Before three were worn out, as it was told.
 */
export function cornerLife(toldStrokes: number, lives: readonly number[]): CornerLife {
  if (lives.length < LEAST_CORNERS) return { strokes: toldStrokes, error: TOLD_ERROR * toldStrokes, corners: 0 };
  const values = [...lives];
  return {
    strokes: mean(values),
    error: sampleStandardDeviation(values) / Math.sqrt(values.length),
    corners: values.length,
  };
}
