import type { SetOfSides } from '../../evidence/set-of';
import type { Wood } from '../../saw/families';
import { bentLengthMm } from '../../set/set-wear';
import type { CutAsked, ForetoldCut } from '../../testcut/foretold';
import type { ToothSection } from '../../testcut/kerf-section';
import type { TestCut } from '../../testcut/test-cut';
import { testCut } from '../../testcut/test-cut';
import type { SetLeft } from '../tooth-line/cut-saws';
import { evenSides } from '../tooth-line/cut-saws';
import type { RoundStudy } from '../family-work';
import type { BandStudy } from './band/study';
import type { BladeStudy } from './circular/study';

/** What is fed a tooth, mm, by the wood. Judgement, no source. */
const FEEDS_MM: Record<Wood, number> = { 'dry-hard': 0.03, 'dry-soft': 0.06, green: 0.08 };
/** Depth of a tooth in pitches, where its set bends. Common practice, no source. */
const DEPTH_SHARE = 0.4;

/**
 * The cut foretold of a band or a steel blade, with the set that was found once it was worked where it was measured;
 * null of a set, whose groove is drawn by itself, and of carbide tips.
 */
export function foretellRound(study: RoundStudy, asked: CutAsked, found?: SetLeft['found']): ForetoldCut | null {
  const set = found && evenSides(found.left, found.right);
  if (study.family === 'band') return ofBand(study, asked, set);
  return study.family === 'circular' && study.inputs.saw.tipped !== 'carbide' ? ofBlade(study, asked, set) : null;
}

function ofBand(study: BandStudy, asked: CutAsked, found: SetOfSides | undefined): ForetoldCut {
  const { inputs, pattern, setting, wanted, pitchMm } = study;
  const leans = pattern.leans.map((lean) => (lean === 'straight' ? null : lean));
  const at = (sides: SetOfSides | null): TestCut =>
    cutOf({ leans, heightsMm: null, sides, plateMm: inputs.saw.plateThicknessMm, dropMm: 0, pitchMm, asked });
  const cut = told(
    asked,
    inputs.set,
    at(inputs.set),
    at(found ?? (setting.reset ? evenSides(wanted.perSideMm, wanted.perSideMm) : inputs.set)),
    [],
    inputs.habits.learned?.driftTimes ?? 1,
  );
  return { ...cut, assumes: [...cut.assumes, 'Heights are sampled on a band: the load on every tooth is not told.'] };
}

function ofBlade(study: BladeStudy, asked: CutAsked, found: SetOfSides | undefined): ForetoldCut {
  const { inputs, own, setting, wanted, pitchMm, equal, jointMm } = study;
  const rakers = new Set(inputs.rakers);
  const leans = Array.from({ length: inputs.teeth }, (_, i) =>
    rakers.has(i + 1) ? null : i % 2 === 0 ? ('left' as const) : ('right' as const),
  );
  const read = new Map(own.map((r) => [r.tooth, r.offMm]));
  const whole = read.size === inputs.teeth;
  const now = whole ? Float64Array.from(leans, (_, i) => read.get(i + 1) as number) : null;
  const highest = equal ? equal.targetMm + study.advisedMm - jointMm : Infinity;
  // A point falls across the plate by the bevel of its top.
  const dropMm = inputs.saw.plateThicknessMm * Math.tan(((inputs.bevelDeg ?? 0) * Math.PI) / 180);
  const at = (sides: SetOfSides | null, heightsMm: Float64Array | null): TestCut =>
    cutOf({
      leans,
      heightsMm,
      sides,
      plateMm: inputs.saw.plateThicknessMm,
      dropMm,
      pitchMm,
      asked,
    });
  return told(
    asked,
    inputs.set,
    at(inputs.set, now),
    at(
      found ?? (setting.reset ? evenSides(wanted.perSideMm, wanted.perSideMm) : inputs.set),
      now && now.map((mm) => Math.min(mm, highest)),
    ),
    whole ? [] : ['Not every tooth was read by dial: the load on every tooth is not told.'],
    inputs.habits.learned?.driftTimes ?? 1,
  );
}

function told(
  asked: CutAsked,
  set: SetOfSides | null,
  now: TestCut,
  chosen: TestCut,
  needs: readonly string[],
  driftTimes: number,
): ForetoldCut {
  return {
    asked,
    sinkMm: FEEDS_MM[asked.wood],
    driftTimes,
    stroke: null,
    now,
    chosen,
    needs: [...(now.section ? [] : ['No set is read on both sides: the kerf as it is is not known.']), ...needs],
    assumes: set ? [`Set was read at ${set.left.count + set.right.count} teeth: the kerf is that of their means.`] : [],
  };
}

function cutOf({
  leans,
  heightsMm,
  sides,
  plateMm,
  dropMm,
  pitchMm,
  asked,
}: {
  readonly leans: readonly ('left' | 'right' | null)[];
  /** Of every tooth, mm; null where not all are known. */
  readonly heightsMm: Float64Array | null;
  readonly sides: SetOfSides | null;
  readonly plateMm: number;
  readonly dropMm: number;
  readonly pitchMm: number;
  readonly asked: CutAsked;
}): TestCut {
  const known = sides && sides.left.count > 0 && sides.right.count > 0 ? sides : null;
  return testCut(
    {
      // Turn after turn the first tooth follows the last, as a saw that is pulled.
      line: heightsMm && {
        xMm: Float64Array.from(leans, (_, i) => i * pitchMm),
        heightMm: heightsMm,
        pitchMm,
        cut: 'pull',
      },
      teeth: leans.map((lean, i): ToothSection => ({
        tooth: i + 1,
        heightMm: heightsMm?.[i] ?? 0,
        lean,
        setMm: lean && known ? known[lean].meanMm : 0,
        dropMm: lean ? dropMm : 0,
      })),
      plateThicknessMm: plateMm,
      bentMm: bentLengthMm(DEPTH_SHARE * pitchMm),
      sides: known,
      rides: false,
    },
    { sinkMm: FEEDS_MM[asked.wood], boardMm: asked.boardMm },
  );
}
