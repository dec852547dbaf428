import { depthCurve } from '@odontis/core/line/depth-curve';
import { viewDepth } from '@odontis/core/work/tooth-line/depth-view';
import { saySharpenings } from '@odontis/core/life/life';
import { lineInputsOf, lineSawOf } from '@odontis/core/work/tooth-line/inputs';
import { anglesFor, DEFAULT_HABITS } from '@odontis/core/work/habits';
import { makeOrder } from '@odontis/core/work/tooth-line/make-order';
import { walkOf } from '@odontis/core/work/step';
import { studyLine } from '@odontis/core/work/tooth-line/study';
import { lineStatistics } from '@odontis/core/evidence/line-statistics';
import { demoReadings, demoSaw } from '../server/demo/demo-saw';
import { seeded } from '../server/demo/worn-line';

/**
 * The numbers of the saw that docs/architecture.md walks through the code,
 * worked out by core; tools/docs.spec.ts holds the page to them.
 */
export function walkedSaw(): string[] {
  const random = seeded(15);
  const saw = demoSaw(0, random);
  const readings = demoReadings(saw, { hard: true }, random);
  const statistics = lineStatistics(readings);
  const inputs = lineInputsOf({
    saw: lineSawOf(saw, { filing: saw.filing, wood: 'dry-soft' }),
    angles: anglesFor(DEFAULT_HABITS.angles, saw.family, saw.filing),
    readings,
  });
  const study = studyLine(inputs);
  const view = viewDepth(study, study.recommended.depthMm);
  const order = makeOrder(study, study.recommended.depthMm);
  const curve = depthCurve(study.prepared, study.datum, study.deepestMm, 64);
  const mm = (value: number, digits = 3): string => `${value.toFixed(digits)} mm`;
  return [
    `Readings: ${readings.length} teeth, pitch ${mm(statistics?.pitchMm ?? 0)}, ${mm(statistics?.heightSpreadMm ?? 0)} from highest to lowest, worst spacing ${mm(statistics?.worstSpacingMm ?? 0)} off.`,
    `Tooth: rake ${inputs.angles.rakeDeg}, fleam ${inputs.angles.fleamDeg}, ${mm(study.toothHeightMm)} high; file: ${study.file.file.name}.`,
    `Curve: unjointed ${Math.round((curve[0]?.reachedShare ?? 0) * 100)} % of the teeth are on the line; ${mm(study.recommended.least.byTeethMm)} reach 95 %.`,
    `Advised depth ${mm(order.choice.depthMm)}: ${(order.forecast.cut.reachedShare * 100).toFixed(1)} % on the line, worst spacing ${mm(view.spacing.worstMm)}, ${order.forecast.cut.metalMm3.toFixed(1)} mm³ of steel, ${saySharpenings(order.forecast.life.spent)} spent.`,
    `Steps: ${order.steps.map((step) => step.kind).join(', ')}; ${walkOf(order.steps).length} stops, ${order.strokes} strokes, ${Math.round(order.minutes)} minutes.`,
  ];
}
