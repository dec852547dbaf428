import { byHand } from '../../by-hand';
import { studyPull } from './study';

/** Worked by hand on the screens for now; its study runs from a record at the command line. */
export const pullWork = byHand('pull', (record) => {
  if (record.family !== 'pull') throw new RangeError('This is no pull record.');
  return { family: record.family, ...studyPull(record) };
});
