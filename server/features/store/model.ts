import { DataTypes } from 'sequelize';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import type { ToolDeed, ToolKind } from '@odontis/core/store/tool';
import { columns, id, maybeWhole, moment, whole, words } from '../../database/columns';

export interface ToolRow extends Model<InferAttributes<ToolRow>, InferCreationAttributes<ToolRow>> {
  id: CreationOptional<number>;
  key: string;
  kind: ToolKind;
  name: string;
  note: string;
  corners: number | null;
  cornerStrokes: number | null;
  createdBy: number;
  createdAt: CreationOptional<Date>;
}
export const defineTool = (sequelize: Sequelize) =>
  sequelize.define<ToolRow>(
    'tool',
    columns({
      ...{ id, key: words, kind: words, name: words, note: words },
      ...{ corners: maybeWhole, cornerStrokes: maybeWhole, createdBy: whole, createdAt: moment },
    }),
  );

/** Appended alone. `strokes`: what a corner that was given up had made. */
export interface ToolDeedRow extends Model<InferAttributes<ToolDeedRow>, InferCreationAttributes<ToolDeedRow>> {
  id: CreationOptional<number>;
  key: string;
  toolId: number;
  what: ToolDeed['what'];
  pieces: number | null;
  strokes: number | null;
  personId: number;
  at: CreationOptional<Date>;
}
export const defineToolDeed = (sequelize: Sequelize) =>
  sequelize.define<ToolDeedRow>(
    'tool_deed',
    columns({
      ...{ id, key: words, toolId: whole, what: words },
      ...{ pieces: maybeWhole, strokes: maybeWhole, personId: whole, at: moment },
    }),
  );

const wholes = { type: DataTypes.ARRAY(DataTypes.INTEGER), allowNull: false } as const;
/** What an accepted order does with one tool, out of its body: for stock, wear and what is reserved. */
export interface PlanToolRow extends Model<InferAttributes<PlanToolRow>, InferCreationAttributes<PlanToolRow>> {
  planId: number;
  kind: ToolKind;
  name: string;
  stops: number[];
  amounts: number[];
  total: number;
}
export const definePlanTool = (sequelize: Sequelize) =>
  sequelize.define<PlanToolRow>(
    'plan_tool',
    columns({
      planId: { ...whole, primaryKey: true },
      kind: { ...words, primaryKey: true },
      name: { ...words, primaryKey: true },
      ...{ stops: wholes, amounts: wholes, total: whole },
    }),
  );
