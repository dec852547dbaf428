import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { PriceKind, WordBy } from '@odontis/core/money/price-chain';
import {
  columns,
  id,
  maybeMeasure,
  maybeWhole,
  maybeWords,
  measure,
  moment,
  whole,
  words,
} from '../../database/columns';

/** One word of a ticket's price; added, never changed. */
export interface PriceWordRow extends Model<InferAttributes<PriceWordRow>, InferCreationAttributes<PriceWordRow>> {
  id: CreationOptional<number>;
  key: string;
  ticketId: number;
  kind: PriceKind;
  low: number;
  high: number;
  minutesLow: CreationOptional<number | null>;
  minutesHigh: CreationOptional<number | null>;
  minutesLikely: CreationOptional<number | null>;
  planId: CreationOptional<number | null>;
  outworkId: CreationOptional<number | null>;
  quote: CreationOptional<string | null>;
  wordBy: CreationOptional<WordBy | null>;
  personId: number;
  at: CreationOptional<Date>;
}
export const definePriceWord = (sequelize: Sequelize) =>
  sequelize.define<PriceWordRow>(
    'price_word',
    columns({
      id,
      key: { type: DataTypes.UUID, allowNull: false, defaultValue: DataTypes.UUIDV4 },
      ticketId: whole,
      kind: words,
      low: measure,
      high: measure,
      minutesLow: maybeMeasure,
      minutesHigh: maybeMeasure,
      minutesLikely: maybeMeasure,
      planId: maybeWhole,
      outworkId: maybeWhole,
      quote: maybeWords,
      wordBy: maybeWords,
      personId: whole,
      at: moment,
    }),
  );

/** Who gave a word and what was noted beside it: where it can be taken out. */
export interface PriceSaidRow extends Model<InferAttributes<PriceSaidRow>, InferCreationAttributes<PriceSaidRow>> {
  priceWordId: number;
  said: string;
  note: string;
}
export const definePriceSaid = (sequelize: Sequelize) =>
  sequelize.define<PriceSaidRow>(
    'price_said',
    columns({ priceWordId: { ...whole, primaryKey: true }, said: words, note: words }),
  );
