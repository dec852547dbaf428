import type { Doubt } from '@odontis/core/hear/follow-place';
import type { Trouble } from '@odontis/core/hear/stroke-trouble';
import type { UNLEARNED } from '@odontis/core/hear/learn-ear';
import type { HearFault } from '../../../workers/hear-client';

export const FAULT_SAYS: Record<HearFault, string> = {
  none: 'This device has no microphone. Keep the place by key, by windows or by a pace.',
  refused: 'The microphone was refused. Allow it for this page in the browser, or keep the place another way.',
  busy: 'Another program holds the microphone. Close it and listen again.',
  'not-here': 'This browser gives no microphone to this page. Over the shop’s trusted address (https) it does.',
  lost: 'The microphone is gone. Nothing was counted since; listen again, or go on by key.',
};

export const UNLEARNED_SAYS: Record<(typeof UNLEARNED)[number], string> = {
  silence: 'Nothing was heard at all: the microphone is mute.',
  'too-few': 'These were too few strokes to learn from.',
  'not-as-many': 'Other strokes were heard than these gullets have.',
  'as-loud': 'Something else here is about as loud as your file.',
  uneven: 'The strokes that were heard were not alike: something else was heard with them.',
  'no-pauses':
    'You move on as quickly as you stroke: nothing tells one gullet from the next. Pause a little longer, or keep the place by windows.',
};

export const DOUBT_SAYS: Record<Doubt, string> = {
  fewer: 'Fewer strokes were heard here than this gullet wants, then a pause.',
  more: 'More strokes were heard here than this gullet wants.',
  unsure: 'One of these strokes did not sound like yours.',
  masked: 'It was too loud here to hear every stroke.',
  rhythm: 'Another file is heard besides yours.',
  skate: 'Stop: the file slides and does not bite. A hardened tooth, or a dull file.',
};

export const TROUBLE_SAYS: Record<Trouble, string> = {
  screech: 'It screeches: the saw stands too high in the jaws. Lower it until the gullets are just above them.',
  chatter: 'It chatters: hold the file firmly, and clamp the saw nearer to where you file.',
  skate: 'The file slides and does not bite: a hardened tooth, or a dull file.',
};
