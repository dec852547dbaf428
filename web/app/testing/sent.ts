import type { AlikeReadings } from '@odontis/contract/evidence-rows';
import type { KeptReading } from '@odontis/core/evidence/reading';
import type { Session } from '@odontis/core/evidence/session';

/** Readings as the server answers them, each in a row of its own. */
export const rowsOf = (readings: readonly KeptReading[]): AlikeReadings[] =>
  readings.map(({ quantity, part, gauge, by, at, setAside, simulated, ...r }, i) => ({
    ...{ quantity, part, gauge, by, at, setAside, simulated },
    rows: [i + 1, r.key, r.place, r.corrects ?? '', JSON.stringify(r.value)].join(' '),
  }));

/** Something with sessions in it, as the server answers it. */
export const sent = <T extends { readonly sessions: readonly Session[] }>(answer: T): object => ({
  ...answer,
  sessions: answer.sessions.map((session) => ({ ...session, readings: rowsOf(session.readings) })),
});
