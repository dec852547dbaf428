import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Gauge } from '@odontis/core/gauge/gauges';
import type { Quantity } from '@odontis/core/gauge/quantities';
import type { MeasuringKind } from '@odontis/contract/readings';
import {
  columns,
  id,
  maybeMoment,
  maybeWords,
  measure,
  moment,
  uuid,
  whole,
  words,
  yesNo,
} from '../../database/columns';

export interface GaugingRow extends Model<InferAttributes<GaugingRow>, InferCreationAttributes<GaugingRow>> {
  id: CreationOptional<number>;
  key: string;
  ticketId: number;
  kind: MeasuringKind;
  note: CreationOptional<string>;
  startedBy: number;
  startedAt: CreationOptional<Date>;
  finishedAt: Date | null;
}
export const defineGauging = (sequelize: Sequelize) =>
  sequelize.define<GaugingRow>(
    'gauging',
    columns({
      id,
      key: { type: DataTypes.UUID, allowNull: false },
      ticketId: whole,
      kind: words,
      note: { ...words, defaultValue: '' },
      startedBy: whole,
      startedAt: moment,
      finishedAt: maybeMoment,
    }),
  );

export interface GaugedRow extends Model<InferAttributes<GaugedRow>, InferCreationAttributes<GaugedRow>> {
  key: string;
  /** Order of taking, given by the database. */
  taken: CreationOptional<number>;
  gaugingId: number;
  quantity: Quantity;
  part: string | null;
  place: number;
  valueMm: number;
  gauge: Gauge;
  setAside: boolean;
  corrects: string | null;
  takenBy: number;
  takenAt: CreationOptional<Date>;
}
export const defineGauged = (sequelize: Sequelize) =>
  sequelize.define<GaugedRow>(
    'gauged',
    columns({
      key: uuid,
      taken: { type: DataTypes.INTEGER, autoIncrement: true, autoIncrementIdentity: true },
      gaugingId: whole,
      quantity: words,
      part: maybeWords,
      place: measure,
      valueMm: measure,
      gauge: words,
      setAside: yesNo,
      corrects: { type: DataTypes.UUID, allowNull: true },
      takenBy: whole,
      takenAt: moment,
    }),
  );
