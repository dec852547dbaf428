import { plainFacts } from '../core/work/plain-facts';
import v8 from 'node:v8';
import vm from 'node:vm';
import { freeBreastedLine } from '@odontis/core/line/breasted-line';
import { depthCurve, lowered } from '@odontis/core/line/depth-curve';
import { flatsOn } from '@odontis/core/line/flats';
import { smallestWorstError } from '@odontis/core/reference/interval-propagation';
import { lineForAll, lineForShare } from '@odontis/core/line/joint-line';
import { smoothestSpacing } from '@odontis/core/line/spacing';
import { viewDepth } from '@odontis/core/work/tooth-line/depth-view';
import { makeOrder } from '@odontis/core/work/tooth-line/make-order';
import { recut, studyLine } from '@odontis/core/work/tooth-line/study';
import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';
import { bladeMeasures, rakersOf, rolesOn } from '@odontis/core/saw/saw';
import type { Saw } from '@odontis/core/saw/saw';
import type { Reading } from '@odontis/core/evidence/reading';
import { workOf } from '@odontis/core/work/families';
import type { WorkFacts } from '@odontis/core/work/family-work';
import { sampledBand, WORN_BAND } from '../server/demo/demo-band';
import { dialledBlade, WORN_BLADE } from '../server/demo/demo-blade';
import { rakerInputs } from '../core/reference/random-raker-saw';
import { wornCrosscut } from '../server/demo/demo-crosscut';
import { toothLoads } from '@odontis/core/testcut/load';
import { foretellCut } from '@odontis/core/work/tooth-line/foretold-cut';
import { sawNow } from '@odontis/core/work/tooth-line/cut-saws';
import { causesOf } from '../core/cause/odds';
import { nextLooks } from '../core/cause/next-look';
import { shopLesson } from '../core/learn/shop-lessons';
import { testCut } from '@odontis/core/testcut/test-cut';
import { freeArcLp, jointLineLp, minimaxSpacingLp, solveLp } from '../core/reference/linear-program';
import { smoothestByQuadprog, smoothestQp } from '../core/reference/quadratic-program';
import { planInputs } from '../core/reference/random-saw';
import { seeded, wornLine } from '../server/demo/worn-line';

const PITCH_MM = 2;

/** Median milliseconds of enough runs to trust, after a few to warm up. */
export async function median(work: () => unknown, runs = 15): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < runs + 3; i++) {
    const from = performance.now();
    await work();
    if (i >= 3) times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] as number;
}

/** The 95th percentile of a hundred runs. */
async function late(work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let k = 0; k < 110; k++) {
    const from = performance.now();
    await work();
    if (k >= 10) times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[94] as number;
}

const ms = (value: number): string => `${value < 1 ? value.toFixed(3) : value.toFixed(1)} ms`;
const line = (what: string, ours: number, theirs: number, whose: string): void =>
  console.log(
    `${what.padEnd(44)} ${ms(ours).padStart(10)}   ${whose.padEnd(8)} ${ms(theirs).padStart(10)}   ${(theirs / ours).toFixed(0)} times as long`,
  );
const alone = (what: string, ours: number, beside = ''): void =>
  console.log(`${what.padEnd(44)} ${ms(ours).padStart(10)}   ${beside}`);

function saw(teeth: number) {
  const wear = { hollowMm: 0.15, strayMm: 0.03, spacingShare: 0.06, setLeftMm: 0.05, setRightMm: 0.05 };
  const readings = wornLine(teeth, PITCH_MM, wear, seeded(teeth));
  const study = studyLine(planInputs(readings, PITCH_MM));
  // Deep enough that every tooth has a flat: the quadratic library refuses gates of no width.
  const flats = flatsOn(lowered(study.datum, 0.25), study.prepared);
  const shift = study.prepared.teeth;
  const low = flats.fromMm.map((v, i) => v - (shift[i] as number) * PITCH_MM);
  const high = flats.toMm.map((v, i) => v - (shift[i] as number) * PITCH_MM);
  const tips = Array.from(study.prepared.xMm, (xMm, i) => ({ xMm, yMm: study.prepared.yMm[i] as number }));
  const cut = sawNow(study);
  if (!cut.line) throw new Error('The worn line has no heights.');
  return { study, flats, low, high, tips, cut, line: cut.line };
}

