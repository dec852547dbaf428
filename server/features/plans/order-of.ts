import type { Dossier } from '@odontis/contract/dossier';
import type { LinePlanChoice, PlanChoice, RoundPlanChoice } from '@odontis/contract/plan';
import type { ShopBook } from '@odontis/contract/shop';
import { workFactsOf } from '@odontis/contract/work-facts';
import type { CalibrationReading } from '@odontis/core/calibration/hand';
import type { Learned } from '@odontis/core/learn/learned';
import { handOf } from '@odontis/core/calibration/hand';
import type { Studied, WorkFacts } from '@odontis/core/work/family-work';
import { USUAL_BOARD_MM } from '@odontis/core/testcut/foretold';
import type { Ordered } from './kept-order';
import type { Worked } from '@odontis/core/work/from-here';
import { notFromHere, orderFromHere } from '@odontis/core/work/from-here';
import { notFromHereSays } from '@odontis/contract/from-here-words';
import { sayFine } from '@odontis/core/units/shop-speech';
import { workOf } from '@odontis/core/work/families';
import { Problem } from '../../http/problem';

/** What an order is worked out from: the ticket as it is kept, the shop's book, the technician's readings of their hand, and the choice. */
export interface ToOrder {
  readonly dossier: Pick<Dossier, 'ticket' | 'saw' | 'sessions' | 'visits' | 'preparations'>;
  readonly book: ShopBook;
  readonly calibrations: readonly CalibrationReading[];
  readonly choice: PlanChoice;
  /** Orders before this one that something was done of; left out where none was. */
  readonly worked?: readonly Worked[];
  /** What is in force of what the shop learned. */
  readonly learned: Learned;
}

/** The order worked out from what is kept. Throws Problem where these readings make none. */
export function orderOf({ dossier, book, calibrations, choice, learned, worked = [] }: ToOrder): Ordered {
  const facts = workFactsOf(
    dossier,
    book,
    handOf(calibrations, learned),
    learned,
    'round' in choice ? undefined : choice.files,
  );
  const whole = 'round' in choice ? roundOrder(facts, choice, book) : lineOrder(facts, choice, book);
  const no = notFromHere(whole.order, worked);
  if (no)
    throw new Problem(
      'bad-input',
      notFromHereSays(no, (mm) => sayFine(mm, book)),
      [
        {
          path: no.code === 'jointed-deeper' ? '/depthMm' : '/set',
          message: 'It was worked further than that already.',
        },
      ],
    );
  return { ...whole, order: orderFromHere(whole.order, worked, book.rates) };
}

function roundOrder(facts: WorkFacts, { round }: RoundPlanChoice, book: ShopBook): Ordered {
  const work = workOf(facts.saw.family);
  if (work.way !== 'round' || round.family !== facts.saw.family) throw notPlannedHere();
  const studied = work.study(facts, round);
  if (!studied.ok) throw new Problem('readings-unfit', studied.says);
  const order = work.order(studied.study, book.rates);
  const refused = order.round && 'refused' in order.round.forecast ? order.round.forecast.refused : undefined;
  if (refused !== undefined) throw new Problem('readings-unfit', refused);
  return { order, way: work.wayOf(studied.study), least: work.ways(facts, round, null)?.least ?? null };
}

function lineOrder(facts: WorkFacts, choice: LinePlanChoice, book: ShopBook): Ordered {
  const work = workOf(facts.saw.family);
  if (work.way !== 'planned') throw notPlannedHere();
  const { line, rakeDeg, fleamDeg, convert, sample, depthMm } = choice;
  const { retoothMm = null, breastMm = null, rakerMm = null, rakerTip = null } = choice;
  const { pullFiling = null, backDeg = null, topDeg = null, besideMm = null } = choice;
  const { set = null, setMm = null } = choice;
  const pulled = { pullFiling, backDeg, topDeg, besideMm };
  const angles = { rakeDeg, fleamDeg };
  const wish = { line, angles, convert, sample, retoothMm, breastMm, rakerMm, rakerTip, ...pulled, set, setMm };
  const studied = work.study(facts, wish);
  if (!studied.ok) throw unfit(studied);
  const { study, coverage } = studied;
  if (coverage.partial && !sample)
    throw new Problem(
      'measured-in-part',
      `${coverage.otherEdge !== null ? `The ${coverage.otherEdge} edge is not measured.` : coverage.unread > 0 ? `The height of ${coverage.unread} teeth was not read.` : `${coverage.measuredTeeth} teeth are measured and the ticket says ${coverage.toldTeeth}.`} Go on measuring, let them stand for the rest, or correct the ticket.`,
    );
  if (depthMm > study.deepestMm) {
    throw new Problem('bad-input', 'That is deeper than these teeth can be jointed.', [
      { path: '/depthMm', message: `At most ${study.deepestMm.toFixed(2)} mm on this saw.` },
    ]);
  }
  return {
    order: work.order(study, depthMm, book.rates),
    way: work.wayOf(study, depthMm),
    least: work.ways(facts, wish, null, USUAL_BOARD_MM)?.least ?? null,
  };
}

/** Other families are worked by hand and written down as a job. */
const notPlannedHere = (): Problem =>
  new Problem('wrong-stage', 'This saw is not planned here; write its work down as a job.');

const unfit = (studied: Exclude<Studied, { ok: true }>): Problem =>
  new Problem(
    'readings-unfit',
    studied.code === 'nothing-measured' ? 'A plan needs three standing teeth at least.' : studied.says,
  );
