import type { AlikeReadings } from '@odontis/contract/evidence-rows';
import type { KeptReading } from '@odontis/core/evidence/reading';
import type { Session } from '@odontis/core/evidence/session';

/** Readings as the server answers them, each in a row of its own. */
export const rowsOf = (readings: readonly KeptReading[]): AlikeReadings[] =>
  readings.map(({ quantity, part, gauge, by, setAside, simulated, ...r }, i) => ({
    ...{ quantity, part, gauge, by, setAside, simulated },
    rows: [i + 1, r.at, r.key, r.place, JSON.stringify(r.value), r.corrects ?? ''].join('\t'),
  }));

/** Something with sessions in it, as the server answers it. */
export const sent = <T extends { readonly sessions: readonly Session[] }>(answer: T): object => ({
  ...answer,
  sessions: answer.sessions.map((session) => ({ ...session, readings: rowsOf(session.readings) })),
});
