import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { DRAWING_BACK, LIFTING } from '@odontis/core/reference/made-filing';
import { NOISE_KINDS } from '@odontis/core/reference/made-sound';
import type { HeardRun } from '@odontis/core/reference/heard-run';
import { LEARNS_FROM } from '@odontis/core/hear/learn-ear';
import { heardRun } from '@odontis/core/reference/heard-run';

/**
 * The long run of hearing: `GULLETS= SEEDS= SEED= NOISES= SNRS= QUIET_GULLETS= npm run hear`. Every noise, both hands, every
 * level; the machine's own voice (espeak-ng) beside the work as well, where it has one.
 */
const number = (name: string, usual: number): number => Number(process.env[name] ?? usual);
const GULLETS = number('GULLETS', 125);
const SEEDS = number('SEEDS', 8);
const SEED = number('SEED', 1);
const SNRS = (process.env['SNRS'] ?? '20,6,0,-3').split(',').map(Number);
const NOISES = process.env['NOISES']?.split(',') ?? [...NOISE_KINDS, 'a speaking program'];
const RATE = 24_000;
const WORDS =
  'The shop on the quay takes in hand saws, back saws and band saws. She asked whether the panel saw would be ready on Friday, ' +
  'since the scene shop has sixty sheets of softwood to cut. Six sharp Swiss scissors, he said, sing softly in the first frost.';

/** Gullets in a quiet room before the noise begins. */
const QUIET_GULLETS = number('QUIET_GULLETS', 0);

/** What a speaking program says, mono at the run's own rate; null where the machine has none. */
function spoken(): Float32Array | null {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-hear-'));
  try {
    const file = path.join(folder, 'spoken.wav');
    execFileSync('espeak-ng', ['-s', '165', '-w', file, WORDS], { stdio: 'ignore' });
    const wav = readFileSync(file);
    const rate = wav.readUInt32LE(24);
    const from = wav.indexOf('data') + 8;
    const source = new Int16Array(
      wav.buffer.slice(wav.byteOffset + from, wav.byteOffset + wav.length - ((wav.length - from) % 2)),
    );
    return Float32Array.from({ length: Math.floor((source.length * RATE) / rate) }, (_, i) => {
      const at = (i * rate) / RATE;
      const [k, part] = [Math.floor(at), at % 1];
      return ((1 - part) * (source[k] ?? 0) + part * (source[k + 1] ?? 0)) / 32_768;
    });
  } catch {
    return null;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const share = (part: number, of: number): string => (of === 0 ? '-' : `${((100 * part) / of).toFixed(2)} %`);

function report(name: string, runs: readonly HeardRun[], cpuS: number): void {
  const sum = (of: (run: HeardRun) => number): number => runs.reduce((all, run) => all + of(run), 0);
  const latencies = runs.flatMap((run) => run.latenciesS).sort((a, b) => a - b);
  const strokes = sum((run) => run.strokes);
  const doubts: Record<string, number> = {};
  for (const doubt of runs.flatMap((run) => run.doubts)) doubts[doubt] = (doubts[doubt] ?? 0) + 1;
  console.log(
    `${name.padEnd(34)} right ${share(
      sum((r) => r.counted - r.invented),
      strokes,
    ).padStart(8)} of ${strokes}` +
      ` · by ear ${sum((r) => r.byEar)} of ${sum((r) => (r.learned ? r.gullets : 0))}` +
      ` · SKIPPED ${sum((r) => r.skipped)} · behind ${sum((r) => r.lagged)}` +
      ` · asked ${JSON.stringify(doubts)}` +
      ` · not learned ${sum((r) => (r.learned ? 0 : 1))}, given up ${sum((r) => (r.restless ? 1 : 0))} of ${runs.length}` +
      ` · tick ${Math.round(1000 * (latencies[Math.floor(0.95 * latencies.length)] ?? NaN))} ms, in vain ${sum((r) => r.untrue)}` +
      ` · ${((100 * cpuS) / sum((r) => r.seconds)).toFixed(2)} % of a core, its making included`,
  );
}

const voice = NOISES.includes('a speaking program') ? spoken() : null;
if (NOISES.includes('a speaking program') && !voice)
  console.log('No espeak-ng on this machine: its voice is left out.');
for (const noise of NOISES)
  for (const [hand, name] of [
    [LIFTING, 'lifts'],
    [DRAWING_BACK, 'draws back'],
  ] as const)
    for (const snrDb of noise === 'quiet' ? [45] : SNRS) {
      const kind = NOISE_KINDS.find((one) => one === noise);
      if (!kind && !voice) continue;
      const started = process.cpuUsage();
      const runs = Array.from({ length: SEEDS }, (_, k) =>
        heardRun({
          ...{ hand, snrDb, walkDb: 4, rate: RATE, noiseAfterGullet: QUIET_GULLETS, seed: SEED + 31 * k },
          strokes: Array.from({ length: GULLETS + LEARNS_FROM }, () => 2),
          ...(kind ? { noise: kind } : { beside: voice ?? undefined }),
        }),
      );
      const used = process.cpuUsage(started);
      report(`${noise}, ${snrDb} dB, ${name}`, runs, (used.user + used.system) / 1e6);
    }
