/** Others are answered between. */
export const breath = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** What is long, so many at a time, others being answered between. */
export async function* inParts<T>(items: readonly T[], size: number): AsyncGenerator<readonly T[]> {
  for (let from = 0; from < items.length; from += size) {
    if (from > 0) await breath();
    yield items.slice(from, from + size);
  }
}
