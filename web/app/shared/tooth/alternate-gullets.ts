import type { GulletFlanks } from '@odontis/core/file/tooth-row';

/** So many gullets filed from alternate sides with the same angles; `first` is the sign of the first one's turn. */
export function alternateGullets(
  angles: { readonly rakeDeg: number; readonly backDeg: number; readonly fleamDeg: number },
  count: number,
  first: 1 | -1 = -1,
): GulletFlanks[] {
  const { rakeDeg, backDeg, fleamDeg } = angles;
  return Array.from({ length: count }, (_, i) => {
    const turn = (i % 2 ? -first : first) * fleamDeg;
    return { rakeDeg, backDeg, faceTurnDeg: turn, backTurnDeg: turn };
  });
}
