import { makePaper } from './paper';

/** What a thread of the press does: one paper after the other. */
export default makePaper;
