import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { columns, id, maybeMoment, maybeWhole, maybeWords, moment, whole, words } from '../../database/columns';

/** What lets somebody in, as argon2id hashes; never read together with names. */
export interface SecretRow extends Model<InferAttributes<SecretRow>, InferCreationAttributes<SecretRow>> {
  personId: number;
  passwordHash: string | null;
  codeHash: string | null;
  changedAt: CreationOptional<Date>;
}
export const defineSecret = (sequelize: Sequelize) =>
  sequelize.define<SecretRow>(
    'secret',
    columns({
      personId: { ...whole, primaryKey: true },
      passwordHash: maybeWords,
      codeHash: maybeWords,
      changedAt: moment,
    }),
  );

/** A browser that somebody let in with a password. Of what its cookie holds only the hash is kept. */
export interface DeviceRow extends Model<InferAttributes<DeviceRow>, InferCreationAttributes<DeviceRow>> {
  id: CreationOptional<number>;
  name: string;
  tokenHash: Buffer;
  formerHash: CreationOptional<Buffer | null>;
  turnedAt: CreationOptional<Date>;
  trustedBy: number;
  trustedAt: CreationOptional<Date>;
  seenAt: CreationOptional<Date>;
  endedAt: CreationOptional<Date | null>;
  endedBy: CreationOptional<number | null>;
}
export const defineDevice = (sequelize: Sequelize) =>
  sequelize.define<DeviceRow>(
    'device',
    columns({
      id,
      name: words,
      tokenHash: { type: DataTypes.BLOB, allowNull: false },
      formerHash: { type: DataTypes.BLOB, allowNull: true },
      turnedAt: moment,
      trustedBy: whole,
      trustedAt: moment,
      seenAt: moment,
      endedAt: maybeMoment,
      endedBy: maybeWhole,
    }),
  );

/** Somebody's time at a screen: from being let in until the next is, or the screen is ended. */
export interface SittingRow extends Model<InferAttributes<SittingRow>, InferCreationAttributes<SittingRow>> {
  id: CreationOptional<number>;
  key: string;
  deviceId: number;
  personId: number;
  beganAt: CreationOptional<Date>;
  lockedAt: CreationOptional<Date | null>;
  endedAt: CreationOptional<Date | null>;
}
export const defineSitting = (sequelize: Sequelize) =>
  sequelize.define<SittingRow>(
    'sitting',
    columns({
      id,
      key: { type: DataTypes.UUID, allowNull: false },
      deviceId: whole,
      personId: whole,
      beganAt: moment,
      lockedAt: maybeMoment,
      endedAt: maybeMoment,
    }),
  );