/** The core beside general-purpose solvers on the same problems in one run. */
export async function benchCore(): Promise<void> {
  console.log('Core beside general reference libraries, medians of one run on this machine');
  for (const teeth of [60, 330, 400, 2000]) {
    const { study, flats, low, high, tips, cut, line: own } = saw(teeth);
    const { prepared } = study;
    const runs = teeth > 1000 ? 1 : 3;
    const smooth = await median(() => smoothestSpacing(flats, prepared.nominalMm));
    const worst = await median(() => smallestWorstError(flats, prepared.teeth, PITCH_MM));
    // Dense and cubic: at 2,000 teeth quadprog would take the better part of an hour, so the sparse solver is asked.
    if (teeth <= 400)
      line(
        `${teeth} teeth: smoothest spacing`,
        smooth,
        await median(() => smoothestByQuadprog(low, high), 3),
        'quadprog',
      );
    line(
      `${teeth} teeth: smoothest spacing`,
      smooth,
      await median(() => solveLp(smoothestQp(low, high)), runs),
      'HiGHS QP',
    );
    const lp = minimaxSpacingLp(flats.fromMm, flats.toMm, prepared.teeth, PITCH_MM);
    line(`${teeth} teeth: smallest worst error`, worst, await median(() => solveLp(lp), 3), 'HiGHS');
    const joint = await median(() => lineForAll(tips));
    line(`${teeth} teeth: joint line, all teeth`, joint, await median(() => solveLp(jointLineLp(tips)), 3), 'HiGHS');
    const arc = await median(() => freeBreastedLine(tips, 0, 10));
    line(`${teeth} teeth: joint line, free arc`, arc, await median(() => solveLp(freeArcLp(tips, 0, 10)), 3), 'HiGHS');
    const curve = await median(() => depthCurve(prepared, study.datum, study.deepestMm, 64), 7);
    alone(`${teeth} teeth: 64-point depth curve`, curve, `${(curve / 16).toFixed(1)} frames of 16 ms (aim under two)`);
    alone(`${teeth} teeth: everything under the handle`, await median(() => viewDepth(study, 0.1)), 'of a 16 ms frame');
    alone(`${teeth} teeth: load on every tooth`, await median(() => toothLoads(own, 0.04)));
    alone(`${teeth} teeth: whole virtual cut`, await median(() => testCut(cut, { sinkMm: 0.04, boardMm: 25 })));
    const asked = { wood: 'dry-soft', boardMm: 25 } as const;
    let depthMm = 0.1;
    const cuts = (): unknown => {
      depthMm = depthMm > 0.3 ? 0.1 : depthMm + 0.001;
      return foretellCut(study, viewDepth(study, depthMm), { reset: true, perSideMm: 0.05 }, asked);
    };
    alone(
      `${teeth} teeth: both cuts under the handle`,
      await late(cuts),
      `95th percentile, of ${teeth > 1000 ? 'two 16 ms frames' : 'a 16 ms frame'}`,
    );
  }
  await told();
  await rakers();
  await round();
  await growth();
  memory();
}

/** What a hand sees of a saw of cutters and rakers while it moves the depth, the breast or the rakers. */
async function rakers(): Promise<void> {
  for (const [teeth, pattern] of [
    [120, 'CCR'],
    [400, 'CCCCR'],
  ] as const) {
    const saw = ordinarySaw('one-man');
    if (saw.family !== 'crosscut') throw new Error('A one-man saw has cutters and rakers.');
    const own = { ...saw, pattern, toothLineMm: (teeth - 1) * saw.pitchMm };
    const readings = wornCrosscut(own, { breastMm: 0.01 * own.toothLineMm, hollowMm: 0.3, tooLow: 2 }, seeded(7));
    const roles = rolesOn(own, teeth) ?? [];
    const study = studyLine(
      rakerInputs({ readings, roles, pattern, offset: 0, pitchMm: own.pitchMm, breastMm: 0.01 * own.toothLineMm }),
    );
    const depth = await median(() => viewDepth(study, 0.15));
    const named = `${teeth} teeth, ${rakersOf(own)} of them rakers`;
    alone(`${named}: depth under the handle`, depth, 'of a 16 ms frame');
    let mm = 5;
    const moved = await median(() => makeOrder(recut(study, { breastMm: (mm += 0.01) }), 0.15));
    alone(`${named}: breast under the hand, order and all`, moved, 'of a 16 ms frame');
  }
}

