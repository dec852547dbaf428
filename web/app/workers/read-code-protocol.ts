/** A picture a code is looked for in. */
export interface CodeWanted {
  readonly id: number;
  readonly picture: ImageData;
}

/** What the code of the same id says; null where there is none. */
export interface CodeRead {
  readonly id: number;
  readonly text: string | null;
}
