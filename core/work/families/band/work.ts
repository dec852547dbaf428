import { byHand } from '../../by-hand';
import { studyBand } from './study';

/** Worked by hand on the screens for now; its study runs from a record at the command line. */
export const bandWork = byHand('band', (record) => {
  if (record.family !== 'band') throw new RangeError('This is no band record.');
  return { family: record.family, ...studyBand(record) };
});
