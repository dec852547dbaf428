import { median } from '../units/median';
import type { TracedTooth } from './traced-line';

/** An angle known this badly, and so many times worse than its neighbours', wants a look. Degrees. */
const BADLY_DEG = 1.5;
const TIMES_WORSE = 3;

/** Teeth whose flanks tell their angles much worse than the others' do, dust or rust on them, are called rough. */
export function markAngles(teeth: readonly TracedTooth[]): TracedTooth[] {
  const errorOf = (t: TracedTooth): number => Math.max(t.errors.rakeDeg ?? 0, t.errors.backDeg ?? 0);
  const limit = Math.max(BADLY_DEG, TIMES_WORSE * median(teeth.filter((t) => t.kind === 'tooth').map(errorOf)));
  return teeth.map((t) =>
    t.kind === 'tooth' && errorOf(t) > limit && !t.doubts.includes('rough-flank')
      ? { ...t, doubts: [...t.doubts, 'rough-flank'] }
      : t,
  );
}
