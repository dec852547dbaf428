import { byHand } from '../../by-hand';
import { studyDado } from './study';

/** Worked by hand on the screens for now; its study runs from a record at the command line. */
export const dadoWork = byHand('dado', (record) => {
  if (record.family !== 'dado') throw new RangeError('This is no dado record.');
  return { family: record.family, ...studyDado(record) };
});
