import { median as medianOfSome } from 'simple-statistics';

/** Median of a list, the mean of the two in the middle where their number is even; 0 of none. O(n). */
export const median = (values: readonly number[]): number => (values.length === 0 ? 0 : medianOfSome([...values]));
