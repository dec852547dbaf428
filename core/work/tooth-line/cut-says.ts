import type { TestCut } from '../../testcut/test-cut';

/** A saw that rises and falls by less is felt to move evenly, mm; so much less uneven is felt at all. No source. */
const EVEN_MM = 0.02;
const FELT = 0.8;

/** What a saw's cut was and is, in a sentence for who uses it. */
export function cutSays(
  before: TestCut,
  now: TestCut,
  say: { readonly fine: (mm: number) => string; readonly plate: (mm: number) => string },
): string {
  const kerf = now.section ? `, in a kerf ${say.plate(now.section.widthMm)} wide` : '';
  const share = ({ loads }: TestCut): string => `${Math.round(100 * loads.shareWorking)} of 100`;
  const eased =
    now.loads.worstOverMean < FELT * before.loads.worstOverMean ||
    (before.hopMm > EVEN_MM && now.hopMm < FELT * before.hopMm);
  const was =
    before.hopMm > EVEN_MM
      ? `the saw rose and fell by ${say.fine(before.hopMm)}`
      : `the hardest worked took ${before.loads.worstOverMean.toFixed(1)} times the others’ share`;
  const turned =
    before.drift && now.drift && before.drift.runsTo !== 'true' && now.drift.runsTo === 'true'
      ? `; it ran to the ${before.drift.runsTo} and now runs true`
      : '';
  return eased
    ? `As it came, ${share(before)} teeth cut and ${was}; now ${share(now)} share the cut${kerf}${turned}.`
    : `Its teeth share the cut as evenly as they did, ${share(now)} of them at work${kerf}${turned}.`;
}
