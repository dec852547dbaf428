import { parsePattern, rolesAlong } from '../saw/tooth-pattern';
import type { TrueTooth } from './made-scan';
import { randomFrom } from './made-scan';

/** What is asked of a made line of cutters and rakers. */
export interface RakerLineWish {
  readonly teeth: number;
  readonly pattern: string;
  readonly pitchMm: number;
  /** Lean of a cutter's two sides. */
  readonly cutterDeg?: number;
  /** Tip to tip of a raker; 0 makes it a single pointed tooth. */
  readonly widthMm?: number;
  readonly innerDeg?: number;
  readonly outerDeg?: number;
  readonly depthMm?: number;
  readonly unequalMm?: number;
  readonly breastMm?: number;
  /** Where in the pattern the heel's tooth stands. */
  readonly offset?: number;
  readonly broken?: readonly number[];
  readonly seed?: number;
}

/** A line of cutters and rakers with exact truth, for tests; rakers below their cutters' own line by the depth, unequal too. */
export function madeRakerLine(wish: RakerLineWish): TrueTooth[] {
  const { cutterDeg = 20, widthMm = 6, innerDeg = 24, outerDeg = 12, depthMm = 0.38, breastMm = 0 } = wish;
  const random = randomFrom(wish.seed ?? 5);
  const parsed = parsePattern(wish.pattern);
  const roles = rolesAlong(parsed.ok ? parsed.roles : ['cutter'], wish.teeth, wish.offset ?? 0);
  const length = (wish.teeth - 1) * wish.pitchMm;
  return roles.map((role, i): TrueTooth => {
    const xMm = i * wish.pitchMm;
    const crown = breastMm * (1 - ((2 * xMm) / length - 1) ** 2);
    const unequal = (wish.unequalMm ?? 0) * (2 * random() - 1);
    const plain = { xMm, rakeDeg: -cutterDeg, backDeg: cutterDeg, flatMm: 0, roundMm: 0 };
    if (wish.broken?.includes(i + 1))
      return { ...plain, yMm: crown - 0.35 * wish.pitchMm, flatMm: 0.25 * wish.pitchMm, kind: 'broken' };
    if (role === 'cutter') return { ...plain, yMm: crown + unequal, kind: 'tooth' };
    const yMm = crown - depthMm + unequal;
    return { ...plain, yMm, kind: 'tooth', ...(widthMm > 0 && { raker: { widthMm, innerDeg, outerDeg } }) };
  });
}
