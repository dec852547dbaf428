import type { FileChoice } from '../../file/file-choice';
import { chooseFeather, chooseFile, pointingFile } from '../../file/file-choice';
import type { FiledTooth } from '../../file/flank-angles';
import { pointedTooth, toothFor } from '../../file/flank-angles';
import { pullTooth } from '../../pull/pull-tooth';
import type { LineInputs } from './inputs';

/** How the teeth of a line come by their shape: the tooth a file leaves at a rake, and the file. */
export interface FilingWay {
  readonly toothOf: (rakeDeg: number, fleamDeg: number) => FiledTooth;
  readonly fileOf: (heightMm: number, tooth: FiledTooth, fleamDeg: number) => FileChoice;
}

/** Through its gullets by a three-square file, a cutter by itself, or face, back and top of a pull saw apart. */
export function filingWay({
  cutters,
  pull,
  filesAtHand,
}: Pick<LineInputs, 'cutters' | 'pull' | 'filesAtHand'>): FilingWay {
  if (cutters) return { toothOf: pointedTooth, fileOf: (heightMm) => pointingFile(heightMm, filesAtHand) };
  if (pull)
    return {
      toothOf: (rakeDeg) => pullTooth(rakeDeg, pull.backDeg),
      fileOf: (heightMm, tooth) => chooseFeather(heightMm, tooth, filesAtHand),
    };
  return {
    toothOf: toothFor,
    fileOf: (heightMm, tooth, fleamDeg) => chooseFile(heightMm, tooth, fleamDeg, filesAtHand),
  };
}
