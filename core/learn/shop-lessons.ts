import { UNCALIBRATED_STROKES } from '../line/strokes';
import { JUMPS_AT_MM } from '../testcut/hop';
import { STONING_PER_PASS_MM } from '../set/stoning';
import type { Learned, LessonId } from './learned';
import type { Lesson, LessonModel, Pair } from './lesson';
import { jumping, learn, proportional } from './lesson';

/** How each thing is foretold, with what the table says. */
const MODELS: Record<LessonId, LessonModel> = {
  // A cut leaves its line by half the difference of its sets at the least (geometry section 10).
  drift: proportional(1),
  hop: jumping(JUMPS_AT_MM),
  // The hinge: set goes as the bent part is filed away (geometry section 6).
  'set-wear': proportional(1),
  strokes: proportional(UNCALIBRATED_STROKES.rateMmPerStroke),
  stone: proportional(STONING_PER_PASS_MM),
  minutes: proportional(1, true),
};

export type ShopPairs = Readonly<Record<LessonId, readonly Pair[]>>;

/** What a shop's pairs teach of one thing. */
export const shopLesson = (id: LessonId, pairs: ShopPairs): Lesson => learn(id, MODELS[id], pairs[id]);

/** What of it is in force: what foretells better than the table, and was not put back to it. */
export function inForce(lessons: readonly Lesson[], putBack: readonly LessonId[]): Learned {
  const of = (id: LessonId) => {
    const lesson = lessons.find((one) => one.id === id);
    return lesson?.better && lesson.fitted && lesson.fitted.value > 0 && !putBack.includes(id)
      ? { value: lesson.fitted.value, error: lesson.fitted.error, pairs: lesson.pairs }
      : null;
  };
  const rate = (id: LessonId) => {
    const found = of(id);
    return found && { rate: found.value, error: found.error, readings: found.pairs };
  };
  const minutes = of('minutes');
  return {
    driftTimes: of('drift')?.value ?? null,
    hopMm: of('hop')?.value ?? null,
    wearTimes: of('set-wear')?.value ?? null,
    strokes: rate('strokes'),
    stone: rate('stone'),
    minutes: minutes && { factor: minutes.value, error: minutes.error, saws: minutes.pairs },
  };
}
