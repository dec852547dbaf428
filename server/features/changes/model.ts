import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { ChangeKind } from '@odontis/contract/changes';
import { columns, id, maybeJson, maybeWhole, moment, words } from '../../database/columns';

/** A line of the log of changes; the database lets none be altered or taken out. */
export interface ChangeRow extends Model<InferAttributes<ChangeRow>, InferCreationAttributes<ChangeRow>> {
  id: CreationOptional<number>;
  at: CreationOptional<Date>;
  kind: ChangeKind;
  byPerson: number | null;
  deviceId: number | null;
  about: string;
  before: CreationOptional<object | string | null>;
  after: CreationOptional<object | string | null>;
}
export const defineChange = (sequelize: Sequelize) =>
  sequelize.define<ChangeRow>(
    'change_log',
    columns({
      id,
      at: moment,
      kind: words,
      byPerson: maybeWhole,
      deviceId: maybeWhole,
      about: words,
      before: maybeJson,
      after: maybeJson,
    }),
  );
