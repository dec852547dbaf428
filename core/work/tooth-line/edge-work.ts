import { FEATHER_FILES, pointingFile } from '../../file/file-choice';
import type { EdgeWork } from '../../file/file-on-edge';
import type { PlatePoint } from '../../file/file-in-gullet';
import type { PullEdge } from '../../pull/pull-tooth';
import { pullOutline } from '../../pull/pull-tooth';
import { PULL_EDGES } from '../../pull/pull-tooth';
import type { OrderedLine } from '../lines-of-order';
import type { Step, Stop } from '../step';
import { studyPull } from './pull';

/** A tooth on one of whose edges the file lies. */
export interface EdgeAtStop {
  readonly work: EdgeWork;
  /** Mean distance from tip to tip, mm. */
  readonly pitchMm: number;
}

/** Which edge of a pull saw's outline is which, and where the file's corner goes. */
const PULL_EDGE: Readonly<Record<PullEdge, { readonly from: number; readonly corner: EdgeWork['corner'] }>> = {
  face: { from: 0, corner: 'first' },
  // Its thin corner at the bevel's low end, towards the next tooth, its body over the tip.
  top: { from: 1, corner: 'second' },
  back: { from: 2, corner: 'second' },
};
const isPullEdge = (edge: Step['edge']): edge is PullEdge => PULL_EDGES.some((one) => one === edge);
/**
 * The tooth of a stop that is filed by its edges: a pull saw's by face, back and top as its history and the shop's table
 * have it, a cutter's point between the halves of its flat. Null of any other step.
 */
export function edgeAt({ inputs, forecast }: OrderedLine, step: Step, stop: Stop): EdgeAtStop | null {
  const { pitchMm } = forecast.tooth;
  const filedMm = stop.strokes * inputs.strokeRate.rateMmPerStroke;
  if (step.kind === 'edge' && inputs.pull && isPullEdge(step.edge)) {
    const { tooth, now } = studyPull(inputs, inputs.pull, pitchMm);
    const { from, corner } = PULL_EDGE[step.edge];
    const file = FEATHER_FILES.find(({ name }) => name === step.tool);
    const outline = pullOutline(tooth, now).map(({ x, y }): PlatePoint => [x, y]);
    return {
      work: {
        ...besides(outline, pitchMm),
        edges: [{ from, deeperMm: filedMm }],
        ...{ section: 'feather', corner, fileFaceMm: file?.faceMm ?? tooth.heightMm },
      },
      pitchMm,
    };
  }
  if (step.kind === 'point' && inputs.cutters) {
    const { tanFace, tanBack, faceDeg, backDeg } = forecast.tooth.filed;
    const height = forecast.tooth.heightMm;
    const half = (stop.flatMm ?? 0) / 2;
    // Its point on the line at 0: the face x = -y tan A, the back x = y tan B, each out by half of the flat.
    const own: PlatePoint[] = [
      [-half - height * tanBack, -height],
      [-half, 0],
      [half, 0],
      [half + height * tanFace, -height],
    ];
    const square = (mm: number, deg: number): number => mm * Math.cos((deg * Math.PI) / 180);
    return {
      work: {
        ...{ teeth: [own], own: 0 },
        edges: [
          { from: 2, deeperMm: square(half, faceDeg) || filedMm },
          { from: 0, deeperMm: square(half, backDeg) || filedMm },
        ],
        ...{ section: 'mill', corner: 'second', fileFaceMm: pointingFile(height).file.faceMm },
      },
      pitchMm,
    };
  }
  return null;
}

const besides = (outline: readonly PlatePoint[], pitchMm: number): Pick<EdgeWork, 'teeth' | 'own'> => ({
  teeth: [-1, 0, 1].map((k) => outline.map(([x, y]): PlatePoint => [x + k * pitchMm, y])),
  own: 1,
});
