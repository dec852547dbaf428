import { depthCurve } from '@odontis/core/line/depth-curve';
import { assembleInputs } from '@odontis/core/plan/assemble-inputs';
import { viewDepth } from '@odontis/core/plan/depth-view';
import { DEFAULT_HABITS } from '@odontis/core/plan/habits';
import { makePlan } from '@odontis/core/plan/make-plan';
import { walkPlan } from '@odontis/core/plan/steps';
import { studyLine } from '@odontis/core/plan/study';
import { UNCALIBRATED_STROKES } from '@odontis/core/line/strokes';
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
  const facts = { saw, wood: 'dry-soft' as const, marks: [], readings };
  const inputs = assembleInputs(facts, DEFAULT_HABITS, UNCALIBRATED_STROKES, 'free');
  const study = studyLine(inputs);
  const view = viewDepth(study, study.recommended.depthMm);
  const plan = makePlan(study, study.recommended.depthMm);
  const curve = depthCurve(study.prepared, study.datum, study.pitchMm, study.deepestMm, 64);
  const mm = (value: number, digits = 3): string => `${value.toFixed(digits)} mm`;
  return [
    `Readings: ${readings.length} teeth, pitch ${mm(statistics?.pitchMm ?? 0)}, ${mm(statistics?.heightSpreadMm ?? 0)} from highest to lowest, worst spacing ${mm(statistics?.worstSpacingMm ?? 0)} off.`,
    `Tooth: rake ${inputs.angles.rakeDeg}, fleam ${inputs.angles.fleamDeg}, ${mm(study.toothHeightMm)} high; file: ${study.file.file.name}.`,
    `Curve: unjointed ${Math.round((curve[0]?.reachedShare ?? 0) * 100)} % of the teeth are on the line; ${mm(study.recommended.least.byTeethMm)} reach 95 %.`,
    `Advised depth ${mm(plan.depthMm)}: ${(plan.reachedShare * 100).toFixed(1)} % on the line, worst spacing ${mm(view.spacing.worstMm)}, ${plan.metalMm3.toFixed(1)} mm³ of steel, ${plan.sharpeningsSpent.toFixed(1)} sharpenings spent.`,
    `Steps: ${plan.steps.map((step) => step.kind).join(', ')}; ${walkPlan(plan.steps).length} stops, ${plan.strokes} strokes, ${Math.round(plan.minutes)} minutes.`,
  ];
}
