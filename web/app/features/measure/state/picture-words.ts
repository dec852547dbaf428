import { PHOTOGRAPH_FAULT_WORDS, PHOTOGRAPH_REFUSAL_WORDS } from '@odontis/core/photograph/photograph-words';
import { pictureFaultWords } from '@odontis/core/trace/picture-faults';
import type { Opened } from '../../../workers/picture-protocol';
import { isPhotographFault, isTraceRefusal } from '../../../workers/picture-protocol';

/** Why a picture could not be opened, and what to do. */
export function faultWords(fault: Extract<Opened, { ok: false }>, name: string): string {
  if (isPhotographFault(fault)) return PHOTOGRAPH_FAULT_WORDS[fault.code];
  if (isTraceRefusal(fault)) return PHOTOGRAPH_REFUSAL_WORDS[fault.code];
  return pictureFaultWords(fault.code, name, fault.header);
}
