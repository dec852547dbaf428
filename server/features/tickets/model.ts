import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { Ticket } from '@odontis/contract/ticket';
import {
  columns,
  day,
  id,
  json,
  maybeMeasure,
  maybeMoment,
  maybeWhole,
  maybeWords,
  moment,
  whole,
  words,
  yesNo,
} from '../../database/columns';

export interface TicketRow extends Model<InferAttributes<TicketRow>, InferCreationAttributes<TicketRow>> {
  id: CreationOptional<number>;
  number: CreationOptional<number>;
  sawId: number;
  stage: Ticket['stage'];
  version: CreationOptional<number>;
  wood: Ticket['wood'];
  useRate: Ticket['useRate'];
  complaint: string;
  hardened: Ticket['hardened'];
  marks: Ticket['marks'];
  consents: string[];
  arrivalId: number;
  intakeKey: CreationOptional<string | null>;
  lineLook: Ticket['lineLook'];
  grain: Ticket['grain'];
  wantsFiling: Ticket['wantsFiling'];
  etch: boolean;
  collectible: boolean;
  replacement: number | null;
  minutesTaken: CreationOptional<number | null>;
  workDone: CreationOptional<string>;
  workedBy: CreationOptional<number | null>;
  overrideReason: string;
  verdict: Ticket['verdict'];
  reasons: Ticket['reasons'];
  promisedOn: string;
  currency: string;
  openedBy: number;
  openedAt: CreationOptional<Date>;
  closedBy: CreationOptional<number | null>;
  closedAt: CreationOptional<Date | null>;
  handoverNote: CreationOptional<string | null>;
  waitsFor: CreationOptional<Ticket['waitsFor']>;
  waitsNote: CreationOptional<string>;
  heldFrom: CreationOptional<number | null>;
  endedAs: CreationOptional<Ticket['endedAs']>;
  endedFrom: CreationOptional<Ticket['endedFrom']>;
  tried: CreationOptional<string>;
}
export const defineTicket = (sequelize: Sequelize) =>
  sequelize.define<TicketRow>(
    'ticket',
    columns({
      id,
      number: { ...whole, defaultValue: sequelize.literal("nextval('ticket_number')") },
      sawId: whole,
      stage: words,
      version: { ...whole, defaultValue: 1 },
      wood: words,
      useRate: words,
      complaint: words,
      hardened: words,
      marks: json,
      consents: json,
      arrivalId: whole,
      intakeKey: { type: DataTypes.UUID, allowNull: true },
      lineLook: words,
      grain: words,
      wantsFiling: words,
      etch: yesNo,
      collectible: yesNo,
      replacement: maybeMeasure,
      minutesTaken: maybeMeasure,
      workDone: { ...words, defaultValue: '' },
      workedBy: { ...whole, allowNull: true },
      overrideReason: words,
      verdict: words,
      reasons: json,
      promisedOn: day,
      currency: words,
      openedBy: whole,
      openedAt: moment,
      closedBy: { ...whole, allowNull: true },
      closedAt: maybeMoment,
      handoverNote: maybeWords,
      waitsFor: maybeWords,
      waitsNote: { ...words, defaultValue: '' },
      heldFrom: maybeWhole,
      endedAs: maybeWords,
      endedFrom: maybeWords,
      tried: { ...words, defaultValue: '' },
    }),
  );

/** A customer at the counter with one saw or several. */
export interface ArrivalRow extends Model<InferAttributes<ArrivalRow>, InferCreationAttributes<ArrivalRow>> {
  id: CreationOptional<number>;
  customerId: number;
  openedBy: number;
  openedAt: CreationOptional<Date>;
}
export const defineArrival = (sequelize: Sequelize) =>
  sequelize.define<ArrivalRow>('arrival', columns({ id, customerId: whole, openedBy: whole, openedAt: moment }));
