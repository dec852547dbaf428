/**
 * Why a number is what it is: shown in place beside it on every screen.
 * `formula` is text a person reads; `inputs` are the values that went in.
 */
export interface ReasonInput {
  readonly name: string;
  readonly value: number | string;
  readonly unit: 'mm' | 'deg' | 'mm²' | 'share' | 'count' | 'minutes' | 'money' | 'mm/stroke' | 'text';
}

export interface Reason {
  /** What was worked out, in the trade's words. */
  readonly what: string;
  readonly formula: string;
  readonly inputs: readonly ReasonInput[];
  /** Published source, "common practice, no source", or "geometry section N". */
  readonly source: string;
  /** What would change if the choice were made otherwise. */
  readonly otherwise?: string;
}

export const COMMON_PRACTICE = 'Common practice, no source';

/** A reason from its parts; keeps call sites to one line an input. */
export function because(
  what: string,
  formula: string,
  inputs: readonly ReasonInput[],
  source: string,
  otherwise?: string,
): Reason {
  return otherwise === undefined ? { what, formula, inputs, source } : { what, formula, inputs, source, otherwise };
}

export const input = (name: string, value: number | string, unit: ReasonInput['unit']): ReasonInput => ({
  name,
  value,
  unit,
});
