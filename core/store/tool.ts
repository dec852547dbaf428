import * as z from 'zod';
import { STROKES_PER_CORNER } from '../file/file-choice';
import { counted, requiredText, text } from '../units/fields';

/** Kinds of things a shop files, sets, hammers and measures with. */
export const TOOL_KINDS = ['file', 'stone', 'set-tool', 'hammer', 'jointer', 'gauge'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** A three-square file has three; a corner is filed with, then the next one. */
export const USUAL_CORNERS = 3;

const named = { name: requiredText(60, 'The tool’s name'), note: text(200, 'The note') };
/** One kind of thing in the Store, by the name that orders and readings call it. */
export const tool = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('file'),
    ...named,
    /** Corners, or faces of a flat file, that are used one after the other. */
    corners: counted(1, 4, 'The corners', 'corners').default(USUAL_CORNERS),
    /** Strokes a corner is reckoned to last until the shop has worn some out. */
    cornerStrokes: counted(20, 50_000, 'Strokes a corner', 'strokes').default(STROKES_PER_CORNER),
  }),
  z.object({ kind: z.enum(TOOL_KINDS).exclude(['file']), ...named }),
]);
export type Tool = z.infer<typeof tool>;

const pieces = (least: number) => counted(least, 999, 'The pieces', 'pieces');
/**
 * What happens to a tool: pieces bought, or counted on the shelf; one taken into use, turned to its next corner, or
 * thrown away; the whole kind put away or fetched back.
 */
export const toolDeed = z.discriminatedUnion('what', [
  z.object({ what: z.literal('bought'), pieces: pieces(1) }),
  z.object({ what: z.literal('counted'), pieces: pieces(0) }),
  z.object({ what: z.literal('begun') }),
  z.object({ what: z.literal('turned') }),
  z.object({ what: z.literal('spent') }),
  z.object({ what: z.literal('put-away') }),
  z.object({ what: z.literal('fetched') }),
]);
export type ToolDeed = z.infer<typeof toolDeed>;
export const TOOL_DEEDS = toolDeed.options.map((one) => one.shape.what.value);
