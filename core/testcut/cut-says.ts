import type { LoadResult } from './load';
import type { TestCut } from './test-cut';

/** A saw that rises and falls by less is felt to move evenly, mm; so much less uneven is felt at all. No source. */
const EVEN_MM = 0.02;
const FELT = 0.8;

/** What a saw's cut was and is, in a sentence for who uses it; empty where its teeth's loads are not known. */
export function cutSays(
  before: TestCut,
  now: TestCut,
  say: { readonly fine: (mm: number) => string; readonly plate: (mm: number) => string },
): string {
  const [had, has, hop] = [before.loads, now.loads, before.hopMm ?? 0];
  if (!had || !has) return '';
  const kerf = now.section ? `, in a kerf ${say.plate(now.section.widthMm)} wide` : '';
  const share = (loads: LoadResult): string => `${Math.round(100 * loads.shareWorking)} of 100`;
  const eased = has.worstOverMean < FELT * had.worstOverMean || (hop > EVEN_MM && (now.hopMm ?? 0) < FELT * hop);
  const was =
    hop > EVEN_MM
      ? `the saw rose and fell by ${say.fine(hop)}`
      : `the hardest worked took ${had.worstOverMean.toFixed(1)} times the others’ share`;
  const turned =
    before.drift && now.drift && before.drift.runsTo !== 'true' && now.drift.runsTo === 'true'
      ? `; it ran to the ${before.drift.runsTo} and now runs true`
      : '';
  return eased
    ? `As it came, ${share(had)} teeth cut and ${was}; now ${share(has)} share the cut${kerf}${turned}.`
    : `Its teeth share the cut as evenly as they did, ${share(has)} of them at work${kerf}${turned}.`;
}
