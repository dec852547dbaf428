import type { Family } from './all-families';
import { pitchMmFromCount } from '../units/points';
import type { Saw, SawOf, SetPart } from './saw';
import { bladeMeasures, setMeasures } from './saw';

/** An ordinary saw offered by picture at the counter; every measure can be changed there. */
export interface OrdinarySaw {
  readonly id: string;
  readonly saw: Saw;
}

type Straight = SawOf<'hand' | 'back'>;
/** Points, tooth line, plate, depth at heel and toe. Lengths mm. */
type Sizes = readonly [points: number, lineMm: number, plateMm: number, heelMm: number, toeMm: number];

const sized = ([points, toothLineMm, plateThicknessMm, plateDepthHeelMm, plateDepthToeMm]: Sizes) => ({
  marksOnIt: '',
  convention: 'points' as const,
  pitchMm: pitchMmFromCount(points, 'points'),
  toothLineMm,
  plateThicknessMm,
  plateDepthHeelMm,
  plateDepthToeMm,
});

const straight = (
  id: string,
  name: string,
  family: Straight['family'],
  filing: Straight['filing'],
  ...sizes: Sizes
): OrdinarySaw => ({
  id,
  saw: { name, family, filing, backFixing: family === 'back' ? 'folded' : 'none', ...sized(sizes) },
});

/** The rip edge of a two-edged saw is the coarser. Common practice, no source. */
const RIP_EDGE_POINTS = 10;

const pull = (id: string, name: string, edges: 1 | 2, backed: boolean, ...sizes: Sizes): OrdinarySaw => ({
  id,
  saw: {
    ...{ name, family: 'pull', filing: 'crosscut', edges, backFixing: backed ? 'folded' : 'none' },
    ...sized(sizes),
    ...(edges === 2 && { ripPitchMm: pitchMmFromCount(RIP_EDGE_POINTS, 'points') }),
  },
});

function crosscut(
  id: string,
  name: string,
  kind: SawOf<'crosscut'>['kind'],
  pattern: string,
  pitchMm: number,
  ...sizes: [lineMm: number, plateMm: number, heelMm: number, toeMm: number]
): OrdinarySaw {
  const saw = { name, family: 'crosscut', filing: 'crosscut', backFixing: 'none', kind, pattern } as const;
  return { id, saw: { ...saw, ...sized([2, ...sizes]), pitchMm } };
}

function band(id: string, name: string, loopMm: number, pitchMm: number, widthMm: number, plateMm: number) {
  const saw = { name, family: 'band', filing: 'rip', backFixing: 'none', set: 'alternate' } as const;
  return {
    id,
    saw: { ...saw, ...sized([2, loopMm, plateMm, widthMm, widthMm]), convention: 'teeth', pitchMm },
  } as const;
}

const BLADE = { diameterMm: 250, boreMm: 30, plateThicknessMm: 2.2 } as const;
function blade(
  id: string,
  name: string,
  filing: SawOf<'circular'>['filing'],
  tipped: SawOf<'circular'>['tipped'],
  teeth: number,
  pattern?: string,
): OrdinarySaw {
  const saw = {
    name,
    family: 'circular',
    filing,
    backFixing: 'none',
    marksOnIt: '',
    tipped,
    markedLimitRpm: null,
  } as const;
  const measures = bladeMeasures(BLADE.diameterMm, BLADE.boreMm, teeth);
  return { id, saw: { ...saw, ...BLADE, ...measures, ...(pattern !== undefined && { pattern }) } };
}

const outer = (id: string): SetPart => ({ id, kind: 'outer', teeth: 40, plateMm: 2.2, cutMm: 3.2 });
const chipper = (id: string): SetPart => ({ id, kind: 'chipper', teeth: 4, plateMm: 2.2, cutMm: 3.2 });
function dado(): OrdinarySaw {
  const parts = [
    outer('left outer'),
    chipper('chipper 1'),
    chipper('chipper 2'),
    chipper('chipper 3'),
    outer('right outer'),
  ];
  const head = { name: 'Dado set', family: 'dado', filing: 'combination', backFixing: 'none', marksOnIt: '' } as const;
  const measures = { diameterMm: 200, boreMm: 30, ...setMeasures(200, 30, parts) };
  return { id: 'dado', saw: { ...head, ...measures, tipped: 'steel', markedLimitRpm: null, parts } };
}

/** Sizes usual for each kind. Source: common practice, no source. */
export const ORDINARY_SAWS: readonly OrdinarySaw[] = [
  straight('dovetail', 'Dovetail saw', 'back', 'rip', 17, 225, 0.5, 45, 45),
  straight('carcase', 'Carcase saw', 'back', 'crosscut', 14, 280, 0.6, 60, 60),
  straight('tenon', 'Tenon saw', 'back', 'rip', 12, 355, 0.75, 85, 80),
  straight('panel', 'Panel saw', 'hand', 'crosscut', 10, 555, 0.8, 150, 60),
  straight('rip', 'Rip hand saw', 'hand', 'rip', 5, 660, 0.95, 180, 70),
  straight('crosscut', 'Crosscut hand saw', 'hand', 'crosscut', 8, 660, 0.9, 175, 70),
  pull('pull-two-edged', 'Two-edged pull saw', 2, false, 16, 240, 0.5, 75, 95),
  pull('pull-one-edged', 'Pull saw', 1, false, 14, 270, 0.6, 55, 70),
  pull('pull-backed', 'Backed pull saw', 1, true, 25, 240, 0.3, 45, 48),
  crosscut('one-man', 'One-man crosscut', 'one-man', 'CCR', 11, 1065, 1.8, 190, 95),
  crosscut('two-man', 'Two-man crosscut', 'two-man', 'CCCCR', 12, 1675, 1.8, 120, 120),
  crosscut('buck', 'Buck saw', 'buck', 'CCCCR', 6.5, 760, 0.9, 30, 30),
  crosscut('frame', 'Frame saw', 'frame', 'C', 5, 700, 0.7, 40, 40),
  band('band-narrow', 'Narrow band', 2560, 6.35, 13, 0.6),
  band('band-wide', 'Wide band', 5100, 19, 50, 0.9),
  blade('blade-rip', 'Rip blade', 'rip', 'steel', 24),
  blade('blade-crosscut', 'Crosscut blade', 'crosscut', 'steel', 80),
  blade('blade-combination', 'Combination blade', 'combination', 'steel', 50, 'CCCCR'),
  blade('blade-carbide', 'Carbide blade', 'combination', 'carbide', 40),
  dado(),
];

/** An ordinary saw by its id. Throws RangeError on one that is not offered. */
export function ordinarySaw(id: string): Saw {
  const found = ORDINARY_SAWS.find((one) => one.id === id);
  if (!found) throw new RangeError(`No ordinary saw is called "${id}".`);
  return found.saw;
}

/** The families as the counter's pictures are grouped. */
export const FAMILY_NAMES: Record<Family, string> = {
  hand: 'Hand saws',
  back: 'Back saws',
  pull: 'Pull saws',
  crosscut: 'Crosscut, buck and frame saws',
  band: 'Bands',
  circular: 'Circular blades',
  dado: 'Dado sets',
};
