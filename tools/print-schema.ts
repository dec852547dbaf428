import { writeFileSync } from 'node:fs';
import { measuredSchema } from '@odontis/contract/measured-saw';
import { recordSchema } from '@odontis/contract/saw-record';

/** Writes the JSON Schemas in docs/ from the contract; tests hold them equal. */
for (const [name, schema] of [
  ['saw-record', recordSchema()],
  ['measured-saw', measuredSchema()],
] as const)
  writeFileSync(`docs/${name}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);
