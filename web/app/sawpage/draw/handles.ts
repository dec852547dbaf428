import { handlePath } from '../../shared/plate/handle-shape';
import type { SawDrawing } from '../drawing';
import type { Layout } from './layout';

const HANDLE_PX = 104;
const PULL_PX = 44;
const GRIP_PX = 22;
const POST_PX = 12;
const RAIL_PX = 6;

/** Wood on the sheet: the end of the plate it stands at, px, its outline, and whether it is laid over the plate. */
export interface Wood {
  readonly end: number;
  readonly path: string;
  readonly over: boolean;
}

/** What a saw is held by as it stands in the vise, teeth up; `from` and `to`: the plate's ends, px. */
export function handlesOf(
  { held }: SawDrawing,
  { plateTop, plateBottom, left, right }: Layout,
  { from, to }: { readonly from: number; readonly to: number },
): Wood[] {
  if (held === 'loop' || held === 'rim') return [];
  const [y, tall] = [plateTop - 8, plateBottom - plateTop + 12];
  const grip = (x: number): Wood => ({
    end: x,
    path: handlePath('grip', { x, y, wide: GRIP_PX, tall, teethUp: true }),
    over: true,
  });
  if (held === 'two-man') return [grip(from - 10), grip(to + 10 - GRIP_PX)];
  if (held === 'framed') {
    const post = (x: number): Wood => ({ end: x, path: `M${x} ${y} h${POST_PX} v${tall} h${-POST_PX} Z`, over: true });
    const [begins, ends] = [Math.max(from, left - 4), Math.min(to, right + 4)];
    const rail = `M${begins} ${plateBottom - RAIL_PX} H${ends} v${RAIL_PX} H${begins} Z`;
    return [post(from - 8), { end: begins, path: rail, over: true }, post(to + 8 - POST_PX)];
  }
  const kind = held === 'one-man' ? 'closed' : held;
  // Half as wide again as it is tall, as far as there is room; a pull saw's is a rod.
  const size =
    kind === 'pull'
      ? { y: y + (tall - PULL_PX) / 2, tall: PULL_PX, wide: HANDLE_PX }
      : { y, tall, wide: Math.min(HANDLE_PX, 1.5 * tall) };
  const path = handlePath(kind, { ...size, x: from + 8 - size.wide, teethUp: true });
  const own: Wood = { end: from, path, over: false };
  return held === 'one-man' ? [own, grip(to + 10 - GRIP_PX)] : [own];
}
