import type { FileChoice } from '../../file/file-choice';
import type { FiledTooth } from '../../file/flank-angles';
import { toothHeightMm } from '../../file/flank-angles';
import { SHARPENING_MM } from '../../life/sharpening-metal';
import type { Conversion } from '../../line/conversion';
import type { LeastDepth } from '../../line/depth-curve';
import { leastDepth } from '../../line/depth-curve';
import type { PreparedLine } from '../../line/flats';
import { evenShape, prepareLine, zonedShape } from '../../line/flats';
import type { JointLine } from '../../line/joint-line';
import { datumLine, levelLineForShare, lineForShare } from '../../line/joint-line';
import type { Reason } from '../../reason/reason';
import { because, input } from '../../reason/reason';
import { woodFacts } from '../../saw/woods';
import type { NominalLine, ToeZone } from '../../saw/zones';
import { linedTeeth, lineZones, nominalLine, placeInPitches } from '../../saw/zones';
import type { LineStatistics } from '../../evidence/line-statistics';
import { lineStatistics } from '../../evidence/line-statistics';
import type { ToothReading } from '../../evidence/tooth-reading';
import { standingTeeth } from '../../evidence/tooth-reading';
import type { FamilySet } from '../../set/family-set';
import { familySet } from '../../set/family-set';
import type { AnglePair } from '../../file/angle-pair';
import type { FilingJudged, LineKnown } from '../judge-work';
import { judgeFiling, judgeWork } from '../judge-work';
import type { CutterStudy } from './cutters';
import { cutterDatum, flattened, groupOn, onLine, rolesOf, studyCutters } from './cutters';
import { filingWay } from './filing-way';
import type { CuttersAndRakers, LineInputs } from './inputs';
import type { PullStudy } from './pull';
import { studyPull } from './pull';
import type { Stretch } from './stretches';
import { stretchesOf } from './stretches';

/** What does not move with the depth: worked out once, then looked at under the hand. */
export interface LineStudy {
  readonly inputs: LineInputs;
  /** The tooth it has, whose flanks the joint meets. */
  readonly tooth: FiledTooth;
  /** The tooth it will have: another only where the filing is changed. */
  readonly newTooth: FiledTooth;
  /** Height of the tooth it has, mm. */
  readonly toothHeightMm: number;
  /** What another filing costs and what the shop's book says of it; null where the filing stays. */
  readonly conversion: (Conversion & { readonly advice: FilingJudged['verdict']; readonly reason: Reason }) | null;
  readonly pitchMm: number;
  /** False when only heights were measured: spacing is then taken as even, and said so. */
  readonly placesMeasured: boolean;
  readonly prepared: PreparedLine;
  readonly datum: JointLine;
  readonly deepestMm: number;
  readonly recommended: Recommendation;
  /** Teeth filed alike, from heel to toe: one stretch on most saws. */
  readonly stretches: readonly Stretch[];
  /** Of the main stretch. */
  readonly file: FileChoice;
  readonly set: FamilySet;
  /** Of a line whose cutters are pointed one by one; null where teeth are filed through their gullets. */
  readonly cutters: CutterStudy | null;
  /** Of a pull saw; null of any other. */
  readonly pull: PullStudy | null;
  /** The other edge of a two-edged saw, at the depth chosen for it; null where there is none, or it is not worked. */
  readonly beside: { readonly study: LineStudy; readonly depthMm: number } | null;
}

export interface Recommendation {
  readonly depthMm: number;
  readonly least: LeastDepth;
  /** Nothing to joint: the line is level and even enough to sharpen as it stands. */
  readonly sharpenOnly: boolean;
  readonly reason: Reason;
}

/** Jointing past this share of the tooth is re-toothing, not jointing. Common practice, no source. */
const DEEPEST_SHARE = 0.6;

/**
 * Prepare an order from readings. Throws RangeError on fewer than three standing
 * teeth, on angles that leave no tooth, or on a pattern or breast that cannot be.
 */
