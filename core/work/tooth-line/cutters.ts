import type { ToothReading } from '../../evidence/tooth-reading';
import { standingTeeth } from '../../evidence/tooth-reading';
import { breastedLine, freeBreastedLineForShare, radiusOf } from '../../line/breasted-line';
import type { JointLine, Tip } from '../../line/joint-line';
import { crownAt, datumOn } from '../../line/joint-line';
import type { JointerBend } from '../../line/jointer';
import { jointerBend } from '../../line/jointer';
import { MOST_BREAST_SHARE } from '../../saw/breast';
import type { RakerTarget } from '../../raker/raker-target';
import type { RakerGullets } from '../../raker/raker-gullets';
import { rakerGullets } from '../../raker/raker-gullets';
import { rakerSawOf, rakerTarget } from '../../raker/raker-target';
import type { Reason } from '../../reason/reason';
import { because, input } from '../../reason/reason';
import type { ToothRole } from '../../saw/tooth-pattern';
import { groupsOf, parsePattern, rolesAlong } from '../../saw/tooth-pattern';
import type { CuttersAndRakers, LineInputs } from './inputs';

/** What a study knows of a line of cutters and rakers, whatever the depth. */
export interface CutterStudy {
  readonly roles: readonly ToothRole[];
  readonly rakers: readonly number[];
  readonly target: RakerTarget;
  /** Crown of the joint line over the chord of its cutters, as chosen or as found. */
  readonly sagittaMm: number;
  /** The crown the teeth lie on. */
  readonly ownSagittaMm: number;
  /** The crown gauged under a straight edge; null where it was not. */
  readonly gaugedMm: number | null;
  readonly mostSagittaMm: number;
  readonly radiusMm: number | null;
  readonly bend: JointerBend;
  /** Null where no raker was measured across its tips. */
  readonly gullets: RakerGullets | null;
}

export function rolesOf({ pattern, offset }: Pick<CuttersAndRakers, 'pattern' | 'offset'>, teeth: number): ToothRole[] {
  const parsed = parsePattern(pattern);
  if (!parsed.ok) throw new RangeError(`"${pattern}" is no tooth pattern: write C and R, such as CCR.`);
  return rolesAlong(parsed.roles, teeth, offset);
}

/** Group of each tooth by its number, for spacing inside groups alone. */
export function groupOn(roles: readonly ToothRole[]): (tooth: number) => number {
  const groups = groupsOf(roles);
  return (tooth) => groups[tooth - 1] ?? -1;
}

/** The teeth that are to stand on the line: all but rakers. */
export const onLine = (readings: readonly ToothReading[], roles: readonly ToothRole[] | null): ToothReading[] => {
  const standing = standingTeeth(readings);
  return roles ? standing.filter((r) => roles[r.tooth - 1] === 'cutter') : standing;
};

/** Readings with the crown of a line taken off, so that what is straight is even. mm. */
export const flattened = (readings: readonly ToothReading[], { breast }: JointLine): readonly ToothReading[] =>
  breast ? readings.map((r) => ({ ...r, yMm: r.yMm - breast.sagittaMm * crownAt(r.xMm, breast) })) : readings;

/** The arc some readings lie on, once it was asked for: a hand that moves the breast asks again at every move. */
const OWN_ARCS = new WeakMap<readonly ToothReading[], { readonly share: number; readonly line: JointLine }>();

function ownArc(cutters: readonly Tip[], share: number, mostMm: number, of: readonly ToothReading[]): JointLine {
  const known = OWN_ARCS.get(of);
  if (known?.share === share) return known.line;
  const line = freeBreastedLineForShare(cutters, share, 0, mostMm);
  OWN_ARCS.set(of, { share, line });
  return line;
}

/** The joint line a cutter's file would follow: as the teeth lie, straight or of a given crown, through the highest tooth. `of` are the readings the cutters are among. mm. */
export function cutterDatum(
  cutters: readonly Tip[],
  breastMm: number | null,
  share: number,
  of: readonly ToothReading[],
) {
  const chordMm = (cutters.at(-1)?.xMm ?? 0) - (cutters[0]?.xMm ?? 0);
  const mostSagittaMm = MOST_BREAST_SHARE * chordMm;
  if (breastMm !== null && breastMm > mostSagittaMm)
    throw new RangeError(
      `A breast of ${breastMm.toFixed(1)} mm over ${chordMm.toFixed(0)} mm is more than any saw is filed to: up to ${mostSagittaMm.toFixed(1)} mm is looked at.`,
    );
  const own = ownArc(cutters, share, mostSagittaMm, of);
  const found = breastMm === null ? own : breastedLine(cutters, breastMm, share);
  return {
    datum: datumOn(cutters, found),
    sagittaMm: found.breast?.sagittaMm ?? 0,
    ownSagittaMm: own.breast?.sagittaMm ?? 0,
    mostSagittaMm,
  };
}

export function studyCutters(
  inputs: LineInputs,
  told: CuttersAndRakers,
  roles: readonly ToothRole[],
  line: ReturnType<typeof cutterDatum>,
): CutterStudy {
  const radiusMm = radiusOf(line.datum);
  const chordMm = line.datum.breast?.chordMm ?? Infinity;
  const table = rakerTarget(rakerSawOf(told.kind), inputs.saw.wood, inputs.habits.rakerMm);
  return {
    roles,
    rakers: inputs.readings.filter((r) => r.kind !== 'missing' && roles[r.tooth - 1] === 'raker').map((r) => r.tooth),
    target: told.wantedMm === null ? table : { depthMm: told.wantedMm, reason: chosen(told.wantedMm, table) },
    sagittaMm: line.sagittaMm,
    ownSagittaMm: line.ownSagittaMm,
    gaugedMm: told.gaugedMm ?? null,
    mostSagittaMm: line.mostSagittaMm,
    radiusMm,
    // A jointer longer than the line rides on nothing: it is bent as over the line itself.
    bend: jointerBend(radiusMm, Math.min(told.shoesMm, chordMm)),
    gullets: rakerGullets(told.widths, told.gullets, told.tipDeg),
  };
}

const chosen = (wantedMm: number, { depthMm }: RakerTarget): Reason =>
  because(
    'Rakers below the cutters',
    'as chosen on the plan',
    [input('chosen', wantedMm, 'mm'), input('by the table', depthMm, 'mm')],
    'the technician',
  );
