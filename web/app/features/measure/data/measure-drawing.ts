import type { Dossier } from '@odontis/contract/dossier';
import type { ShopBook } from '@odontis/contract/shop';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { Filing } from '@odontis/core/saw/families';
import { readingsOfTrace } from '@odontis/core/trace/readings-of-trace';
import type { TracedLine } from '@odontis/core/trace/traced-line';
import {
  baseDrawing,
  drawnTooth,
  heightLane,
  measuredLanes,
  setLane,
  spacingLane,
} from '../../../sawpage/build-drawing';
import type { SawDrawing } from '../../../sawpage/drawing';

/** How a line is drawn: numbers in the shop's words, angles and evenness by its habits. */
export interface DrawnBy {
  readonly say: (mm: number) => string;
  readonly habits: ShopBook['habits'];
}

/** Teeth that were gauged, tooth by tooth; `traced` where they stand as a picture shows them. */
export interface GaugedLine {
  readonly teeth: readonly ToothReading[];
  readonly traced: boolean;
  readonly edge: Filing | null;
  /** The tooth in hand; null where none is. */
  readonly at: number | null;
}

/** A gauged line with its lanes, as far as it is measured. */
export function gaugedDrawing(dossier: Dossier, line: GaugedLine, { say, habits }: DrawnBy): SawDrawing {
  const { teeth, traced, edge, at } = line;
  return {
    ...baseDrawing(dossier, teeth, drawnTooth(dossier, habits, edge), edge),
    current: at !== null && teeth.some((r) => r.tooth === at) ? { at, unit: 'tooth' } : null,
    lanes: teeth.length < 3 || traced ? [] : measuredLanes(dossier.saw, teeth, { say, wood: dossier.ticket.wood }),
  };
}

/** Like teeth, keyed or traced. */
export interface KeyedLine {
  readonly keyed: readonly ToothReading[];
  readonly traced: TracedLine | null;
  /** As it was measured before; null where it was not. */
  readonly before: readonly ToothReading[] | null;
  /** The tooth in hand, from 0; outside the line where none is. */
  readonly cursor: number;
  readonly pitchMm: number;
  readonly places: ((tooth: number) => number) | undefined;
  /** While angles are read nothing else is shown. */
  readonly bare: boolean;
}

/** A line of like teeth with heights, spacing and set beside it. */
export function keyedDrawing(dossier: Dossier, line: KeyedLine, { say, habits }: DrawnBy): SawDrawing {
  const { keyed, traced, before, cursor, bare } = line;
  const readings = traced ? readingsOfTrace(traced) : keyed;
  const pitchMm = traced?.summary.pitchMm.value ?? line.pitchMm;
  const stands = cursor >= 0 && cursor < readings.length && readings[cursor]?.kind !== 'missing';
  return {
    ...baseDrawing(dossier, readings, drawnTooth(dossier, habits)),
    current: stands ? { at: cursor + 1, unit: 'tooth' } : null,
    lanes: bare
      ? []
      : [
          heightLane(readings, say, before),
          spacingLane(readings, pitchMm, habits.evennessShare * pitchMm, say, before, line.places),
          setLane(readings, say, before),
        ],
  };
}
