/** For the bench: traces a raw grey picture (or only opens it) and prints the process's peak memory in bytes. */
import { readFileSync } from 'node:fs';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';

const [file, width, mmPerPx, trace] = process.argv.slice(2);
const grey = readFileSync(file ?? '');
const widthPx = Number(width);
// A small picture first, so that the program itself is in memory either way.
const small = { widthPx: 400, heightPx: 100, grey: new Uint8Array(40_000) };
traceTeeth(small, { mmPerPx: 1 });
if (trace === 'true') traceTeeth({ widthPx, heightPx: grey.length / widthPx, grey }, { mmPerPx: Number(mmPerPx) });
console.log(process.resourceUsage().maxRSS * 1024);
