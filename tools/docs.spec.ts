import { PREPARINGS } from '@odontis/core/work/preparing';
import { SET_CHOICES } from '@odontis/core/work/tooth-line/inputs';
import { PRICE_KINDS, WORD_BY } from '@odontis/core/money/price-chain';
import { GRADES } from '@odontis/core/saw/plate-marks';
import { RESULTS } from '@odontis/core/work/deeds';
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { MESSAGE_KINDS } from '@odontis/contract/notes';
import { ENDINGS, DECISIONS, STAGES, WAITS } from '@odontis/contract/ticket';
import { BAND_SETS } from '@odontis/core/saw/saw';
import { CALIBRATIONS } from '@odontis/core/calibration/hand';
import { FACT_WORDS } from '@odontis/core/judgement/saw-facts';
import { FILE_SECTIONS } from '@odontis/core/file/file-section';
import { ANGLE_WAYS, POINT_SIDES, SEATED_SECTIONS } from '@odontis/core/evidence/angle-finding';
import { GAUGES } from '@odontis/core/evidence/gauges';
import { QUANTITIES } from '@odontis/core/evidence/quantities';
import { PULL_EDGES } from '@odontis/core/pull/pull-tooth';
import { RAKER_TIPS } from '@odontis/core/raker/raker-plan';
import { RAKER_SAWS } from '@odontis/core/raker/raker-target';
import { FAMILIES, MOISTURES, TIMBERS } from '@odontis/core/saw/all-families';
import { TOOTH_ROLES } from '@odontis/core/saw/tooth-pattern';
import { USES } from '@odontis/core/set/family-set';
import { FILE_DIRECTION_SCHOOLS } from '@odontis/core/file/direction';
import { LINE_CHOICES } from '@odontis/core/work/tooth-line/inputs';
import { SHAVINGS } from '@odontis/core/raker/shavings';
import { DOUBTS } from '@odontis/core/hear/follow-place';
import { TROUBLES } from '@odontis/core/hear/stroke-trouble';
import { TOOL_DEEDS, TOOL_KINDS } from '@odontis/core/store/tool';
import { HOWS } from '@odontis/core/work/place-keeping';
import { EDGES, HEAVIER, STEP_KINDS } from '@odontis/core/work/step';
import { CROSSCUT_KINDS, TIPS } from '@odontis/core/saw/saw';
import { ALL_FILINGS, BACK_FIXINGS, CUTS, FILINGS, LINE_FAMILIES, WOODS } from '@odontis/core/saw/families';
import { POINT_CONVENTIONS } from '@odontis/core/units/points';
import { LEANS, TOOTH_KINDS } from '@odontis/core/evidence/tooth-reading';
import { TOOTH_DOUBTS } from '@odontis/core/trace/traced-line';
import { PLATE_MARKS } from '@odontis/core/saw/plate-marks';
import {
  BECAUSE,
  GRAINS,
  HARDENED_ANSWERS,
  LINE_LOOKS,
  VERDICTS,
  WANTED_FILINGS,
} from '@odontis/core/judgement/triage';
import { walkedSaw } from './walk';

const page = (name: string): string => readFileSync(path.join('docs', name), 'utf8');

describe('docs that cannot lie', () => {
  it('the walked saw’s numbers are the ones core works out', () => {
    const text = page('architecture.md');
    for (const line of walkedSaw()) expect(text).toContain(`> ${line}`);
  });

  it('the formats name every fact a rule may look at', () => {
    const text = page('formats.md');
    for (const fact of Object.keys(FACT_WORDS)) expect(text).withContext(fact).toContain(`\`${fact}\``);
  });

  it('the glossary names every value of the vocabulary, and no others', () => {
    const vocabulary = new Set<string>([
      ...STAGES,
      ...GAUGES,
      ...TOOL_KINDS,
      ...TOOL_DEEDS,
      ...ANGLE_WAYS,
      ...POINT_SIDES,
      ...SEATED_SECTIONS,
      ...QUANTITIES,
      ...TOOTH_DOUBTS,
      ...WAITS,
      ...FILE_DIRECTION_SCHOOLS,
      ...LINE_CHOICES,
      ...HEAVIER,
      ...STEP_KINDS,
      ...EDGES,
      ...SHAVINGS,
      ...BACK_FIXINGS,
      ...FILINGS,
      ...LINE_FAMILIES,
      ...WOODS,
      ...POINT_CONVENTIONS,
      ...LEANS,
      ...TOOTH_KINDS,
      ...HARDENED_ANSWERS,
      ...PLATE_MARKS,
      ...VERDICTS,
      ...FAMILIES,
      ...MOISTURES,
      ...TIMBERS,
      ...USES,
      ...TOOTH_ROLES,
      ...RAKER_SAWS,
      ...RAKER_TIPS,
      ...FILE_SECTIONS,
      ...CUTS,
      ...BAND_SETS,
      ...PULL_EDGES,
      ...CALIBRATIONS,
      ...ALL_FILINGS,
      ...CROSSCUT_KINDS,
      ...TIPS,
      ...LINE_LOOKS,
      ...GRAINS,
      ...WANTED_FILINGS,
      ...BECAUSE,
      ...DECISIONS,
      ...MESSAGE_KINDS,
      ...PRICE_KINDS,
      ...WORD_BY,
      ...ENDINGS,
      ...RESULTS,
      ...PREPARINGS,
      ...SET_CHOICES,
      ...GRADES,
      ...HOWS,
      ...DOUBTS,
      ...TROUBLES,
    ]);
    const told = new Set(
      [...page('glossary.md').matchAll(/`([a-z-]+)`/g)].map((m) => m[1] as string).filter((w) => w !== 'code'),
    );
    expect([...vocabulary].filter((word) => !told.has(word))).toEqual([]);
    expect([...told].filter((word) => !vocabulary.has(word))).toEqual([]);
  });

  it('every link to a file of ours leads somewhere', () => {
    const pages = [
      'README.md',
      ...readdirSync('docs')
        .filter((f) => f.endsWith('.md'))
        .map((f) => `docs/${f}`),
    ];
    for (const file of pages) {
      const links = [...readFileSync(file, 'utf8').matchAll(/\]\((?!https?:|#)([^)#\s]+)/g)].map((m) => m[1] as string);
      for (const link of links) {
        expect(existsSync(path.join(path.dirname(file), link)))
          .withContext(`${file} -> ${link}`)
          .toBeTrue();
      }
    }
  });
});
