import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { columns, id, json, moment, uuid, whole, words } from '../../database/columns';

/** What was put right of a saw: the data that changed, as they were and as they are. */
export interface SawCorrectionRow extends Model<
  InferAttributes<SawCorrectionRow>,
  InferCreationAttributes<SawCorrectionRow>
> {
  id: CreationOptional<number>;
  key: string;
  sawId: number;
  ticketId: number;
  before: Record<string, unknown>;
  after: Record<string, unknown>;
  why: string;
  personId: number;
  at: CreationOptional<Date>;
}
export const defineSawCorrection = (sequelize: Sequelize) =>
  sequelize.define<SawCorrectionRow>(
    'saw_correction',
    columns({
      id,
      key: { type: DataTypes.UUID, allowNull: false },
      sawId: whole,
      ticketId: whole,
      before: json,
      after: json,
      why: words,
      personId: whole,
      at: moment,
    }),
  );

/** Why a reading was corrected or taken out, by the key of the reading that does so. */
export interface ReadingReasonRow extends Model<
  InferAttributes<ReadingReasonRow>,
  InferCreationAttributes<ReadingReasonRow>
> {
  evidenceKey: string;
  why: string;
}
export const defineReadingReason = (sequelize: Sequelize) =>
  sequelize.define<ReadingReasonRow>('reading_reason', columns({ evidenceKey: uuid, why: words }));
