import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { AngleFinding } from '@odontis/core/evidence/angle-finding';
import type { Gauge } from '@odontis/core/evidence/gauges';
import type { Quantity } from '@odontis/core/evidence/quantities';
import type { SessionKind } from '@odontis/core/evidence/session';
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

export interface SessionRow extends Model<InferAttributes<SessionRow>, InferCreationAttributes<SessionRow>> {
  id: CreationOptional<number>;
  key: string;
  ticketId: number;
  kind: SessionKind;
  note: CreationOptional<string>;
  startedBy: number;
  startedAt: CreationOptional<Date>;
  finishedAt: CreationOptional<Date | null>;
}
export const defineSession = (sequelize: Sequelize) =>
  sequelize.define<SessionRow>(
    'session',
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

/** One reading; of the three columns for its value the one of its quantity is filled. */
export interface EvidenceRow extends Model<InferAttributes<EvidenceRow>, InferCreationAttributes<EvidenceRow>> {
  key: string;
  /** Order of taking, given by the database. */
  taken: CreationOptional<number>;
  sessionId: number;
  quantity: Quantity;
  part: string | null;
  place: number;
  valueMm: number | null;
  valueWord: string | null;
  valueAngles: AngleFinding | null;
  gauge: Gauge;
  setAside: boolean;
  corrects: string | null;
  simulated: boolean;
  takenBy: number;
  takenAt: CreationOptional<Date>;
}
export const defineEvidence = (sequelize: Sequelize) =>
  sequelize.define<EvidenceRow>(
    'evidence',
    columns({
      key: uuid,
      taken: { type: DataTypes.INTEGER, autoIncrement: true, autoIncrementIdentity: true },
      sessionId: whole,
      quantity: words,
      part: maybeWords,
      place: measure,
      valueMm: maybeMeasure,
      valueWord: maybeWords,
      valueAngles: { type: DataTypes.JSONB, allowNull: true },
      gauge: words,
      setAside: yesNo,
      corrects: { type: DataTypes.UUID, allowNull: true },
      simulated: yesNo,
      takenBy: whole,
      takenAt: moment,
    }),
  );
