import type { Dossier } from '@odontis/contract/dossier';
import type { EvidenceKept } from '@odontis/contract/evidence';

/** A ticket with readings that were kept since it was read: added to their sessions, each once. */
export function withEvidence(dossier: Dossier, kept: EvidenceKept): Dossier {
  const known = new Map(dossier.sessions.map((s) => [s.key, s]));
  return {
    ...dossier,
    seen: kept.seen,
    sessions: kept.sessions.map((head) => {
      const before = known.get(head.key)?.readings ?? [];
      if (head.readings.length === 0) return { ...head, readings: before };
      const here = new Set(before.map((r) => r.key));
      return { ...head, readings: [...before, ...head.readings.filter((r) => !here.has(r.key))] };
    }),
  };
}
