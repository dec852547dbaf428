import type { Saw } from '@odontis/core/saw/saw';
import type { HandleBox, HandleKind } from './handle-shape';
import { handlePath, heldBy } from './handle-shape';

/** Room the picture is drawn in, units of its own. */
export const PICTURE_WIDTH = 620;
const WHEEL = 230;
const TOP = 8;

/** A saw's picture to its own size, and the way between a mark's place and a point of it. */
export interface PlateShape {
  readonly width: number;
  readonly height: number;
  readonly outline: string;
  /** The stiffening back, a frame, handles: drawn, not marked on by shares. */
  readonly fittings: readonly { readonly path: string; readonly kind: 'back' | 'wood' | 'hole' | 'weld' }[];
  readonly ends: readonly { readonly x: number; readonly y: number; readonly word: string }[];
  at(along: number, down: number): { x: number; y: number };
  from(x: number, y: number): { along: number; down: number };
}

/** More teeth than this are drawn as fewer: they would only make a grey edge. */
const MOST_DRAWN = 120;

const clamp = (share: number): number => Math.min(1, Math.max(0, share));
const f = (value: number): string => value.toFixed(1);

type Drawn = Pick<Saw, 'family' | 'toothLineMm' | 'pitchMm' | 'plateDepthHeelMm' | 'plateDepthToeMm' | 'backFixing'> & {
  readonly kind?: string;
  readonly edges?: number;
  readonly diameterMm?: number;
  readonly boreMm?: number;
};

/** The picture of any saw; of a set, of one of its parts. Lengths mm. */
export function plateShape(saw: Drawn, part?: { readonly kind: string; readonly teeth: number }): PlateShape {
  if (saw.family === 'circular' || saw.family === 'dado') return wheel(saw, part);
  return saw.family === 'band' ? strip(saw) : plate(saw);
}

function plate(saw: Drawn): PlateShape {
  const held = heldBy(saw);
  const two = held === 'two-man';
  const framed = held === 'framed';
  const [left, right] = two || framed ? [46, 46] : [84, 6];
  const long = PICTURE_WIDTH - left - right;
  const scale = long / Math.max(1, saw.toothLineMm);
  const heel = Math.max(22, saw.plateDepthHeelMm * scale);
  const toe = Math.max(16, saw.plateDepthToeMm * scale);
  const top = TOP + (framed ? 44 : held === 'one-man' ? 30 : 0);
  // A two-man saw bellies down in the middle; its line is breasted in the picture as it is on the bench.
  const belly = two ? heel * 0.12 : 0;
  const bottom = (share: number): number => top + heel + (toe - heel) * share + belly * 4 * share * (1 - share);
  const drawn = Math.min(MOST_DRAWN, Math.max(8, Math.round(saw.toothLineMm / saw.pitchMm)));
  const high = Math.min(7, Math.max(2.2, (long / drawn) * 0.8));
  const edge = Array.from({ length: drawn }, (_, i) => {
    const at = (k: number): string => `${f(left + long * (1 - k / drawn))} ${f(bottom(1 - k / drawn))}`;
    const tip = 1 - (i + (saw.family === 'pull' ? 0.85 : 0.15)) / drawn;
    return `L${at(i)} L${f(left + long * tip)} ${f(bottom(tip) + high)}`;
  }).join(' ');
  const upper =
    saw.edges === 2
      ? Array.from(
          { length: drawn },
          (_, i) =>
            `L${f(left + (long * (i + 0.2)) / drawn)} ${f(top - high)} L${f(left + (long * (i + 1)) / drawn)} ${f(top)}`,
        ).join(' ')
      : '';
  const fittings: PlateShape['fittings'][number][] = [];
  const handle = (kind: HandleKind | 'grip', box: HandleBox): void =>
    void fittings.push({ kind: 'wood', path: handlePath(kind, box) });
  if (framed) {
    fittings.push({ kind: 'wood', path: `M${left - 14} ${TOP + 6} h12 V${f(top + heel)} h-12 Z` });
    fittings.push({ kind: 'wood', path: `M${left + long + 2} ${TOP + 6} h12 V${f(top + toe)} h-12 Z` });
    fittings.push({ kind: 'wood', path: `M${left - 2} ${TOP + 22} H${left + long + 2} v8 H${left - 2} Z` });
  } else if (two) {
    handle('grip', { x: left - 22, y: top - 6, wide: 28, tall: heel });
    handle('grip', { x: left + long - 6, y: top - 6, wide: 28, tall: toe });
  } else if (held === 'pull') handle('pull', { x: 2, y: top + (heel - 52) / 2, wide: left, tall: 52 });
  else {
    const tall = Math.max(46, Math.min(heel * 0.95, 76));
    const wide = Math.min(left, 1.2 * tall);
    handle(held === 'one-man' ? 'closed' : held, { x: left + 4 - wide, y: top - 4, wide, tall });
    if (held === 'one-man') handle('grip', { x: left + long - 34, y: top - 34, wide: 26, tall: 40 });
  }
  if (saw.backFixing !== 'none')
    fittings.push({ kind: 'back', path: `M${left} ${TOP - 5} h${f(long)} v9 h${f(-long)} Z` });
  return {
    width: PICTURE_WIDTH,
    height: top + Math.max(heel, toe) + belly + high + 16,
    outline: `M${left} ${f(top)} ${upper} L${f(left + long)} ${f(top)} L${f(left + long)} ${f(bottom(1))} ${edge} L${left} ${f(bottom(0))} Z`,
    fittings,
    ends: [
      { x: left, y: top + Math.max(heel, toe) + belly + high + 13, word: two ? 'one end' : 'heel' },
      { x: left + long - 24, y: top + Math.max(heel, toe) + belly + high + 13, word: two ? 'other end' : 'toe' },
    ],
    at: (along, down) => ({ x: left + long * along, y: top + (bottom(along) - top) * down }),
    from: (x, y) => {
      const along = clamp((x - left) / long);
      return { along, down: clamp((y - top) / (bottom(along) - top)) };
    },
  };
}

