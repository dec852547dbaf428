import { TAPER_FILES } from '../../file/file-choice';
import { fileOutline } from '../../file/file-outline';
import { tanDeg } from '../../units/radians';
import type { OrderedLine } from '../lines-of-order';
import { linesOfOrder } from '../lines-of-order';
import type { WorkOrder } from '../order';
import type { AidPoint, BenchAid } from './bench-aid';
import { rectangle } from './bench-aid';

const CARD_MM = { width: 150, height: 70, edge: 8, apart: 8 };
const BLOCK_MM = 40;
/** A hole a little narrower than the file's corners stand holds it by them. Judgement, no source. */
const HOLE_SHARE = 0.96;
/** A strip fits the paper; the next piece begins with the last mark of the one before. */
const STRIP_MM = { width: 250, height: 12 };
const SHIM_MM = { width: 25, height: 12, apart: 4 };
/** Thicknesses shim stock and feeler leaves come in; common practice, no source. mm. */
const SHIM_LEAVES_MM: readonly number[] = [0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];
const MOST_SHIMS = 3;
const SHIM_SAME_MM = 0.002;
/** Arcs are drawn by so many straight pieces; over a file's bend they stand off it by less than a thousandth of a mm. */
const ARC_PIECES = 64;

/** What can be made for this saw's plan: only what one of its steps wants. Empty for a saw worked by hand. */
export function aidsOfOrder(order: WorkOrder): BenchAid[] {
  const own = linesOfOrder(order).flatMap((line) => {
    const filed = order.steps.some((step) => step.unit === 'gullet' && (step.line ?? line.edge) === line.edge);
    const file = TAPER_FILES.find((one) => one.id === line.forecast.file.id);
    const gulleted = filed && !line.inputs.cutters && !line.inputs.pull;
    return [
      ...(gulleted ? [fleamCard(line.inputs.angles.fleamDeg)] : []),
      ...(gulleted && file ? [fileBlock(line.forecast.tooth.rollDeg, file.faceMm, file.name)] : []),
      ...(order.steps.some((step) => step.kind === 'set-out') ? spacingStrips(line) : []),
    ];
  });
  const bends = order.steps.flatMap(({ jointer }) => (jointer && jointer.bendMm > 0 ? [jointerBend(jointer)] : []));
  return [...own, ...bends, ...rakerShims(order)];
}

/** Shims for every depth the rakers of an order are gauged to, deepest first. */
function rakerShims({ steps }: WorkOrder): BenchAid[] {
  const depths = steps.flatMap(({ unit, kind, targetMm }) =>
    unit === 'raker' && kind !== 'raker-gullets' && targetMm !== null && targetMm > 0 ? [targetMm] : [],
  );
  return [...new Set(depths)].sort((a, b) => b - a).map(shimSheet);
}

/** Blanks for the shims that set a raker gauge: cut from stock as thick as written, laid together under its pin. */
function shimSheet(depthMm: number): BenchAid {
  const { leavesMm, offMm } = shimStack(depthMm);
  const { width, height, apart } = SHIM_MM;
  const wide = leavesMm.length * (width + apart) - apart;
  const off = Math.abs(offMm) < 0.0005 ? '' : ` (${offMm > 0 ? '+' : '−'}${Math.abs(offMm).toFixed(3)})`;
  return {
    id: 'raker-shims',
    title: `Raker gauge shims, ${depthMm.toFixed(3)} mm`,
    says: `Cut them from shim stock as thick as each says and measure them; together they are ${depthMm.toFixed(3)} mm${off}. Stand the gauge’s feet on something flat with the shims under the pin, and set the pin down on them: it then stops the raker so far under its cutters.`,
    ...{ widthMm: Math.max(wide, 60), heightMm: height, holes: [] },
    cuts: leavesMm.map((_, k) => rectangle(k * (width + apart), 0, width, height)),
    lines: [],
    words: leavesMm.map((mm, k) => ({
      at: [k * (width + apart) + 2, 6] as const,
      says: `${mm.toFixed(2)} mm`,
      sizeMm: 3,
    })),
  };
}

