import { newSaw } from '@odontis/contract/saw';
import type { PointConvention } from '@odontis/core/units/points';
import type { Saw } from '@odontis/core/saw/saw';
import { bladeMeasures, setMeasures } from '@odontis/core/saw/saw';
import type { Family } from '@odontis/core/saw/all-families';
import { pitchFromCounted } from '@odontis/core/saw/all-families';
import { parseCount, pitchMmSaid } from '@odontis/core/units/count';
import type { LengthUnit } from '@odontis/core/units/length';
import { parseLength } from '@odontis/core/units/length';
import type { ShopSpeech } from '@odontis/core/units/shop-speech';
import type { SawTold } from './saw-told';
import { plain } from './plain-number';
import type { CountedBy } from './questions';

/** Lengths of saws are typed in inches where the shop speaks thou. */
const unitOf = (speech: ShopSpeech): LengthUnit => (speech.lengthUnit === 'thou' ? 'inch' : 'mm');

/** mm of a field, NaN where it cannot be read; the contract then says what would be right. */
export function lengthMm(text: string, unit: LengthUnit): number {
  const read = parseLength(text, unit);
  return read.ok ? read.mm : NaN;
}

/** A pitch as counted to the inch, or from tip to tip where the teeth are told so. NaN where it cannot be read. mm. */
function pitchSaid(text: string, by: CountedBy, speech: ShopSpeech): number {
  if (by === 'pitch') return lengthMm(text, unitOf(speech));
  return pitchMmSaid(text, by === 'counted' ? speech.pointConvention : by);
}

/** The teeth at the toe, where any were told of; counted as the others are. */
function toeOf(told: SawTold['told'], speech: ShopSpeech): object {
  const teeth = (told['toeTeeth'] ?? '').trim();
  if (teeth === '') return {};
  const by = (told['countedBy'] ?? 'points') as CountedBy;
  const pitchFromMm = pitchSaid(told['toeCount'] ?? '', by, speech);
  const end = (told['toeCountEnd'] ?? '').trim();
  const relax = (told['toeRelax'] ?? '').trim();
  const relaxDeg = relax === '' ? 0 : plain(relax);
  const pitchToMm = end === '' ? pitchFromMm : pitchSaid(end, by, speech);
  return {
    toeZones: [{ teeth: plain(teeth), pitchFromMm, pitchToMm, relaxFromDeg: relaxDeg, relaxToDeg: relaxDeg }],
  };
}

/** A two-edged saw's rip edge and what is hardened of it; nothing of a saw with one edge. */
function otherEdge(told: SawTold['told'], speech: ShopSpeech): object {
  if (told['edges'] !== '2') return {};
  const count = (told['ripCount'] ?? '').trim();
  const hard = told['hardEdge'] ?? 'none';
  const by = (told['countedBy'] ?? 'points') as CountedBy;
  return {
    ...(count !== '' && { ripPitchMm: pitchSaid(count, by, speech) }),
    ...(hard !== 'none' && { hardEdge: hard }),
  };
}

/** Where in its pattern the line begins; a whole group where nobody tapped another tooth. */
const begunAt = (told: SawTold['told']): object => {
  const offset = plain(told['patternOffset'] ?? '0');
  return offset === 0 ? {} : { patternOffset: offset };
};

/** Pitch of the teeth as counted, whichever way; NaN where that cannot be told yet. mm. */
function pitchOf(draft: SawTold, family: Family, lineMm: number, speech: ShopSpeech): number {
  const { count = '', countedBy = 'points' } = draft.told;
  const by = countedBy as CountedBy;
  if (by !== 'counted') return pitchSaid(count, by, speech);
  const teeth = plain(count);
  return teeth >= 2 && lineMm > 0 ? pitchFromCounted(family, lineMm, teeth) : NaN;
}

/** How its teeth were counted, by the word typed after the number first. */
function conventionOf(told: SawTold['told'], speech: ShopSpeech): PointConvention {
  const said = parseCount(told['count'] ?? '');
  if (said.ok && said.saidAs) return said.saidAs;
  return told['countedBy'] === 'points' || told['countedBy'] === 'teeth' ? told['countedBy'] : speech.pointConvention;
}

/**
 * The saw as it would be kept. A number that cannot be read is NaN, and an answer not given
 * is left out: the contract refuses both with a sentence.
 */
export function readSaw(draft: SawTold, speech: ShopSpeech): unknown {
  if (draft.family === '') return undefined;
  const unit = unitOf(speech);
  const { told, family } = draft;
  const mm = (key: string): number => lengthMm(told[key] ?? '', unit);
  const head = {
    family,
    name: told['sawName'] ?? '',
    marksOnIt: told['marksOnIt'] ?? '',
    filing: told['filing'],
    convention: conventionOf(told, speech),
    plateThicknessMm: mm('thickness'),
  };
  const toothLineMm = mm('toothLine');
  const line = {
    toothLineMm,
    pitchMm: pitchOf(draft, family, toothLineMm, speech),
    plateDepthHeelMm: mm('depthHeel'),
    plateDepthToeMm: mm('depthToe'),
  };
  const speed = (told['speed'] ?? '').trim();
  const [diameterMm, boreMm] = [mm('diameter'), mm('bore')];
  const blade = {
    backFixing: 'none',
    diameterMm,
    boreMm,
    tipped: told['tipped'],
    markedLimitRpm: speed === '' ? null : plain(speed.replace(/[\s,.'’](?=\d{3}\b)/g, '')),
  };
  const pattern = (told['toothPattern'] ?? '').replace(/\s+/g, '').toUpperCase();
  switch (family) {
    case 'hand':
      return { ...head, ...line, ...toeOf(told, speech), backFixing: 'none' };
    case 'back':
      return { ...head, ...line, ...toeOf(told, speech), backFixing: told['backFixing'] };
    case 'pull':
      return {
        ...head,
        ...line,
        backFixing: told['backFixing'],
        edges: plain(told['edges']),
        ...otherEdge(told, speech),
      };
    case 'crosscut':
      return { ...head, ...line, backFixing: 'none', kind: told['kind'], pattern, ...begunAt(told) };
    case 'band': {
      const [loopMm, widthMm] = [mm('loop'), mm('width')];
      return {
        ...head,
        filing: 'rip',
        backFixing: 'none',
        toothLineMm: loopMm,
        pitchMm: pitchOf(draft, family, loopMm, speech),
        plateDepthHeelMm: widthMm,
        plateDepthToeMm: widthMm,
        set: told['set'],
      };
    }
    case 'circular':
      return {
        ...head,
        ...blade,
        ...bladeMeasures(diameterMm, boreMm, plain(told['teeth'])),
        ...(pattern !== '' && told['filing'] === 'combination' && { pattern }),
      };
    case 'dado': {
      const parts = draft.parts.map((part) => ({
        id: part.id,
        kind: part.kind,
        teeth: part.kind === 'shim' ? 0 : plain(part.teeth),
        plateMm: lengthMm(part.plate, unit),
        cutMm: part.kind === 'shim' ? lengthMm(part.plate, unit) : lengthMm(part.cut, unit),
      }));
      return { ...head, ...blade, filing: 'combination', ...setMeasures(diameterMm, boreMm, parts), parts };
    }
  }
}

/** The saw as it would be kept, when what was told of it holds together. */
export function sawRead(draft: SawTold, speech: ShopSpeech): Saw | null {
  const read = newSaw.safeParse(readSaw(draft, speech));
  return read.success ? read.data : null;
}
