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
export function filingWay({ cutters, pull }: Pick<LineInputs, 'cutters' | 'pull'>): FilingWay {
  if (cutters) return { toothOf: pointedTooth, fileOf: pointingFile };
  if (pull) return { toothOf: (rakeDeg) => pullTooth(rakeDeg, pull.backDeg), fileOf: chooseFeather };
  return { toothOf: toothFor, fileOf: chooseFile };
}
