import type { NewAngle } from '@odontis/contract/gauging';
import type { AngleFinding } from '@odontis/core/angles/angle-reading';
import type { AngleRow } from './model';

type Told = Pick<
  AngleRow,
  'way' | 'section' | 'rollDeg' | 'slopeDeg' | 'handle' | 'turnDeg' | 'rakeDeg' | 'backDeg' | 'point'
>;
const NONE = {
  section: null,
  rollDeg: null,
  slopeDeg: null,
  handle: null,
  turnDeg: null,
  rakeDeg: null,
  backDeg: null,
  point: null,
} as const;

/** A finding as the columns of its way; the others stay empty. */
export function toldColumns(finding: NewAngle['finding']): Told {
  if (finding.way !== 'file') return { ...NONE, ...finding };
  const { from, ...rest } = finding;
  return { ...NONE, ...rest, handle: from };
}

/** The way back; throws for a row that the database's own checks would not have let in. */
export function findingOf(row: Told): AngleFinding {
  const { way, section, rollDeg, slopeDeg, handle, turnDeg, rakeDeg, backDeg, point } = row;
  switch (way) {
    case 'file':
      if (section === null || rollDeg === null || slopeDeg === null || handle === null || turnDeg === null) break;
      return { way, section, rollDeg, turnDeg, slopeDeg, from: handle };
    case 'bevel':
      return { way, rakeDeg, backDeg, turnDeg };
    case 'scan':
      return { way, rakeDeg, backDeg };
    case 'eye':
      if (point === null) break;
      return { way, point };
  }
  throw new Error(`A reading of angles by ${way} lacks its own columns.`);
}
