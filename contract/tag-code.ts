/** What a reader of a tag's or a label's code gets. */
export const tagCode = (number: number): string => `odontis-ticket-${number}`;

/** The ticket's number out of a code read, or out of digits typed; null when it is neither. */
export function numberOfTag(read: string): number | null {
  const digits = /^(?:odontis-ticket-)?(?:no\.?\s*)?(\d{1,9})$/i.exec(read.trim())?.[1];
  return digits === undefined ? null : Number(digits);
}
