import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, chmodSync, existsSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Cluster, freePort } from './cluster';
import { ensureCertutil, ensureChromium, ensurePostgres } from './debian';
import { endWith } from './say';

interface Tally {
  passed: number;
  failed: number;
}

interface Part {
  readonly name: string;
  readonly command: string;
  readonly args: readonly string[];
  readonly cwd?: string;
  readonly env?: NodeJS.ProcessEnv;
  /** Begins when the part of this name is done. */
  readonly after?: string;
  /** Nothing runs beside it: what it says is said as it comes. */
  readonly alone?: true;
  /** Counts out of the part's own closing lines; null where it has none. */
  readonly count: ((output: string) => Tally | null) | 'one';
}

const jasmineCount = (output: string): Tally | null => {
  const found = /(\d+) specs?, (\d+) failures?/.exec(output);
  return found ? { passed: Number(found[1]) - Number(found[2]), failed: Number(found[2]) } : null;
};

const karmaCount = (output: string): Tally | null => {
  const last = [...output.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
  if (!last) return null;
  const failed = Number(last[3] ?? 0) + Number(last[2]) - Number(last[1]);
  return { passed: Number(last[2]) - failed, failed };
};

const playwrightCount = (output: string): Tally | null => {
  const number = (what: RegExp): number => Number([...output.matchAll(what)].at(-1)?.[1] ?? 0);
  const passed = number(/^\s+(\d+) passed/gm);
  const failed = number(/^\s+(\d+) failed/gm) + number(/^\s+(\d+) did not run/gm) + number(/^\s+(\d+) flaky/gm);
  return passed + failed > 0 ? { passed, failed } : null;
};

/**
 * Run one part; a part that ends badly without a count is one failure. Two run side by side, so what each has
 * to say is said when it ends, in one piece.
 */
function run(part: Part): Promise<Tally> {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(part.command, part.args, {
      cwd: part.cwd,
      env: { ...process.env, ...part.env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (chunk: Buffer) => {
        output += chunk.toString();
        if (part.alone) process.stdout.write(chunk);
      });
    }
    child.on('error', () => resolve({ passed: 0, failed: 1 }));
    child.on('close', (code) => {
      const counted =
        part.count === 'one'
          ? { passed: code === 0 ? 1 : 0, failed: 0 }
          : part.count(output.replace(/\u001b\[[0-9;]*[A-Za-z]/g, ''));
      const tally = counted ?? { passed: 0, failed: 0 };
      if (code !== 0 && tally.failed === 0) tally.failed = 1;
      if (counted === null && code === 0) tally.failed = 1;
      console.log(
        `\n== ${part.name}\n${part.alone ? '' : output}   ${part.name}: ${tally.passed} passed, ${tally.failed} failed, ${Math.round((Date.now() - started) / 1000)} s`,
      );
      resolve(tally);
    });
  });
}

const one = (name: string, command: string, args: readonly string[], cwd?: string): Part => ({
  name,
  command,
  args,
  cwd,
  count: 'one',
});
const jasmine = ['--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js'];

/** Parts named on the command line only, such as `npm test -- core server`. */
function wanted(name: string): boolean {
  const only = process.argv.slice(3);
  return only.length === 0 || only.some((word) => name.startsWith(word));
}

/** Where the other versions that Odontis runs on come from, as npm packages; machines of other kinds have none. */
const OTHER_NODES = ['22', '24'] as const;
/** What meets Node itself: native packages, the database, sockets, threads and files. */
const ON_EVERY_NODE = [
  'server/main.spec.ts',
  'server/features/bench/bench.spec.ts',
  'server/features/machine/machine.spec.ts',
  'server/features/papers/papers.spec.ts',
  'server/features/photographs/photographs.spec.ts',
  'server/http/two-doors.spec.ts',
  'contract/measured-saw.spec.ts',
];

/** The server and the arithmetic on each other version. */
const otherNodes = (env: NodeJS.ProcessEnv): Part[] =>
  process.platform !== 'linux' || process.arch !== 'x64'
    ? []
    : OTHER_NODES.map((version) => ({
        name: `server on Node ${version}`,
        command: path.resolve(`node_modules/node-${version}/bin/node`),
        args: [...jasmine, '--config=server/jasmine.json', ...ON_EVERY_NODE],
        env,
        count: jasmineCount,
      }));

/** Every part once, at most two at a time, each after the one it waits for. */
async function inTwoHands(parts: readonly Part[], add: (part: Part) => Promise<void>): Promise<void> {
  const done = new Map<string, Promise<void>>();
  const left = [...parts];
  const hand = async (): Promise<void> => {
    for (let part = left.shift(); part; part = left.shift()) {
      if (part.after) await done.get(part.after);
      const ended = add(part);
      done.set(part.name, ended);
      await ended;
    }
  };
  await Promise.all([hand(), hand()]);
}

async function test(): Promise<void> {
  const started = Date.now();
  const total: Tally = { passed: 0, failed: 0 };
  const add = async (part: Part): Promise<void> => {
    const tally = await run(part);
    total.passed += tally.passed;
    total.failed += tally.failed;
  };
  const programs = ensurePostgres();
  ensureChromium();
  if (wanted('journey')) ensureCertutil();

  // A cluster, folders and ports of the tests' own: never the data of npm start.
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-test-'));
  chmodSync(folder, 0o755);
  const cluster = await Cluster.start({ programs, folder, throwaway: true });
  const env = { ODONTIS_TEST_DATABASE: cluster.url() };
  const forServer = ['server', 'twenty kills', 'journey'].some(wanted);
  // Two hands take part after part, as two cores are to be counted on: the longest first, and what starts the shop
  // itself after it was built. Building and testing the web checks its types as well.
  const parts: Part[] = [
    ...(forServer ? [one('web and server built', 'node', ['tools/bootstrap.mjs', 'build'])] : []),
    {
      name: 'web units in Chromium',
      command: 'npx',
      args: ['ng', 'test', '--watch=false', '--progress=false'],
      cwd: 'web',
      count: karmaCount,
    },
    {
      name: 'core and contract',
      command: 'node',
      args: [...jasmine, '--config=core/jasmine.json'],
      count: jasmineCount,
    },
    {
      name: 'server on PostgreSQL',
      command: 'node',
      args: [...jasmine, '--config=server/jasmine.json'],
      env,
      after: 'web and server built',
      count: jasmineCount,
    },
    {
      ...one('twenty kills in the middle of writing', 'node', ['tools/bootstrap.mjs', 'kills']),
      env: { KILLS: '20' },
      after: 'web and server built',
    },
    ...otherNodes(env),
    one('audit of packages', 'node', ['tools/bootstrap.mjs', 'audit']),
    one('lint: rules', 'npx', ['eslint', '.', '--max-warnings', '0']),
    one('lint: format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']),
    one('types: all of Node', 'npx', ['tsc', '-p', 'tsconfig.json']),
    one('types: core alone', 'npx', ['tsc', '-p', 'core/tsconfig.json']),
    one('types: contract alone', 'npx', ['tsc', '-p', 'contract/tsconfig.json']),
    one('lint: directions of imports', 'npx', [
      'depcruise',
      ...['core', 'contract', 'server', 'web/app', 'e2e', 'tools'],
      ...['--config', '.dependency-cruiser.cjs', '--output-type', 'err'],
    ]),
  ].filter((part) => part.name === 'web and server built' || wanted(part.name));
  try {
    await inTwoHands(parts, add);
    if (wanted('journey')) await journey(add);
  } finally {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  console.log(`\nTook ${Math.round((Date.now() - started) / 1000)} s.`);
  console.log(`${total.passed} passed, ${total.failed} failed`);
  process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
}

/** How many journeys go on at once: as many as cores are counted on. */
const WORKERS = 2;

/** The whole product as a newcomer starts it, each worker's on a data folder and a port of its own, driven in Chromium. */
async function journey(add: (part: Part) => Promise<void>): Promise<void> {
  const data = mkdtempSync(path.join(os.tmpdir(), 'odontis-journeys-'));
  chmodSync(data, 0o755);
  mkdirSync('test-results', { recursive: true });
  const ports = await Promise.all(Array.from({ length: WORKERS }, () => freePort()));
  const env = { ODONTIS_SHOPS: data, ODONTIS_SHOP_PORTS: ports.join(',') };
  for (const [project, name] of [
    ['together', 'journey in Chromium'],
    ['alone', 'journeys one by one'],
  ] as const)
    await add({
      name,
      command: 'npx',
      args: ['playwright', 'test', '--config', 'e2e/playwright.config.ts', '--project', project],
      env,
      alone: true,
      count: playwrightCount,
    });
  if (existsSync(data)) rmSync(data, { recursive: true, force: true });
}

test().catch(endWith);
