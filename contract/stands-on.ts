import type { KeptReading } from '@odontis/core/evidence/reading';
import type { SessionKind } from '@odontis/core/evidence/session';
import type { SawCorrection } from './corrections';
import type { Dossier } from './dossier';

/** What was put right after something was decided on it. */
export interface PutRightSince {
  readonly saw: readonly SawCorrection[];
  readonly readings: readonly KeptReading[];
}

/** Words that no number comes from. */
const NAMES: ReadonlySet<string> = new Set(['name', 'marksOnIt', 'convention']);

type Told = Pick<Dossier, 'sessions' | 'corrections'>;

const since = ({ sessions, corrections }: Told, kind: SessionKind, at: string): PutRightSince | null => {
  const saw = corrections.filter((one) => one.at > at && Object.keys(one.after).some((key) => !NAMES.has(key)));
  const readings = sessions
    .filter((one) => one.kind === kind)
    .flatMap((one) => one.readings.filter((r) => r.corrects !== null && r.at > at));
  return saw.length + readings.length > 0 ? { saw, readings } : null;
};

/** What the accepted order does not know: put right after it was accepted. Null where it stands on what is known. */
export const orderStandsOnOld = (dossier: Told & Pick<Dossier, 'plan'>): PutRightSince | null =>
  dossier.plan ? since(dossier, 'before', dossier.plan.acceptedAt) : null;

/** Likewise of the last cut that was judged. */
export function checkStandsOnOld(dossier: Told & Pick<Dossier, 'checks'>): PutRightSince | null {
  const last = dossier.checks.at(-1);
  return last ? since(dossier, 'after', last.at) : null;
}
