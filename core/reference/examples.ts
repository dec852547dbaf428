/** The records of docs/examples, read; test only. */
import { readFileSync } from 'node:fs';
import type { SawRecord } from '../work/saw-record';

export const exampleRecord = <R extends SawRecord>(name: string): R =>
  JSON.parse(readFileSync(`docs/examples/${name}.json`, 'utf8')) as R;