/** A band is shown cut at its weld and laid out, wider than it is long so that a mark can be put on it. */
function strip(saw: Drawn): PlateShape {
  const [left, long] = [12, PICTURE_WIDTH - 24];
  const wide = Math.min(90, Math.max(34, saw.plateDepthHeelMm * 1.3));
  const drawn = Math.min(MOST_DRAWN, Math.max(20, Math.round(saw.toothLineMm / saw.pitchMm / 3)));
  const high = Math.min(9, (long / drawn) * 0.8);
  const edge = Array.from(
    { length: drawn },
    (_, i) =>
      `L${f(left + long * (1 - (i + 0.15) / drawn))} ${f(TOP + wide + high)} L${f(left + long * (1 - (i + 1) / drawn))} ${f(TOP + wide)}`,
  ).join(' ');
  return {
    width: PICTURE_WIDTH,
    height: TOP + wide + high + 18,
    outline: `M${left} ${TOP} H${left + long} V${f(TOP + wide)} ${edge} Z`,
    fittings: [
      { kind: 'weld', path: `M${left + 3} ${TOP} V${f(TOP + wide)}` },
      { kind: 'weld', path: `M${left + long - 3} ${TOP} V${f(TOP + wide)}` },
    ],
    ends: [
      { x: left, y: TOP + wide + high + 14, word: 'weld' },
      { x: left + long / 2 - 60, y: TOP + wide + high + 14, word: 'half way round the loop' },
      { x: left + long - 26, y: TOP + wide + high + 14, word: 'weld' },
    ],
    at: (along, down) => ({ x: left + long * along, y: TOP + wide * down }),
    from: (x, y) => ({ along: clamp((x - left) / long), down: clamp((y - TOP) / wide) }),
  };
}

function wheel(saw: Drawn, part?: { readonly kind: string; readonly teeth: number }): PlateShape {
  const [cx, cy, radius] = [WHEEL / 2, WHEEL / 2 + 4, WHEEL / 2 - 12];
  const hole = Math.max(6, (radius * (saw.boreMm ?? 30)) / Math.max(1, saw.diameterMm ?? 250));
  const teeth = part?.kind === 'shim' ? 0 : (part?.teeth ?? Math.round(saw.toothLineMm / saw.pitchMm));
  const drawn = Math.min(MOST_DRAWN, teeth);
  const point = (share: number, r: number): string => {
    const angle = share * 2 * Math.PI;
    return `${f(cx + r * Math.sin(angle))} ${f(cy - r * Math.cos(angle))}`;
  };
  const deep = Math.min(16, Math.max(3, (2 * Math.PI * radius) / Math.max(8, drawn) / 2));
  const wings = part?.kind === 'chipper' && teeth > 0 && teeth <= 8;
  const outline = wings
    ? chipperOutline(teeth, radius, hole, point)
    : drawn === 0
      ? ringOutline(radius * 0.6, cx, cy)
      : toothedOutline(drawn, radius, deep, point);
  return {
    width: WHEEL,
    height: WHEEL + 8,
    outline,
    fittings: [{ kind: 'hole', path: ringOutline(hole, cx, cy) }],
    ends: [{ x: cx - 8, y: 10, word: 'top' }],
    at: (along, down) => {
      const r = hole + (radius - hole) * down;
      const angle = along * 2 * Math.PI;
      return { x: cx + r * Math.sin(angle), y: cy - r * Math.cos(angle) };
    },
    from: (x, y) => {
      const turn = Math.atan2(x - cx, cy - y) / (2 * Math.PI);
      return { along: (turn + 1) % 1, down: clamp((Math.hypot(x - cx, y - cy) - hole) / (radius - hole)) };
    },
  };
}

type Point = (share: number, r: number) => string;

const toothedOutline = (drawn: number, radius: number, deep: number, point: Point): string =>
  `M${Array.from({ length: drawn }, (_, i) => `${point(i / drawn, radius)} L${point((i + 0.15) / drawn, radius - deep)}`).join(' L')} Z`;

const ringOutline = (r: number, cx: number, cy: number): string =>
  `M${f(cx - r)} ${f(cy)} a${f(r)} ${f(r)} 0 1 0 ${f(2 * r)} 0 a${f(r)} ${f(r)} 0 1 0 ${f(-2 * r)} 0 Z`;

/** A chipper: a hub with a wing for each tooth. */
const chipperOutline = (teeth: number, radius: number, hole: number, point: Point): string => {
  const hub = Math.max(hole * 1.8, radius * 0.4);
  const half = Math.min(0.3 / teeth, 0.06);
  return `M${Array.from({ length: teeth }, (_, i) =>
    [
      point(i / teeth - half, hub),
      point(i / teeth - half, radius * 0.94),
      point(i / teeth, radius),
      point(i / teeth + half, radius * 0.9),
      point(i / teeth + half, hub),
    ].join(' L'),
  ).join(' L')} Z`;
};
