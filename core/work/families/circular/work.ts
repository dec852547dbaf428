import { byHand } from '../../by-hand';
import { studyCircular } from './study';

/** Worked by hand on the screens for now; its study runs from a record at the command line. */
export const circularWork = byHand('circular', (record) => {
  if (record.family !== 'circular') throw new RangeError('This is no circular record.');
  return { family: record.family, ...studyCircular(record) };
});