/** Shims that come closest to a thickness, as few as will; `offMm` is what they are thicker. */
export function shimStack(depthMm: number): { readonly leavesMm: readonly number[]; readonly offMm: number } {
  let best = { leavesMm: [SHIM_LEAVES_MM[0] as number], offMm: (SHIM_LEAVES_MM[0] as number) - depthMm };
  const add = (from: number, leavesMm: readonly number[], sumMm: number): void => {
    for (let k = from; k < SHIM_LEAVES_MM.length; k++) {
      const leaf = SHIM_LEAVES_MM[k] as number;
      const now = { leavesMm: [...leavesMm, leaf], offMm: sumMm + leaf - depthMm };
      const better = Math.abs(best.offMm) - Math.abs(now.offMm);
      // What nobody can measure is no reason for another leaf.
      if (better > SHIM_SAME_MM || (better > -SHIM_SAME_MM && now.leavesMm.length < best.leavesMm.length)) best = now;
      if (now.leavesMm.length < MOST_SHIMS) add(k, now.leavesMm, sumMm + leaf);
    }
  };
  add(0, [], 0);
  return best;
}

/** A card that stands behind the saw, its upper edge along the plate: lines run as the file is to point, both ways. */
export function fleamCard(fleamDeg: number): BenchAid {
  const { width, height, edge, apart } = CARD_MM;
  const half = width / 2;
  const reach = height - 2 * edge;
  const slant = reach * tanDeg(fleamDeg);
  const lines: AidPoint[][] = [];
  const ways = fleamDeg === 0 ? ([0] as const) : ([1, -1] as const);
  for (const way of ways) {
    const [from, to] = fleamDeg === 0 ? [edge, width - edge] : way > 0 ? [edge, half - 2] : [half + 2, width - edge];
    // As many as run whole within their half.
    const room = to - from - slant;
    for (let k = 0; k * apart <= room + 1e-9; k++) {
      const top = from + k * apart + (way > 0 ? slant : 0);
      lines.push([
        [top, edge],
        [way === 0 ? top : top - way * slant, edge + reach],
      ]);
    }
  }
  return {
    id: 'fleam-card',
    title: `Fleam card, ${fleamDeg.toFixed(0)}° off square`,
    says:
      fleamDeg === 0
        ? 'Upper edge along the plate, behind the saw: the file runs square across, along the lines.'
        : 'Upper edge along the plate, behind the saw: the file runs along the lines, tip as the order says; the other half when the saw is turned.',
    ...{ widthMm: width, heightMm: height, holes: [] },
    cuts: [rectangle(0, 0, width, height)],
    lines,
    words: [{ at: [edge, 5], says: `plate along this edge · ${fleamDeg.toFixed(1)}°`, sizeMm: 3 }],
  };
}

/**
 * The end of a block for the file's tip: a hole, and how the file stands in it, so that the block is plumb when the
 * roll is right. Of a triangle with faces F the corners lie on a circle of F / sqrt 3 about its middle.
 */
export function fileBlock(rollDeg: number, fileFaceMm: number, fileName: string): BenchAid {
  const middle: AidPoint = [BLOCK_MM / 2, BLOCK_MM / 2];
  const outline = fileOutline('taper', { rollDeg, fleamDeg: 0, faceMm: fileFaceMm });
  const [cx, cy] = [0, 1].map((k) => outline.reduce((sum, point) => sum + (point[k] as number), 0) / 3) as [
    number,
    number,
  ];
  // About its own middle, which is the hole's; y down on the sheet.
  const placed = outline.map(([x, y]): AidPoint => [middle[0] + x - cx, middle[1] - (y - cy)]);
  const file = [...placed, placed[0] as AidPoint];
  return {
    id: 'file-block',
    title: `Block for the file’s end, ${rollDeg.toFixed(1)}° of roll`,
    says: `Glue it on a block of hard wood, drill the hole right through, tap the file’s tip in with its corner down as drawn. Heel to the left: as the order is filed from the right; turn the paper over for the left. The block’s edges stand plumb and level when the ${fileName} is rolled right.`,
    ...{ widthMm: BLOCK_MM, heightMm: BLOCK_MM },
    cuts: [rectangle(0, 0, BLOCK_MM, BLOCK_MM)],
    lines: [
      file,
      [
        [middle[0], 1],
        [middle[0], 5],
      ],
      // The hole's middle is where these four point to.
      ...([0, 1, 2, 3] as const).map((k): AidPoint[] => {
        const [x, y] = [Math.round(Math.cos((k * Math.PI) / 2)), Math.round(Math.sin((k * Math.PI) / 2))];
        const from = fileFaceMm / Math.sqrt(3) + 1;
        return [from, from + 3].map((r): AidPoint => [middle[0] + r * x, middle[1] + r * y]);
      }),
    ],
    holes: [{ at: middle, diameterMm: (2 * HOLE_SHARE * fileFaceMm) / Math.sqrt(3) }],
    words: [
      { at: [2, 4], says: 'up', sizeMm: 3 },
      { at: [2, BLOCK_MM - 2], says: 'heel', sizeMm: 3 },
      { at: [BLOCK_MM - 8, BLOCK_MM - 2], says: 'toe', sizeMm: 3 },
    ],
  };
}

