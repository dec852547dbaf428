import { randomUUID } from 'node:crypto';
import type { NewTicket } from '@odontis/contract/ticket';
import { pitchMmFromCount } from '@odontis/core/units/points';

/** The intake of an ordinary saw, nothing wrong with it. */
export const soundIntake = (more: Partial<NewTicket['intake']> = {}): NewTicket['intake'] => ({
  wood: 'dry-soft',
  useRate: 'weekly',
  complaint: 'dull',
  hardened: 'no',
  marks: [],
  lineLook: 'not-looked',
  grain: 'unsaid',
  wantsFiling: 'as-it-is',
  etch: false,
  collectible: false,
  replacement: null,
  consents: [],
  overrideReason: '',
  promisedOn: '2031-05-04',
  ...more,
});

export const newTicketBody = (more: Partial<NewTicket['intake']> = {}): NewTicket => ({
  key: randomUUID(),
  customer: { name: 'Wren Ashby', phone: '0555 1', email: '' },
  saw: {
    name: 'Dovetail saw',
    family: 'back',
    filing: 'rip',
    pitchMm: pitchMmFromCount(15, 'points'),
    convention: 'points',
    toothLineMm: 60,
    plateThicknessMm: 0.5,
    plateDepthHeelMm: 45,
    plateDepthToeMm: 45,
    backFixing: 'folded',
    marksOnIt: '',
  },
  intake: soundIntake(more),
  decision: 'take',
});