/** What a check and the shop book work out: causes with what to look at next, at every look; what a hundred and fifty cuts teach. */
async function told(): Promise<void> {
  const saw = { goes: 'to-and-fro', rakers: false, set: true } as const;
  const shown = { runs: 'left', binds: false, chatters: false, shavings: null, kerfMm: null, offLine: null } as const;
  const facts = {
    shown: { ...shown, wall: 'clean', floor: null, beats: null, before: null },
    known: { plateMm: 0.6, wantedSetMm: 0.08, set: null, hopMm: 0.02, loadDifference: 0 },
  } as const;
  const whole = { ...facts, known: { ...facts.known, bent: null, rakers: null, teethOut: null } };
  const causes = await late(() => [causesOf(saw, whole), nextLooks(saw, whole)]);
  alone('causes of a cut and what to look at next', causes, '95th percentile, of a 16 ms frame');
  const random = seeded(11);
  const pairs = Array.from({ length: 150 }, (_, atMs) => {
    const foretold = 0.01 + 0.2 * random();
    return { atMs, foretold, found: random() < foretold / 0.2 ? 1 : 0 };
  });
  const none = { drift: [], 'set-wear': [], strokes: [], stone: [], minutes: [] };
  alone(
    'what 150 cuts teach of hops',
    await median(() => shopLesson('hop', { ...none, hop: pairs }), 5),
    'once a minute',
  );
}

/** What a hand sees of a band or a blade while it chooses: study and order at every move. */
async function round(): Promise<void> {
  const facts = (of: Saw, readings: readonly Reading[]): WorkFacts =>
    plainFacts(of, [{ key: 'bench', kind: 'before', readings }]);
  const [band, blade] = [ordinarySaw('band-wide'), ordinarySaw('blade-crosscut')];
  if (band.family !== 'band' || blade.family !== 'circular') throw new Error('A band and a blade are ordinary saws.');
  const long = { ...band, toothLineMm: 1200 * band.pitchMm };
  const fine = { ...blade, ...bladeMeasures(blade.diameterMm, blade.boreMm, 100) };
  const moved = (of: Saw, readings: readonly Reading[]) => {
    const [known, work] = [facts(of, readings), workOf(of.family)];
    if (work.way !== 'round') throw new Error('It goes round.');
    return (): void => {
      const studied = work.study(known, work.plain);
      if (studied.ok) work.order(studied.study, null);
    };
  };
  const loop = await median(moved(long, sampledBand(long, WORN_BAND, seeded(5))));
  alone('band of 1,200 teeth: study and order', loop, 'of a 16 ms frame');
  const rim = await median(moved(fine, dialledBlade(fine, WORN_BLADE, seeded(5))));
  alone('blade of 100 teeth read twice: study and order', rim, 'of a 16 ms frame');
}

/** How time grows with the number of teeth: the exponent between neighbours; n log n is about 1.1 here. */
async function growth(): Promise<void> {
  const sizes = [500, 1000, 2000, 4000, 8000];
  const saws = sizes.map((teeth) => ({ teeth, ...saw(teeth) }));
  const works: [string, (s: (typeof saws)[number]) => unknown][] = [
    ['smoothest spacing', (s) => smoothestSpacing(s.flats, s.study.prepared.nominalMm)],
    ['smallest worst error', (s) => smallestWorstError(s.flats, s.study.prepared.teeth, PITCH_MM)],
    ['joint line, all teeth', (s) => lineForAll(s.tips)],
    ['joint line, 95 % of them', (s) => lineForShare(s.tips, 0.95)],
    ['joint line, free arc', (s) => freeBreastedLine(s.tips, 0, 10)],
    ['load on every tooth', (s) => toothLoads(s.line, 0.04)],
    ['whole virtual cut', (s) => testCut(s.cut, { sinkMm: 0.04, boardMm: 25 })],
    ['study and plan', (s) => makeOrder(studyLine(s.study.inputs), 0.1)],
  ];
  console.log(`\nGrowth: medians at ${sizes.join(', ')} teeth, and the exponent of the whole range (1 is linear)`);
  for (const [name, work] of works) {
    const times: number[] = [];
    for (const one of saws) times.push(await median(() => work(one), 9));
    const first = times[0] as number;
    const last = times[times.length - 1] as number;
    const exponent = Math.log(last / first) / Math.log((sizes[sizes.length - 1] as number) / (sizes[0] as number));
    console.log(`${name.padEnd(28)} ${times.map((t) => ms(t).padStart(9)).join(' ')}   ${exponent.toFixed(2)}`);
  }
}

/** Whether planning the same saw again and again leaves anything behind. */
function memory(): void {
  v8.setFlagsFromString('--expose-gc');
  const collect = vm.runInNewContext('gc') as () => void;
  const { study, cut } = saw(2000);
  const round = (): void => {
    for (let i = 0; i < 50; i++) {
      makeOrder(study, 0.1);
      testCut(cut, { sinkMm: 0.04, boardMm: 25 });
    }
    collect();
  };
  const held = (): number => process.memoryUsage().heapUsed / 1e6;
  round();
  const before = held();
  for (let k = 0; k < 4; k++) round();
  console.log(
    `\nMemory: 2,000 teeth planned and cut 200 times more, heap ${before.toFixed(1)} MB before, ${held().toFixed(1)} MB after`,
  );
}
