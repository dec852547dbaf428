import { plainFacts } from '@odontis/core/work/plain-facts';
import { readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import Papa from 'papaparse';
import { lineFromRows } from '@odontis/contract/line-csv';
import type { MeasuredSaw } from '@odontis/contract/measured-form';
import { MEASURED_FORMAT } from '@odontis/contract/measured-form';
import { readMeasured } from '@odontis/contract/measured-saw';
import type { RecordFault } from '@odontis/contract/saw-record';
import { RECORD_FORMAT, RECORD_VERSION, recordFaults, recordOf, sawRecord } from '@odontis/contract/saw-record';
import { workOf } from '@odontis/core/work/families';
import type { WorkFacts } from '@odontis/core/work/family-work';
import { PLAIN_WISH } from '@odontis/core/work/family-work';
import { planOf } from '@odontis/core/work/tooth-line/of-record';
import { POINT_CONVENTIONS } from '@odontis/core/units/points';
import { pitchMmSaid } from '@odontis/core/units/count';
import { parseLength } from '@odontis/core/units/length';
import { traceCommand } from './trace-command';

// Over 250 lines: one command line, each of its words and what is said where it cannot be done.

/**
 * The command line on the core: `plan FILE` prints a saw's plan as JSON, `check
 * FILE` names every fault of a record. Exit code 0 for good, 2 for anything
 * that is not, one line a fault on the error output and no stack.
 */
const USAGE = `odontis plan FILE [--joint DEPTH]     the plan of a saw record or of a saw's measurements (JSON), as JSON
odontis plan FILE.csv --family back --filing rip --pitch "2.1 mm" --plate "0.6 mm" --depth "60 mm"
                 [--points N | --teeth N in place of --pitch] [--wood dry-soft] [--joint DEPTH]
odontis check FILE [the same options]  every fault of it, with its path
odontis trace PICTURE [--dpi 600] [--family pull] [--heel left|right] [--pattern CCR] [--svg FILE] [--dxf FILE]
                 [--plate "0.9 mm"] [--rulers 239.6x149.9] [--round 250x30x50] [--along 3.63x5]
                 the teeth of a scanned or photographed tooth line (PNG, JPEG or TIFF), as JSON; a photograph is known
                 by the measuring strips on it, --rulers are its sheet's two rulers as measured; --round is a blade's diameter,
                 bore and teeth, --along the pitch of a saw seen along its points and how far they stand over the strips`;

/** Wrong input: lines for the error output, exit code 2. */
class Faulty extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
  }
}
const faulty = (line: string): never => {
  throw new Faulty([line]);
};

/** Teeth nearer than sixty to the inch are no saw's. mm. */
const FINEST_MM = 25.4 / 60;
/** Larger files than this hold no saw. */
const MOST_BYTES = 20_000_000;

const OPTIONS = {
  joint: { type: 'string' },
  family: { type: 'string' },
  filing: { type: 'string' },
  pitch: { type: 'string' },
  points: { type: 'string' },
  teeth: { type: 'string' },
  plate: { type: 'string' },
  round: { type: 'string' },
  along: { type: 'string' },
  depth: { type: 'string' },
  wood: { type: 'string' },
  dpi: { type: 'string' },
  heel: { type: 'string' },
  rulers: { type: 'string' },
  pattern: { type: 'string' },
  svg: { type: 'string' },
  dxf: { type: 'string' },
} as const;
type Options = Partial<Record<keyof typeof OPTIONS, string>>;

function lengthOption(options: Options, name: keyof Options): number {
  const typed = options[name];
  if (typed === undefined)
    return faulty(`--${name} is missing: a CSV holds the readings alone, say --${name} "2.1 mm".`);
  // A bare number has no unit, except a fraction, which is inches.
  if (/^[\s\d.,+-]+(e[+-]?\d+)?$/i.test(typed))
    return faulty(`--${name} "${typed}" says no unit: write it with mm, in or thou.`);
  const read = parseLength(typed, 'mm');
  return read.ok ? read.mm : faulty(`--${name} "${typed}" is not a length.`);
}

