import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Message, MessageKind } from '@odontis/contract/notes';
import { columns, id, maybeMoment, maybeWhole, moment, whole, words } from '../../database/columns';

export interface MessageRow extends Model<InferAttributes<MessageRow>, InferCreationAttributes<MessageRow>> {
  id: CreationOptional<number>;
  ticketId: number;
  kind: MessageKind;
  sentTo: string;
  body: string;
  state: CreationOptional<Message['state']>;
  writtenBy: number;
  writtenAt: CreationOptional<Date>;
  sentAt: CreationOptional<Date | null>;
  /** The last word said of the price when it was written: a later one overtakes what it tells of it. */
  priceWordId: CreationOptional<number | null>;
}
export const defineMessage = (sequelize: Sequelize) =>
  sequelize.define<MessageRow>(
    'message',
    columns({
      id,
      ticketId: whole,
      kind: words,
      sentTo: words,
      body: words,
      state: { ...words, defaultValue: 'waiting' },
      writtenBy: whole,
      writtenAt: moment,
      sentAt: maybeMoment,
      priceWordId: maybeWhole,
    }),
  );
