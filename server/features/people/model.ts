import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { columns, id, measure, moment, whole, words } from '../../database/columns';

export interface PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  id: CreationOptional<number>;
  name: string;
  initials: string;
}
export const definePerson = (sequelize: Sequelize) =>
  sequelize.define<PersonRow>('person', columns({ id, name: words, initials: words }));

export interface StrokeReadingRow extends Model<
  InferAttributes<StrokeReadingRow>,
  InferCreationAttributes<StrokeReadingRow>
> {
  id: CreationOptional<number>;
  personId: number;
  strokes: number;
  dropMm: number;
  createdBy: number;
  createdAt: CreationOptional<Date>;
}
export const defineStrokeReading = (sequelize: Sequelize) =>
  sequelize.define<StrokeReadingRow>(
    'stroke_reading',
    columns({
      id,
      personId: whole,
      strokes: whole,
      dropMm: measure,
      createdBy: whole,
      createdAt: moment,
    }),
  );