function pitchOption(options: Options): number {
  for (const convention of POINT_CONVENTIONS) {
    const typed = options[convention];
    if (typed === undefined) continue;
    const pitchMm = pitchMmSaid(typed, convention);
    if (!(pitchMm >= FINEST_MM))
      return faulty(`--${convention} "${typed}" is not a count to the inch between 1 and 60, such as 5 1/2.`);
    return pitchMm;
  }
  return lengthOption(options, 'pitch');
}

/** Files are named from where the command was given. */
const placeOf = (file: string): string => path.resolve(process.env['INIT_CWD'] ?? '.', file);

/** The file's text; refuses what is no text at all. */
function readText(file: string): string {
  const where = placeOf(file);
  let bytes: Buffer;
  try {
    if (statSync(where).size > MOST_BYTES)
      return faulty(`${file} is too large to be a saw: at most ${MOST_BYTES / 1e6} MB.`);
    bytes = readFileSync(where);
  } catch {
    return faulty(`${file} cannot be read: is it there?`);
  }
  if (bytes.length === 0) return faulty(`${file} is empty.`);
  if (bytes.includes(0)) return faulty(`${file} is not a text file: a saw record is JSON, readings are CSV.`);
  return bytes.toString('utf8').replace(/^\uFEFF/, '');
}

function fromCsv(text: string, options: Options): unknown {
  const rows = Papa.parse<string[]>(text, { skipEmptyLines: false }).data;
  const pitchMm = pitchOption(options);
  const filled = rows
    .map((cells, i) => ({ cells, line: i + 1 }))
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''));
  const read = lineFromRows(filled, pitchMm);
  if (!read.ok) throw new Faulty(read.faults.map((fault) => `line ${fault.line}: ${fault.message}`));
  if (read.holds !== 'line') return faulty('The CSV holds no tooth line.');
  return {
    format: RECORD_FORMAT,
    version: RECORD_VERSION,
    units: 'mm',
    family: options.family ?? faulty('--family is missing: hand or back.'),
    filing: options.filing ?? faulty('--filing is missing: rip or crosscut.'),
    wood: options.wood ?? 'dry-soft',
    pitchMm,
    plateThicknessMm: lengthOption(options, 'plate'),
    plateDepthMm: lengthOption(options, 'depth'),
    readings: read.teeth,
  };
}

function fromJson(file: string, text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    const says = error instanceof Error ? error.message : '';
    if (/end of JSON|Unterminated/i.test(says)) return faulty(`${file} ends too early: it is not a whole JSON file.`);
    const number = /\b(NaN|-?Infinity)\b/.exec(text);
    if (number) return faulty(`${file} holds ${number[0]}, which is no number in JSON.`);
    return faulty(`${file} is not a JSON file: ${says.split('\n')[0]?.slice(0, 120)}.`);
  }
}

