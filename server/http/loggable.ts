/** What is kept of an error in the log: what kind, where in the code, and which part of the database said no. */
export interface Loggable {
  readonly name: string;
  readonly code: string | null;
  readonly table: string | null;
  readonly constraint: string | null;
  /** Places in the code, the nearest first. */
  readonly at: readonly string[];
}

const text = (value: unknown): string | null => (typeof value === 'string' ? value : null);

/**
 * An error without anything that was typed: messages, statements, parameters and details of a database repeat
 * people's names and telephones, and a log is read by others and kept for long.
 */
export function loggable(error: unknown): Loggable {
  const own = (typeof error === 'object' && error !== null ? error : {}) as Record<string, unknown>;
  const parent = (typeof own['parent'] === 'object' && own['parent'] !== null ? own['parent'] : own) as typeof own;
  // A stack begins with the message, which may have many lines.
  const at = (text(own['stack']) ?? '').split('\n').filter((line) => /^\s+at .+:\d+:\d+\)?$/.test(line));
  return {
    name: error instanceof Error ? error.constructor.name : typeof error,
    code: text(parent['code']),
    table: text(parent['table']),
    constraint: text(parent['constraint']),
    at: at.map((line) => line.trim()),
  };
}
