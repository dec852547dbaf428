import type { Cut } from '@odontis/core/saw/families';
import type { AngleFinding, AngleWay, SeatedSection } from '@odontis/core/evidence/angle-finding';
import { rollFromBlock } from '@odontis/core/angles/block-roll';

import { turnOf } from '@odontis/core/angles/gullet-angles';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import type { FleamSpeech, ParsedAngle, RakeSpeech } from '@odontis/core/units/angle';
import { readDegrees, readFleam } from '@odontis/core/units/angle';

/** What is typed of one reading, as typed. */
export interface AngleDraft {
  readonly fall: string;
  readonly fleam: string;
  readonly dip: string;
  readonly rake: string;
  readonly back: string;
  readonly from: Lean;
  /** Where the tip points: the way the teeth cut, or against it. */
  readonly tip: 'along' | 'against';
}
export const EMPTY_DRAFT: AngleDraft = {
  fall: '',
  fleam: '',
  dip: '',
  rake: '',
  back: '',
  from: 'right',
  tip: 'along',
};

export type DraftField = 'fall' | 'fleam' | 'dip' | 'rake' | 'back';
const NAMES: Readonly<Record<DraftField, string>> = {
  fall: 'The block’s fall',
  fleam: 'The turn',
  dip: 'The handle’s dip',
  rake: 'The face',
  back: 'The back',
};

/** A draft as a finding, or the first sentence about what is wrong; `nothing` where nothing is typed. */
export type ReadDraft =
  | { readonly ok: true; readonly finding: AngleFinding }
  | { readonly ok: false; readonly field: DraftField | null; readonly says: string };

export function readDraft(
  draft: AngleDraft,
  way: AngleWay,
  section: SeatedSection,
  cuts: Cut,
  speech: { readonly rakeSpeech: RakeSpeech; readonly fleamSpeech: FleamSpeech },
): ReadDraft {
  const tip = (draft.tip === 'along') === (cuts === 'push') ? 'toe' : 'heel';
  const wrong = (field: DraftField, text: string): ReadDraft => ({
    ok: false,
    field,
    says:
      text.trim() === ''
        ? `${NAMES[field]} is not typed yet.`
        : `${NAMES[field]} "${text.slice(0, 20)}" is not an angle: type degrees such as 15${field === 'fleam' ? ', or 75 to the plate' : ''}.`,
  });
  const read = (field: DraftField): ParsedAngle<number> =>
    field === 'fleam' ? readFleam(draft.fleam, speech.fleamSpeech) : readDegrees(draft[field]);
  if (way === 'file') {
    const [fall, fleam] = [read('fall'), read('fleam')];
    const dip = draft.dip.trim() === '' ? { ok: true as const, deg: 0 } : read('dip');
    if (!fall.ok) return wrong('fall', draft.fall);
    if (!fleam.ok) return wrong('fleam', draft.fleam);
    if (!dip.ok || dip.deg < 0) return wrong('dip', draft.dip);
    const turnDeg = turnOf(fleam.deg, draft.from, tip);
    const rollDeg = rollFromBlock(fall.deg, section);
    return { ok: true, finding: { way, section, rollDeg, turnDeg, slopeDeg: dip.deg, from: draft.from } };
  }
  const typed = (['rake', 'back', 'fleam'] as const).filter((field) => draft[field].trim() !== '');
  if (typed.length === 0) return { ok: false, field: null, says: 'Type one angle at least.' };
  const bad = typed.find((field) => !read(field).ok);
  if (bad) return wrong(bad, draft[bad]);
  const value = (field: DraftField): number | null => {
    const one = read(field);
    return one.ok ? one.deg : null;
  };
  const [rake, fleam] = [value('rake'), value('fleam')];
  return {
    ok: true,
    finding: {
      way: 'bevel',
      rakeDeg: rake === null ? null : speech.rakeSpeech === 'lean-back' ? 0 - rake : rake,
      backDeg: value('back'),
      turnDeg: fleam === null ? null : turnOf(fleam, draft.from, tip),
    },
  };
}
