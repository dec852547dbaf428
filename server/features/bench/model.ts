import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { BenchEvent } from '@odontis/contract/bench';
import { columns, maybeMeasure, maybeWords, moment, uuid, whole, words, yesNo } from '../../database/columns';

export interface BenchEventRow extends Model<InferAttributes<BenchEventRow>, InferCreationAttributes<BenchEventRow>> {
  id: string;
  planId: number;
  stop: number;
  action: BenchEvent['action'];
  personId: number;
  happenedAt: Date;
  how: CreationOptional<BenchEvent['how']>;
  reason: CreationOptional<string>;
  result: CreationOptional<BenchEvent['result'] | null>;
  minutes: CreationOptional<number | null>;
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
      reason: { ...words, defaultValue: '' },
      result: maybeWords,
      minutes: maybeMeasure,
      receivedAt: moment,
    }),
  );

export interface BenchMarkRow extends Model<InferAttributes<BenchMarkRow>, InferCreationAttributes<BenchMarkRow>> {
  planId: number;
  stop: number;
  eventId: string;
  skipped: CreationOptional<boolean>;
}
export const defineBenchMark = (sequelize: Sequelize) =>
  sequelize.define<BenchMarkRow>(
    'bench_mark',
    columns({
      planId: { ...whole, primaryKey: true },
      stop: { ...whole, primaryKey: true },
      eventId: { ...uuid, primaryKey: false },
      skipped: { ...yesNo, defaultValue: false },
    }),
  );