export function studyLine(inputs: LineInputs): LineStudy {
  const { saw, habits, angles, from } = inputs;
  const way = filingWay(inputs);
  const { toothOf } = way;
  const newTooth = toothOf(angles.rakeDeg, angles.fleamDeg);
  const tooth = from ? toothOf(from.angles.rakeDeg, from.angles.fleamDeg) : newTooth;
  const toe = saw.toeZones ?? [];
  const teeth = linedTeeth(lastTooth(inputs.readings), saw.teeth ?? 0);
  const place = placeInPitches(teeth, saw.pitchMm, toe);
  const roles = inputs.cutters ? rolesOf(inputs.cutters, teeth) : null;
  const tips = onLine(inputs.readings, roles);
  if (tips.length < 3) throw new RangeError(`A plan needs three standing ${roles ? 'cutters' : 'teeth'} at least.`);
  const arc = inputs.cutters
    ? cutterDatum(tips, inputs.cutters.breastMm ?? inputs.cutters.gaugedMm ?? null, habits.shareOnLine, inputs.readings)
    : null;
  const datum = arc ? arc.datum : straightDatum(tips, inputs);
  // Uneven is what leaves the line it is jointed to: a breast is none.
  const judged = flattened(roles ? tips : inputs.readings, datum);
  const statistics = lineStatistics(judged, place, roles ? groupOn(roles) : undefined);
  if (!statistics) throw new RangeError('A plan needs three standing teeth at least.');
  const pitchMm = statistics.pitchMm;
  /** The line as measured: its zones at the toe as much wider or finer as its pitch turned out. */
  const scaled = toe.map((zone) => scaledZone(zone, pitchMm / saw.pitchMm));
  const nominal = (rakeDeg: number): NominalLine => nominalLine(lineZones(teeth, pitchMm, rakeDeg, scaled));
  const old = from?.angles ?? angles;
  const shape = toe.length > 0 ? zonedShape(nominal(old.rakeDeg), old.fleamDeg, toothOf) : evenShape(pitchMm, tooth);
  const prepared = prepareLine(inputs.readings, shape, roles);
  const heightMm = toothHeightMm(pitchMm, tooth);
  const stretches = stretchesOf(nominal(angles.rakeDeg), angles, way);
  const present = from ? stretchesOf(nominal(old.rakeDeg), old, way) : stretches;
  const deepestMm = DEEPEST_SHARE * Math.min(...present.map((s) => s.heightMm));
  const evennessMm = habits.evennessShare * pitchMm;
  const least = leastDepth(prepared, datum, { share: habits.shareOnLine, evennessMm }, deepestMm);
  return {
    inputs,
    tooth,
    newTooth,
    toothHeightMm: heightMm,
    conversion: from ? conversionOf(from.angles, inputs, pitchMm) : null,
    pitchMm,
    placesMeasured: statistics.placesMeasured,
    prepared,
    datum,
    deepestMm,
    recommended: recommend(least, inputs, statistics, evennessMm, deepestMm),
    stretches,
    file: (stretches[0] as Stretch).file,
    set: familySet(saw.family, woodFacts(saw.wood), 'ordinary', saw.plateThicknessMm, {
      tableMm: inputs.habits.setMm?.[saw.family],
      sawMm: inputs.setWish?.mm ?? undefined,
    }),
    cutters: inputs.cutters && roles && arc ? studyCutters(inputs, inputs.cutters, roles, arc) : null,
    pull: inputs.pull ? studyPull(inputs, inputs.pull, pitchMm) : null,
    beside: null,
  };
}

/** Level with the straight edge, or with the tips' own fall, through the highest tooth. mm. */
function straightDatum(tips: readonly ToothReading[], { line, habits }: LineInputs): JointLine {
  const level = line === 'level';
  const found = level ? levelLineForShare(tips, habits.shareOnLine) : lineForShare(tips, habits.shareOnLine);
  return datumLine(tips, found.beta);
}

/**
 * The same line with another breast, other rakers: what a hand that moves them sees. All else, and
 * what was worked out of the readings alone, stays. RangeError as {@link studyLine}. O(n log n).
 */
export function recut(
  { inputs }: LineStudy,
  change: Pick<Partial<CuttersAndRakers>, 'breastMm' | 'wantedMm'>,
): LineStudy {
  if (!inputs.cutters) throw new RangeError('This line has no cutters and rakers.');
  return studyLine({ ...inputs, cutters: { ...inputs.cutters, ...change } });
}

