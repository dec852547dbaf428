import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import * as z from 'zod';
import { jsonOf } from '../server/features/copies/read-file';
import type { LookedAt } from './packages';
import { auditFaults, packagesOf } from './packages';
import { endWith, Plainly } from './say';

const LOOKED_AT = 'docs/packages.json';

/** What the registry says of known faults, as npm writes it. */
const said = z.object({
  vulnerabilities: z.record(
    z.string(),
    z.object({
      severity: z.string(),
      via: z.union([z.string(), z.object({ url: z.string(), title: z.string() })]).array(),
    }),
  ),
});

/** Advisories nobody said anything about; null where the registry answers none, as without a network. */
function advisories(looked: LookedAt): string[] | null {
  const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], { encoding: 'utf8', timeout: 60_000 });
  const read = said.safeParse(jsonOf(stdout));
  if (!read.success) return null;
  const known = new Set(looked.advisories.map((one) => one.id));
  return Object.entries(read.data.vulnerabilities).flatMap(([name, { severity, via }]) =>
    via.flatMap((one) =>
      typeof one === 'string' || known.has(one.url) ? [] : [`${name}, ${severity}: ${one.title} (${one.url})`],
    ),
  );
}

/** npm run audit: every package against what was looked at; -- --looked writes down that they were looked at now. */
function audit(): void {
  const packages = packagesOf(
    JSON.parse(readFileSync('package-lock.json', 'utf8')) as Parameters<typeof packagesOf>[0],
  );
  const looked = JSON.parse(readFileSync(LOOKED_AT, 'utf8')) as LookedAt;
  if (process.argv.includes('--looked')) {
    const shipped = packages.filter((one) => one.ships).map((one) => one.id);
    const on = new Date().toISOString().slice(0, 10);
    writeFileSync(LOOKED_AT, `${JSON.stringify({ ...looked, on, shipped }, null, 2)}\n`);
    console.log(`${shipped.length} packages that ship are written down as looked at.`);
    return;
  }
  const faults = auditFaults(packages, looked, readFileSync('.npmrc', 'utf8'));
  const found = advisories(looked);
  for (const line of [...faults, ...(found ?? [])]) console.log(line);
  console.log(
    found === null
      ? `Known faults could not be asked for: the registry answers none here. Packages were looked at on ${looked.on}.`
      : `Known faults were asked for: ${found.length} that nobody said anything about.`,
  );
  if (faults.length + (found?.length ?? 0) > 0)
    throw new Plainly('Look at these, then write it down: npm run audit -- --looked (docs/security.md).');
}

try {
  audit();
} catch (error) {
  endWith(error);
}
