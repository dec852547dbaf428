/** A record as lines of "where, value", so that two can be laid side by side. */
export function flatten(record: object, above = ''): Map<string, string> {
  const lines = new Map<string, string>();
  for (const [key, value] of Object.entries(record)) {
    const where = above === '' ? key : `${above}, ${key}`;
    if (typeof value === 'object' && value !== null)
      for (const [deep, text] of flatten(value as object, where)) lines.set(deep, text);
    else lines.set(where, String(value));
  }
  return lines;
}