/** JSON by its first sign or its name, else CSV by its heading; anything else is of the wrong kind. */
function load(file: string, options: Options): unknown {
  const text = readText(file);
  if (/^\s*[{[]/.test(text) || file.toLowerCase().endsWith('.json')) return fromJson(file, text);
  if (/^[^\n]*\btooth\b/i.test(text)) return fromCsv(text, options);
  return faulty(`${file} is neither a saw record (JSON) nor readings (CSV with a column "tooth").`);
}

/**
 * The plan of a saw's measurements, by the shop's ordinary habits: what was left out of the measuring is told
 * beside it. Faulty where there is not enough to plan from.
 */
function planOfMeasured({ saw, wood, sessions }: MeasuredSaw, file: string, jointMm: number | undefined): object {
  const work = workOf(saw.family);
  const facts: WorkFacts = plainFacts(saw, sessions, { wood });
  if (work.way === 'round') {
    const round = work.study(facts, work.plain);
    return round.ok ? { family: saw.family, order: work.order(round.study, null) } : faulty(`${file}: ${round.says}`);
  }
  const studied = work.study(facts, PLAIN_WISH);
  if (!studied.ok)
    return faulty(
      `${file}: ${studied.code === 'nothing-measured' ? 'The tooth line was not measured: three teeth at least are wanted.' : studied.says}`,
    );
  return { family: saw.family, coverage: studied.coverage, ...planOf(studied.study, jointMm) };
}

/** The file as a saw's measurements; null where it says it is something else. */
function measuredIn(value: unknown): MeasuredSaw | null {
  if ((value as { format?: unknown } | null)?.format !== MEASURED_FORMAT) return null;
  const read = readMeasured(value);
  if (!read.ok) throw new Faulty(read.faults.map(sayFault));
  return read.file;
}

const sayFault = ({ path: at, message }: RecordFault): string => `${at === '/' ? 'the file' : at}: ${message}`;

/** What the command prints. Faulty for everything that is not good. */
async function answer(argv: readonly string[]): Promise<string> {
  let parsed;
  try {
    parsed = parseArgs({ args: [...argv], options: OPTIONS, allowPositionals: true, strict: true });
  } catch (error) {
    return faulty(`${error instanceof Error ? error.message.split('.')[0] : 'Unknown option'}. See: odontis help`);
  }
  const [command, file, ...more] = parsed.positionals;
  if (command === undefined || command === 'help') return USAGE;
  if (command !== 'plan' && command !== 'check' && command !== 'trace')
    return faulty(`"${command}" is not a command: plan, check or trace.`);
  if (file === undefined || more.length > 0) return faulty(`${command} wants one file. See: odontis help`);
  const options: Options = parsed.values;
  if (command === 'trace') return JSON.stringify(await traced(file, options), null, 2);
  const loaded = load(file, options);
  const measured = measuredIn(loaded);
  if (measured && command === 'check')
    return `${file} holds the measurements of a saw: ${measured.saw.family}, ${measured.saw.name}, sessions ${measured.sessions.length}.`;
  const joint = options.joint === undefined ? undefined : lengthOption(options, 'joint');
  if (measured) return printed(file, () => planOfMeasured(measured, file, joint));
  const faults = recordFaults(loaded);
  if (faults.length > 0) throw new Faulty(faults.map(sayFault));
  const record = recordOf(sawRecord.parse(loaded));
  if (command === 'check') return `${file} is a saw record: ${record.family}${record.name ? `, ${record.name}` : ''}.`;
  return printed(file, () => workOf(record.family).ofRecord(record, joint));
}

/** A plan as JSON; what cannot be planned in one line. */
function printed(file: string, plan: () => object): string {
  try {
    const text = (_: string, v: unknown): unknown => (ArrayBuffer.isView(v) ? Array.from(v as Float64Array) : v);
    return JSON.stringify(plan(), text, 2);
  } catch (error) {
    if (error instanceof RangeError) return faulty(`${file}: ${error.message}`);
    throw error;
  }
}

async function traced(file: string, options: Options): Promise<object> {
  try {
    return await traceCommand(placeOf(file), file, {
      ...options,
      ...(options.plate && { plate: String(lengthOption(options, 'plate')) }),
      ...(options.svg && { svg: placeOf(options.svg) }),
      ...(options.dxf && { dxf: placeOf(options.dxf) }),
    });
  } catch (error) {
    return faulty(error instanceof Error ? error.message : String(error));
  }
}

/** How a command ended: its exit code, what goes to the output, and the lines of the error output. */
export interface Ended {
  readonly code: 0 | 2;
  readonly out: string;
  readonly lines: readonly string[];
}

/** One call of the command, without the process it is usually called in. Never throws. */
export async function odontisCommand(argv: readonly string[]): Promise<Ended> {
  try {
    return { code: 0, out: await answer(argv), lines: [] };
  } catch (error) {
    const lines =
      error instanceof Faulty
        ? error.lines
        : [`odontis could not finish: ${error instanceof Error ? error.message : String(error)}`];
    return { code: 2, out: '', lines };
  }
}
