import { codeModules } from '@odontis/core/reference/code-modules';
import type { DirtyFindings } from '@odontis/core/reference/trace-truth';
import type { PhotographFindings } from '@odontis/core/reference/random-photograph';
import { tracedDirty } from '@odontis/core/reference/random-scan';
import { photographedRandom, randomPhotograph } from '@odontis/core/reference/random-photograph';
import { bladePhotograph, madeRim } from '@odontis/core/reference/made-blade-photograph';
import { edgePhotograph } from '@odontis/core/reference/made-edge-photograph';
import { bladeMeasured, edgeMeasured, randomBlade, randomEdge } from '@odontis/core/reference/random-round-and-edge';
import { madePhotograph } from '@odontis/core/reference/made-photograph';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import { readyForCodes } from './code-reader';
import { endWith } from './say';

/** So many dirty scans, photographs of lines, of blades and along points, the seeds from which they are made. */
const SCANS = Number(process.env['SCANS'] ?? 60);
const PHOTOGRAPHS = Number(process.env['PHOTOGRAPHS'] ?? 12);
const BLADES = Number(process.env['BLADES'] ?? 6);
const EDGES = Number(process.env['EDGES'] ?? 6);
const SEED = Number(process.env['SEED'] ?? 1);

/** Made scenes with exact truth, many of them: what came of it goes into docs/tracing.md. */
async function scenes(): Promise<void> {
  const scans = { flanks: 0, flanksOver: 0, tipsOver: 0, teeth: 0, doubted: 0, missed: 0, invented: 0 };
  for (let seed = SEED; seed < SEED + SCANS; seed++) {
    const found: DirtyFindings = tracedDirty(seed);
    for (const key of Object.keys(scans) as (keyof DirtyFindings)[]) scans[key] += found[key];
    if (found.flanksOver + found.tipsOver + found.missed + found.invented > 0)
      console.log(`scan ${seed}: ${JSON.stringify(found)}`);
  }
  console.log(
    `${SCANS} dirty scans from seed ${SEED}: ${scans.flanks} flanks of ${scans.teeth} teeth, ${scans.doubted} teeth in doubt; ` +
      `over three stated errors without a doubt ${scans.flanksOver} angles and ${scans.tipsOver} tips; ` +
      `${scans.missed} missed, ${scans.invented} invented`,
  );
  await readyForCodes();
  const all: PhotographFindings[] = [];
  for (let seed = SEED; seed < SEED + PHOTOGRAPHS; seed++) {
    const { line, scene } = randomPhotograph(seed);
    const { picture } = madePhotograph(line, scene, codeModules);
    const found = photographedRandom(line, scene, picture, await seeCodes(picture));
    if (typeof found === 'string') console.log(`photograph ${seed}: ${found}`);
    else {
      all.push(found);
      const { places, heights, rakeDeg, pitchShare } = found;
      console.log(
        `photograph ${seed}: ${found.teeth} teeth, ${found.missed} missed or invented, place ${places.toFixed(3)} mm, ` +
          `height ${heights.toFixed(3)} mm, rake ${rakeDeg.toFixed(2)} degrees, pitch ${(1e6 * pitchShare).toFixed(0)} millionths`,
      );
    }
  }
  const worst = (of: (one: PhotographFindings) => number): number => Math.max(...all.map(of));
  console.log(
    `${PHOTOGRAPHS} photographs from seed ${SEED}: ${PHOTOGRAPHS - all.length} refused; at the worst place ${worst((f) => f.places).toFixed(3)} mm, ` +
      `height ${worst((f) => f.heights).toFixed(3)} mm, rake ${worst((f) => f.rakeDeg).toFixed(2)} degrees, ` +
      `pitch ${(1e6 * worst((f) => f.pitchShare)).toFixed(0)} millionths, ${worst((f) => f.missed)} missed or invented`,
  );
  for (let seed = SEED; seed < SEED + BLADES; seed++) {
    const made = randomBlade(seed);
    const picture = bladePhotograph(madeRim(made.blade), made.blade, made.scene, codeModules);
    const found = bladeMeasured(made, picture, await seeCodes(picture));
    console.log(
      typeof found === 'string'
        ? `blade ${seed}: ${found}`
        : `blade ${seed}: ${found.teeth} teeth, ${found.missed} missed or invented, height ${found.heights.toFixed(3)} mm, ` +
            `${found.over} over three stated errors, hook ${found.rakeDeg.toFixed(2)} degrees`,
    );
  }
  for (let seed = SEED; seed < SEED + EDGES; seed++) {
    const made = randomEdge(seed);
    const picture = edgePhotograph(made.line, made.sets, made.scene, codeModules);
    const found = edgeMeasured(made, picture, await seeCodes(picture));
    console.log(
      typeof found === 'string'
        ? `along the points ${seed}: ${found}`
        : `along the points ${seed}: ${found.teeth} teeth, ${found.wrongSides} on the wrong side, set ${found.setMm.toFixed(3)} mm, ` +
            `left over right ${found.balanceMm.toFixed(3)} mm off, told to ${found.balanceErrorMm.toFixed(3)}`,
    );
  }
}

scenes().catch(endWith);
