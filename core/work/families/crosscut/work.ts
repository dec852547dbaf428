import { byHand } from '../../by-hand';
import { studyCrosscut } from './study';

/** Worked by hand on the screens for now; its study runs from a record at the command line. */
export const crosscutWork = byHand('crosscut', (record, depthMm) => {
  if (record.family !== 'crosscut') throw new RangeError('This is no crosscut record.');
  return { family: record.family, ...studyCrosscut(record, depthMm) };
});