function conversionOf(from: AnglePair, inputs: LineInputs, pitchMm: number): LineStudy['conversion'] {
  const { judged, conversion, reason } = judgeFiling(
    pitchMm,
    from,
    inputs.angles,
    inputs.worksOtherGrain ?? null,
    inputs.judgement,
  );
  return { ...conversion, advice: judged.verdict, reason };
}

const lastTooth = (readings: LineInputs['readings']): number =>
  readings.reduce((last, r) => Math.max(last, r.tooth), 0);

const scaledZone = (zone: ToeZone, times: number): ToeZone => ({
  ...zone,
  pitchFromMm: zone.pitchFromMm * times,
  pitchToMm: zone.pitchToMm * times,
});

function spreadOf(readings: LineInputs['readings']): number {
  const heights = standingTeeth(readings).map((r) => r.yMm);
  return Math.max(...heights) - Math.min(...heights);
}

/** What that rule asks, as measured. */
const knownOf = (inputs: LineInputs, measured: LineStatistics): LineKnown => {
  const kinds = new Set(inputs.readings.map((r) => r.kind));
  const lost = [...(kinds.has('missing') ? ['missing-teeth'] : []), ...(kinds.has('broken') ? ['short-teeth'] : [])];
  return {
    lineLook: null,
    marks: [...inputs.marks, ...lost],
    converting: inputs.from !== null,
    // Held level with the straight edge, a line that only lies aslant is uneven.
    measured: inputs.line === 'level' ? { ...measured, heightSpreadMm: spreadOf(inputs.readings) } : measured,
    rakeOffDeg:
      inputs.from || typeof inputs.measuredRakeDeg !== 'number' ? null : inputs.measuredRakeDeg - inputs.angles.rakeDeg,
  };
};

/** Whether to joint at all is the shop's own rule for a sharpening or the tune; how deep is least metal. */
function recommend(
  least: LeastDepth,
  inputs: LineInputs,
  statistics: LineStatistics,
  evennessMm: number,
  deepestMm: number,
): Recommendation {
  const { habits } = inputs;
  // A pull saw's teeth are brought level from the top: their spacing is left as it is.
  const levelOnly = inputs.pull !== undefined;
  const dearest = least.byTeethMm + habits.chaseSharpenings * SHARPENING_MM;
  const pays = !levelOnly && least.byEvennessMm !== null && least.byEvennessMm <= dearest;
  const wanted = Math.min(deepestMm, pays ? Math.max(least.byTeethMm, least.byEvennessMm ?? 0) : least.byTeethMm);
  const judged = judgeWork(knownOf(inputs, statistics), inputs.judgement);
  const sharpenOnly = judged.verdict === 'sharpen' || (wanted === 0 && (levelOnly || pays || least.byEvennessMm === 0));
  const depthMm = sharpenOnly ? 0 : wanted;
  const inputsShown = [
    input('share of teeth to reach', habits.shareOnLine, 'share'),
    input('depth that reaches them', least.byTeethMm, 'mm'),
    ...(levelOnly
      ? []
      : [
          input('spacing error allowed', evennessMm, 'mm'),
          input(
            'depth that evens the spacing',
            least.byEvennessMm ?? 'not within the tooth',
            least.byEvennessMm === null ? 'text' : 'mm',
          ),
        ]),
    input('metal of one sharpening', SHARPENING_MM, 'mm'),
  ];
  const otherwise = sharpenOnly
    ? `${judged.verdict === 'sharpen' ? judged.reasons.map((r) => r.says).join(' ') : 'Every tooth reaches the line as it stands.'} Jointing would only cost metal.`
    : levelOnly
      ? 'Teeth over this line get strokes on top of their sharpening; none is jointed, and none below it is touched more than the others.'
      : pays
        ? 'Less deep leaves teeth that do not reach the line or points that cannot be evened; deeper only costs life.'
        : `Evening the spacing would cost more than ${habits.chaseSharpenings} sharpenings: it is not chased, it comes back by itself.`;
  return {
    depthMm,
    least,
    sharpenOnly,
    reason: because(
      sharpenOnly ? 'No jointing needed' : levelOnly ? 'Level to this depth' : 'Joint to this depth',
      'least depth that puts the wanted share of teeth on the line and, where it pays, the points evenly apart',
      inputsShown,
      'geometry section 4 (least metal); share and evenness from the shop book',
      otherwise,
    ),
  };
}
