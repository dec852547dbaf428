import type { AngleFinding } from '@odontis/core/evidence/angle-finding';
import type { LengthGauge } from '@odontis/core/evidence/gauges';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { CsvFault } from './csv-fault';

/** Angles of a tooth out of a file. */
export interface AngleRow {
  readonly part: string | null;
  readonly tooth: number;
  readonly finding: AngleFinding;
}

/** A length out of a file, at its place. */
export interface LengthRow {
  readonly quantity: LengthQuantity;
  readonly part: string | null;
  readonly place: number;
  readonly valueMm: number;
  readonly gauge: LengthGauge;
}

/** What a CSV of a saw holds, by its heading: a tooth line, lengths place by place, or angles. */
export type EvidenceCsv =
  | { readonly ok: true; readonly holds: 'line'; readonly teeth: readonly ToothReading[]; readonly places: boolean }
  | { readonly ok: true; readonly holds: 'lengths'; readonly rows: readonly LengthRow[] }
  | { readonly ok: true; readonly holds: 'angles'; readonly rows: readonly AngleRow[] }
  | { readonly ok: false; readonly faults: readonly CsvFault[] };
