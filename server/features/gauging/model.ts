import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { AngleWay, PointSide, SeatedSection } from '@odontis/core/angles/angle-reading';
import type { Gauge } from '@odontis/core/gauge/gauges';
import type { Quantity } from '@odontis/core/gauge/quantities';
import type { Lean } from '@odontis/core/saw/tooth-reading';
import type { MeasuringKind } from '@odontis/contract/readings';
import {
  columns,
  id,
  maybeMeasure,
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

export interface AngleRow extends Model<InferAttributes<AngleRow>, InferCreationAttributes<AngleRow>> {
  key: string;
  /** Order of taking, given by the database. */
  taken: CreationOptional<number>;
  gaugingId: number;
  part: string | null;
  tooth: number;
  way: AngleWay;
  section: SeatedSection | null;
  rollDeg: number | null;
  slopeDeg: number | null;
  handle: Lean | null;
  turnDeg: number | null;
  rakeDeg: number | null;
  backDeg: number | null;
  point: PointSide | null;
  setAside: boolean;
  corrects: string | null;
  takenBy: number;
  takenAt: CreationOptional<Date>;
}
export const defineAngle = (sequelize: Sequelize) =>
  sequelize.define<AngleRow>(
    'angle_read',
    columns({
      key: uuid,
      taken: { type: DataTypes.INTEGER, autoIncrement: true, autoIncrementIdentity: true },
      gaugingId: whole,
      part: maybeWords,
      tooth: whole,
      way: words,
      section: maybeWords,
      rollDeg: maybeMeasure,
      slopeDeg: maybeMeasure,
      handle: maybeWords,
      turnDeg: maybeMeasure,
      rakeDeg: maybeMeasure,
      backDeg: maybeMeasure,
      point: maybeWords,
      setAside: yesNo,
      corrects: { type: DataTypes.UUID, allowNull: true },
      takenBy: whole,
      takenAt: moment,
    }),
  );
