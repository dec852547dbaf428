import { USUAL_BOARD_MM } from '../../testcut/foretold';
import type { RoundStudied, RoundStudy, RoundWish, WorkFacts } from '../family-work';
import type { WorkOrder } from '../order';
import type { Rates } from '../price';
import { evenSides } from '../tooth-line/cut-saws';
import type { Way, Ways, WorkedWay } from '../ways';
import { sideBySide } from '../side-by-side';
import { foretellRound } from './round-cut';

type Chosen = readonly [Way<RoundWish>['id'], RoundWish];

/** Depths nearer than this are one. mm. */
const SAME_MM = 0.005;

/** What could be chosen of a band or a blade, from the least work on; nothing of a set, or of carbide tips. */
function choicesOf(study: RoundStudy): Chosen[] {
  if (study.family === 'band') {
    const { wish } = study.inputs;
    return [
      ['sharpen', { ...wish, set: 'leave', joint: false }],
      ['set', { ...wish, set: 'renew', joint: false }],
      ['joint', { ...wish, set: 'renew', joint: true }],
    ];
  }
  if (study.family !== 'circular' || study.inputs.saw.tipped === 'carbide') return [];
  const { inputs, advisedMm, deepestMm } = study;
  const { wish } = inputs;
  return [
    ['sharpen', { ...wish, depthMm: 0, set: 'leave' }],
    ['set', { ...wish, depthMm: 0, set: 'renew' }],
    ...(advisedMm > SAME_MM ? [['joint', { ...wish, depthMm: advisedMm, set: null }] satisfies Chosen] : []),
    ...(deepestMm > advisedMm + SAME_MM
      ? [['tune', { ...wish, depthMm: deepestMm, set: 'renew' }] satisfies Chosen]
      : []),
  ];
}

/** Which of them a study is of; null where something between was chosen. */
export function roundWay(study: RoundStudy): Way<RoundWish>['id'] | null {
  if (study.family === 'dado') return null;
  const bare = study.setting.reset ? 'set' : 'sharpen';
  if (study.family === 'band') return study.joint.wanted ? (study.setting.reset ? 'joint' : null) : bare;
  const { jointMm, advisedMm, deepestMm } = study;
  const near = (mm: number): boolean => Math.abs(jointMm - mm) < SAME_MM;
  return near(0) ? bare : near(advisedMm) ? 'joint' : near(deepestMm) ? 'tune' : null;
}

/**
 * What could be done with a band or a blade, each worked out whole: filed alike with its set left, set anew, jointed
 * as advised, jointed to its lowest tooth. Null where there is no study or nothing to hold against anything.
 */
export function roundWays(
  facts: WorkFacts,
  wish: RoundWish,
  rates: Rates | null,
  study: (wish: RoundWish) => RoundStudied,
  order: (study: RoundStudy, rates: Rates | null) => WorkOrder,
): Ways<RoundWish> | null {
  const base = study(wish);
  const choices = base.ok ? choicesOf(base.study) : [];
  const asked = { wood: facts.visit.wood, boardMm: USUAL_BOARD_MM };
  const worked = choices.flatMap(([id, choice]): WorkedWay<RoundWish>[] => {
    const own = study(choice);
    const cut = own.ok ? foretellRound(own.study, asked) : null;
    if (!own.ok || !cut || !('setting' in own.study)) return [];
    const { setting, wanted, inputs } = own.study;
    const { minutes, price } = order(own.study, rates);
    return [
      {
        ...{ id, choice, minutes, price, spent: null, left: null, resets: setting.reset, cut: cut.chosen },
        depthMm: own.study.family === 'circular' ? own.study.jointMm : 0,
        sides: setting.reset ? evenSides(wanted.perSideMm, wanted.perSideMm) : inputs.set,
        wantedMm: wanted.perSideMm,
      },
    ];
  });
  return sideBySide(worked, facts);
}
