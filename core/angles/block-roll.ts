import { cornerDeg } from '../file/file-section';
import type { SeatedSection } from '../evidence/angle-finding';

/**
 * Roll of a seated file from the block on its end. The block is squared to the file's
 * upper face; `fallDeg` is how far it falls towards the teeth's cutting direction, 0 with
 * the file flat across the top. The section is as wide to either side of its corner,
 * so a flat top has a = S / 2, and the side that cuts the face turns with the block:
 *
 *     a = S / 2 - fall            degrees; S the file's section
 *
 * Example: a taper file whose block falls 30 degrees has a 0, an upright rip face.
 */
export const rollFromBlock = (fallDeg: number, section: SeatedSection): number => cornerDeg(section) / 2 - fallDeg;

/** The way back: what a block would show at a roll. */
export const blockFromRoll = (rollDeg: number, section: SeatedSection): number => cornerDeg(section) / 2 - rollDeg;