/** A strip along the plate with a mark for every point, in pieces that fit the paper; each begins with the last mark before. */
function spacingStrips({ targets }: OrderedLine): BenchAid[] {
  const [first] = targets;
  if (!first) return [];
  const pieces: (typeof targets)[number][][] = [[]];
  for (const target of targets) {
    const piece = pieces[pieces.length - 1] as (typeof targets)[number][];
    const from = piece[0];
    if (from && target.xMm - from.xMm > STRIP_MM.width - 10)
      pieces.push([piece[piece.length - 1] as typeof target, target]);
    else piece.push(target);
  }
  return pieces.map((piece, k): BenchAid => {
    const from = (piece[0] as typeof first).xMm;
    const last = piece[piece.length - 1] as typeof first;
    const width = last.xMm - from + 10;
    const place = (xMm: number): number => 5 + xMm - from;
    return {
      id: 'spacing-strip',
      title: `Spacing strip, teeth ${piece[0]?.tooth} to ${last.tooth}${pieces.length > 1 ? `, piece ${k + 1} of ${pieces.length}` : ''}`,
      says: 'Upper edge along the filed-off edge, heel on the left: a point at every mark, the longer ones tenth by tenth. The next piece begins on the last mark of this one.',
      ...{ widthMm: width, heightMm: STRIP_MM.height, holes: [] },
      cuts: [rectangle(0, 0, width, STRIP_MM.height)],
      lines: piece.map(({ tooth, xMm }) => [
        [place(xMm), 0],
        [place(xMm), tooth % 10 === 0 ? 7 : 4],
      ]),
      words: piece
        .filter(({ tooth }) => tooth % 10 === 0)
        .map(({ tooth, xMm }) => ({ at: [place(xMm) + 0.6, 10] as const, says: String(tooth), sizeMm: 2.6 })),
    };
  });
}

/** A template for the bend of the jointer's file: an arc over its shoes, its middle so far up. Sagitta s over a chord c: R = c^2 / 8 s + s / 2. */
export function jointerBend({ shoesMm, bendMm }: { readonly shoesMm: number; readonly bendMm: number }): BenchAid {
  const radius = shoesMm ** 2 / (8 * bendMm) + bendMm / 2;
  const ends = 10;
  const width = shoesMm + 2 * ends;
  const base = 14 + bendMm;
  const arc = Array.from({ length: ARC_PIECES + 1 }, (_, k): AidPoint => {
    const off = (k / ARC_PIECES - 0.5) * shoesMm;
    const up = Math.sqrt(radius ** 2 - off ** 2) - (radius - bendMm);
    return [ends + (k / ARC_PIECES) * shoesMm, base - up];
  });
  return {
    id: 'jointer-bend',
    title: `Jointer’s bend, ${bendMm.toFixed(2)} mm over ${shoesMm.toFixed(0)} mm`,
    says: 'The upper edge is the curve of the jointer’s file between its shoes: bend it until it lies on the template without light between.',
    ...{ widthMm: width, heightMm: base + 12, holes: [] },
    cuts: [[[0, base], [ends, base], ...arc, [width, base], [width, base + 12], [0, base + 12]]],
    lines: [],
    words: [
      { at: [ends, base + 8], says: `${bendMm.toFixed(2)} mm in the middle of ${shoesMm.toFixed(0)} mm`, sizeMm: 3 },
    ],
  };
}
