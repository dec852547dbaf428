/** What is wrong with a line of a CSV, the heading being line 1. */
export interface CsvFault {
  readonly line: number;
  readonly message: string;
}
