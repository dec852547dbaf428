import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Role } from '@odontis/contract/roles';
import { USUAL_PLACE_KEEPING } from '@odontis/core/work/place-keeping';
import type { PlaceWay } from '@odontis/core/work/place-keeping';
import type { Calibration } from '@odontis/core/calibration/hand';
import { columns, id, maybeMoment, measure, moment, whole, words } from '../../database/columns';

export interface PersonRow extends Model<InferAttributes<PersonRow>, InferCreationAttributes<PersonRow>> {
  id: CreationOptional<number>;
  name: string;
  initials: string;
  role: Role;
  leftAt: CreationOptional<Date | null>;
  placeWay: CreationOptional<PlaceWay>;
  placeWindow: CreationOptional<number>;
}
export const definePerson = (sequelize: Sequelize) =>
  sequelize.define<PersonRow>(
    'person',
    columns({
      ...{ id, name: words, initials: words, role: words, leftAt: maybeMoment },
      ...{
        placeWay: { ...words, defaultValue: USUAL_PLACE_KEEPING.way },
        placeWindow: { ...whole, defaultValue: USUAL_PLACE_KEEPING.window },
      },
    }),
  );

export interface CalibrationRow extends Model<
  InferAttributes<CalibrationRow>,
  InferCreationAttributes<CalibrationRow>
> {
  id: CreationOptional<number>;
  key: string;
  personId: number;
  what: Calibration;
  tool: string;
  amount: number;
  didMm: number;
  createdBy: number;
  createdAt: CreationOptional<Date>;
}
export const defineCalibration = (sequelize: Sequelize) =>
  sequelize.define<CalibrationRow>(
    'calibration',
    columns({
      id,
      key: words,
      personId: whole,
      what: words,
      tool: words,
      amount: measure,
      didMm: measure,
      createdBy: whole,
      createdAt: moment,
    }),
  );
