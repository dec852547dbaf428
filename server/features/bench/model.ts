import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { BenchEvent } from '@odontis/contract/bench';
import { columns, moment, uuid, whole, words } from '../../database/columns';

export interface BenchEventRow extends Model<InferAttributes<BenchEventRow>, InferCreationAttributes<BenchEventRow>> {
  id: string;
  planId: number;
  stop: number;
  action: BenchEvent['action'];
  personId: number;
  happenedAt: Date;
  how: CreationOptional<BenchEvent['how']>;
  receivedAt: CreationOptional<Date>;
}
export const defineBenchEvent = (sequelize: Sequelize) =>
  sequelize.define<BenchEventRow>(
    'bench_event',
    columns({
      id: uuid,
      planId: whole,
      stop: whole,
      action: words,
      personId: whole,
      happenedAt: moment,
      how: { ...words, defaultValue: 'gullet' },
      receivedAt: moment,
    }),
  );

export interface BenchMarkRow extends Model<InferAttributes<BenchMarkRow>, InferCreationAttributes<BenchMarkRow>> {
  planId: number;
  stop: number;
  eventId: string;
}
export const defineBenchMark = (sequelize: Sequelize) =>
  sequelize.define<BenchMarkRow>(
    'bench_mark',
    columns({
      planId: { ...whole, primaryKey: true },
      stop: { ...whole, primaryKey: true },
      eventId: { ...uuid, primaryKey: false },
    }),
  );
