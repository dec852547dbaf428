import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { MeasuringKind } from '@odontis/contract/readings';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';
import type { Gauge } from '@odontis/core/gauge/gauges';
import {
  columns,
  id,
  json,
  maybeMeasure,
  maybeWords,
  measure,
  moment,
  whole,
  words,
  yesNo,
} from '../../database/columns';

export interface MeasuringRow extends Model<InferAttributes<MeasuringRow>, InferCreationAttributes<MeasuringRow>> {
  id: CreationOptional<number>;
  ticketId: number;
  kind: MeasuringKind;
  round: number;
  sitting: number;
  gauge: Gauge;
  version: number;
  finished: boolean;
  changedBy: number;
  changedAt: CreationOptional<Date>;
}
export const defineMeasuring = (sequelize: Sequelize) =>
  sequelize.define<MeasuringRow>(
    'measuring',
    columns({
      id,
      ticketId: whole,
      kind: words,
      round: whole,
      sitting: whole,
      gauge: words,
      version: whole,
      finished: yesNo,
      changedBy: whole,
      changedAt: moment,
    }),
  );

export interface ReadingRow extends Model<InferAttributes<ReadingRow>, InferCreationAttributes<ReadingRow>> {
  measuringId: number;
  tooth: number;
  xMm: number;
  yMm: number;
  lean: ToothReading['lean'];
  setMm: number | null;
  kind: ToothReading['kind'];
  note: string | null;
}
export const defineReading = (sequelize: Sequelize) =>
  sequelize.define<ReadingRow>(
    'reading',
    columns({
      measuringId: { ...whole, primaryKey: true },
      tooth: { ...whole, primaryKey: true },
      xMm: measure,
      yMm: measure,
      lean: maybeWords,
      setMm: maybeMeasure,
      kind: words,
      note: maybeWords,
    }),
  );

/** A reading as it was before it was corrected. */
export interface ReadingWasRow extends Model<InferAttributes<ReadingWasRow>, InferCreationAttributes<ReadingWasRow>> {
  id: CreationOptional<number>;
  measuringId: number;
  tooth: number;
  was: ToothReading;
  changedBy: number;
  changedAt: CreationOptional<Date>;
}
export const defineReadingWas = (sequelize: Sequelize) =>
  sequelize.define<ReadingWasRow>(
    'reading_was',
    columns({ id, measuringId: whole, tooth: whole, was: json, changedBy: whole, changedAt: moment }),
  );
