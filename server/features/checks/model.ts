import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { CheckRound } from '@odontis/contract/check';
import {
  columns,
  id,
  json,
  maybeJson,
  maybeMeasure,
  maybeWhole,
  maybeWords,
  moment,
  whole,
  words,
  yesNo,
} from '../../database/columns';

export interface CheckRoundRow extends Model<InferAttributes<CheckRoundRow>, InferCreationAttributes<CheckRoundRow>> {
  id: CreationOptional<number>;
  ticketId: number;
  number: number;
  edge: CheckRound['edge'];
  runs: CheckRound['runs'];
  binds: CheckRound['binds'];
  chatters: CheckRound['chatters'];
  beatAt: number | null;
  shavings: CheckRound['shavings'];
  rakers: CheckRound['rakers'];
  kerfMm: CheckRound['kerfMm'];
  offLineMm: CheckRound['offLineMm'];
  overMm: CheckRound['overMm'];
  wall: CheckRound['wall'];
  floor: CheckRound['floor'];
  plate: CheckRound['plate'];
  again: CheckRound['again'];
  /** Of the saw as it was measured for this cut, else as its order foretold; null where neither is known. mm. */
  hopMm: number | null;
  note: string;
  verdict: CheckRound['verdict'];
  setLeftMm: number | null;
  setRightMm: number | null;
  stoneSide: CheckRound['stoneSide'];
  stonePasses: number;
  stonedSide: CreationOptional<CheckRound['stonedSide']>;
  stonedPasses: CreationOptional<number | null>;
  advice: string[];
  personId: number;
  at: CreationOptional<Date>;
}
export const defineCheckRound = (sequelize: Sequelize) =>
  sequelize.define<CheckRoundRow>(
    'check_round',
    columns({
      id,
      ticketId: whole,
      number: whole,
      edge: maybeWords,
      runs: maybeWords,
      binds: { ...yesNo, allowNull: true },
      chatters: { ...yesNo, allowNull: true },
      beatAt: maybeWhole,
      shavings: maybeWords,
      rakers: maybeJson,
      kerfMm: maybeMeasure,
      offLineMm: maybeMeasure,
      overMm: maybeMeasure,
      wall: maybeWords,
      floor: maybeWords,
      plate: maybeWords,
      again: maybeWords,
      hopMm: maybeMeasure,
      note: words,
      verdict: words,
      setLeftMm: maybeMeasure,
      setRightMm: maybeMeasure,
      stoneSide: words,
      stonePasses: whole,
      stonedSide: maybeWords,
      stonedPasses: maybeWhole,
      advice: json,
      personId: whole,
      at: moment,
    }),
  );
