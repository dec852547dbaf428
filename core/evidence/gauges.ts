/** What a number was got with: gauges of lengths, then a file seated in a gullet and a bevel, which tell angles. */
export const LENGTH_GAUGES = ['straight-edge', 'caliper', 'indicator', 'scan', 'photograph', 'eye'] as const;
export type LengthGauge = (typeof LENGTH_GAUGES)[number];
export const GAUGES = [...LENGTH_GAUGES, 'file', 'bevel'] as const;
export type Gauge = (typeof GAUGES)[number];

/**
 * One standard error of a single reading of a length, mm: half a step of feeler leaves
 * (0.04 mm and up), a caliper's two hundredths, an indicator's few thousandths, a traced
 * scan's hundredth, a photograph's three on measuring strips (docs/tracing.md), and what an eye on a steel rule tells. Common practice, no source.
 */
export const GAUGE_ERROR_MM: Readonly<Record<LengthGauge, number>> = {
  'straight-edge': 0.02,
  caliper: 0.02,
  indicator: 0.005,
  scan: 0.01,
  photograph: 0.03,
  eye: 0.2,
};

export const GAUGE_WORDS: Readonly<Record<Gauge, string>> = {
  'straight-edge': 'straight edge and feeler',
  caliper: 'caliper',
  indicator: 'indicator',
  scan: 'scan',
  photograph: 'photograph',
  eye: 'eye and rule',
  file: 'seated file',
  bevel: 'bevel',
};
