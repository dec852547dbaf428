/**
 * For the bench: traces a raw grey picture (`true`), lays and traces a photograph (`photograph`), or only opens it, and
 * prints the process's peak memory in bytes.
 */
import { readFileSync } from 'node:fs';
import { readPhotograph } from '@odontis/core/photograph/read-photograph';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';
import { readyForCodes } from './code-reader';

const [file, width, mmPerPx, trace] = process.argv.slice(2);
const grey = readFileSync(file ?? '');
const widthPx = Number(width);
const picture = { widthPx, heightPx: grey.length / widthPx, grey };
// A small picture first, so that the program itself is in memory either way.
const small = { widthPx: 400, heightPx: 100, grey: new Uint8Array(40_000) };
traceTeeth(small, { mmPerPx: 1 });
if (trace === 'true') traceTeeth(picture, { mmPerPx: Number(mmPerPx) });
if (trace === 'photograph') {
  await readyForCodes();
  const read = readPhotograph(picture, await seeCodes(picture));
  if (read.ok) traceTeeth(read.picture, { mmPerPx: read.mmPerPx });
}
console.log(process.resourceUsage().maxRSS * 1024);
