// The door to every command: makes sure that Node and the npm packages are there,
// then hands over to the TypeScript tool of that name. Needs nothing but Node.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const commands = [
  'start',
  'own',
  'test',
  'dev',
  'bench',
  'load',
  'kills',
  'hostile',
  'scenes',
  'hear',
  'audit',
  'shots',
  'demo-pictures',
  'build',
  'odontis',
  'backup',
  'restore',
  'export',
  'import',
];
const command = process.argv[2] ?? '';

function stop(line) {
  console.error(line);
  process.exit(1);
}

if (!commands.includes(command)) stop(`Unknown command "${command}". There are: ${commands.join(', ')}.`);
const [major, minor] = process.versions.node.split('.').map(Number);
if (![20, 22, 24].includes(major) || (major === 20 && minor < 19))
  stop(`Odontis runs on Node 20.19, 22 and 24; this is Node ${process.versions.node}.`);

const wanted = createHash('sha256')
  .update(readFileSync(path.join(root, 'package-lock.json')))
  .digest('hex');
const stamp = path.join(root, 'node_modules', '.odontis-installed');
const isInstalled = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted;

// Two commands at once on a fresh checkout: one installs, the other waits for it.
const installing = path.join(root, '.installing');
const LOOK_EVERY_MS = 500;
/** Takes the right to install; false while another living process has it. */
function taken() {
  try {
    writeFileSync(installing, String(process.pid), { flag: 'wx' });
    return true;
  } catch {
    try {
      const owner = Number(readFileSync(installing, 'utf8'));
      if (owner > 0) process.kill(owner, 0);
    } catch (error) {
      // Whoever had it is gone, killed half way: the next look takes it.
      if (error.code === 'ESRCH') rmSync(installing, { force: true });
    }
    return false;
  }
}

if (!isInstalled()) {
  // The command line's own output is JSON: nothing else goes there.
  (command === 'odontis' ? console.error : console.log)('Installing npm packages (once, a few minutes) …');
  while (!taken()) Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, LOOK_EVERY_MS);
  try {
    if (!isInstalled()) {
      const done = spawnSync('npm', ['ci', '--no-progress'], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] });
      if (done.status !== 0) stop('The npm packages could not be installed; see the lines above.');
      mkdirSync(path.dirname(stamp), { recursive: true });
      writeFileSync(stamp, wanted);
    }
  } finally {
    rmSync(installing, { force: true });
  }
}

process.chdir(root);
process.env.NG_CLI_ANALYTICS = 'false';
process.env.NODE_ENV ??= ['start', 'own', 'backup', 'restore'].includes(command) ? 'production' : 'development';
const { register } = await import('tsx/esm/api');
register();
await import(`./${command}.ts`);
