import type { FactValue } from './condition';

/**
 * Every fact the books of judgement look at, and what each means. A book says which of them it
 * needs; who judges by it must supply each of those, as null where it is not known. So a rule whose
 * facts nobody supplies does not compile.
 */
export const FACT_WORDS = {
  family: 'the saw’s family',
  backFixing: 'how its back is fixed',
  tipped: 'steel or carbide teeth',
  hardened: 'whether the teeth are hardened (not asked of carbide)',
  marks: 'what was marked on the plate, and what was measured there',
  kinkNearToe: 'a kink near the toe',
  kinkInPlate: 'a kink further in',
  plateOverheated: 'burn marks beyond the teeth',
  speedMarked: 'whether a limit of speed can be read',
  lengthMm: 'length of the tooth line, mm',
  plateDepthMm: 'plate over the gullets at its narrowest, mm',
  sharpeningsLeft: 'ordinary sharpenings left in the plate, the likely count',
  etch: 'an etch on the plate',
  collectible: 'a saw somebody collects',
  converting: 'whether another filing is wanted',
  costOverReplacing: 'keeping it sharp over replacing it, money a year over money a year',
  filesPullSaws: 'whether the shop files soft pull saws',
  outersRefused: 'outer blades of a set that are refused',
  partsRefused: 'parts of a set that are refused',
  lineLook: 'how the tooth line looks along a straight edge',
  heightSpreadMm: 'tallest over lowest tooth against their own line, mm',
  worstSpacingShare: 'the worst spacing error over the pitch',
  hollowMm: 'how far the line is hollow, mm',
  rakeOffDeg: 'rake as measured off the rake wanted, degrees',
  points: 'points to the inch',
  worksOtherGrain: 'whether it works the other way of the grain than it is filed for',
  heightLeftShare: 'tooth left after a conversion over the height of the new tooth',
  setRead: 'whether the set was measured on both sides',
  setLeftShare: 'the lesser side’s set after this work over the set wanted',
  filingsSinceSet: 'filings since the set was renewed',
  work: 'what is done: sharpen, tune, convert or retooth',
  setUneven: 'whether one side has much more set, surely',
  setSpreadShare: 'how far single teeth’s set spreads on a side over the set wanted, where that is judged',
  jointOverBent: 'what is jointed off the tips over the length that is bent',
  bendSagMm: 'how far the bend stands off, mm',
  bendLengthMm: 'how long the bend is, mm',
} as const;
export type Fact = keyof typeof FACT_WORDS;

/** What is known of a saw, as far as some book asks: null where it is not known. */
export type FactsFor<F extends Fact> = Readonly<Record<F, Exclude<FactValue, undefined>>>;
/** The facts a book needs. */
export type FactsOfBook<Book> = Book extends { readonly facts: readonly (infer F extends Fact)[] }
  ? FactsFor<F>
  : never;
