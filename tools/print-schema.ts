import { writeFileSync } from 'node:fs';
import { recordSchema } from '@odontis/contract/saw-record';

/** Writes docs/saw-record.schema.json from the contract; a test holds the two equal. */
writeFileSync('docs/saw-record.schema.json', `${JSON.stringify(recordSchema(), null, 2)}\n`);
