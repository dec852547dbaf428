import { odontisCommand } from './odontis-command';

const { code, out, lines } = await odontisCommand(process.argv.slice(3));
if (code === 0) console.log(out);
for (const line of lines) console.error(line);
process.exitCode = code;
