import { z } from 'zod';
import { BACK_FIXINGS, FILINGS, STRAIGHT_FAMILIES, WOODS } from '@odontis/core/saw/families';
import { POINT_CONVENTIONS } from '@odontis/core/saw/points';
import { HARDENED_ANSWERS, PLATE_MARKS, VERDICTS } from '@odontis/core/triage/triage';
import { bounded, isoDay, recordId, requiredText, text, version } from './fields';

/** A ticket's stages in the order of the trade. */
export const STAGES = ['measure', 'plan', 'bench', 'check', 'handover', 'closed', 'declined'] as const;
export const stage = z.enum(STAGES);
export type Stage = z.infer<typeof stage>;
/** What a ticket can wait for when the next move is not the shop's. */
export const WAITS = ['customer', 'part'] as const;
export type Waits = (typeof WAITS)[number];
export const USE_RATES = ['daily', 'weekly', 'seldom'] as const;

export const newCustomer = z.object({
  name: requiredText(200, 'The customer’s name'),
  phone: text(60, 'The telephone'),
  email: text(200, 'The e-mail').refine((v) => v === '' || /^[^@\s]+@[^@\s]+$/.test(v), 'An e-mail needs an @ in it.'),
});
export const customer = newCustomer.extend({ id: z.number().int() });
export type Customer = z.infer<typeof customer>;
export const customerFound = customer.extend({ sawsBrought: z.number().int() });
export type CustomerFound = z.infer<typeof customerFound>;

export const newSaw = z
  .object({
    name: requiredText(120, 'What the saw is'),
    family: z.enum(STRAIGHT_FAMILIES, { error: 'The saw must be a hand saw or a back saw.' }),
    filing: z.enum(FILINGS, { error: 'The filing must be rip or crosscut.' }),
    perInch: bounded(1.5, 40, 'The count to the inch', ''),
    convention: z.enum(POINT_CONVENTIONS),
    toothLineMm: bounded(50, 3000, 'The length of the tooth line', 'mm'),
    plateThicknessMm: bounded(0.2, 3, 'The plate thickness', 'mm'),
    plateDepthHeelMm: bounded(15, 400, 'The plate depth at the heel', 'mm'),
    plateDepthToeMm: bounded(15, 400, 'The plate depth at the toe', 'mm'),
    backFixing: z.enum(BACK_FIXINGS),
    marksOnIt: text(500, 'What is stamped or written on it'),
  })
  .superRefine((saw, context) => {
    if (saw.convention === 'points' && saw.perInch <= 1) {
      context.addIssue({ code: 'custom', path: ['perInch'], message: 'A saw needs more than one point to the inch.' });
    }
    if (saw.family === 'hand' && saw.backFixing !== 'none') {
      context.addIssue({ code: 'custom', path: ['backFixing'], message: 'A hand saw has no stiffening back.' });
    }
    if (saw.family === 'back' && saw.backFixing === 'none') {
      context.addIssue({
        code: 'custom',
        path: ['backFixing'],
        message: 'Say how the back is fixed: folded or slotted.',
      });
    }
  });
export type NewSaw = z.infer<typeof newSaw>;

export const saw = z.object({
  id: z.number().int(),
  name: z.string(),
  family: z.enum(STRAIGHT_FAMILIES),
  filing: z.enum(FILINGS),
  pitchMm: z.number(),
  convention: z.enum(POINT_CONVENTIONS),
  toothLineMm: z.number(),
  plateThicknessMm: z.number(),
  plateDepthHeelMm: z.number(),
  plateDepthToeMm: z.number(),
  backFixing: z.enum(BACK_FIXINGS),
  marksOnIt: z.string(),
});
export type Saw = z.infer<typeof saw>;

export const plateMark = z.object({
  kind: z.enum(PLATE_MARKS),
  along: bounded(0, 1, 'The mark’s place along the plate', '(0 heel, 1 toe)'),
  down: bounded(0, 1, 'The mark’s place down the plate', '(0 back, 1 teeth)'),
});

/** What the counter found out about this visit. */
export const intake = z.object({
  wood: z.enum(WOODS),
  useRate: z.enum(USE_RATES),
  complaint: text(2000, 'The complaint'),
  hardened: z.enum(HARDENED_ANSWERS, { error: 'Say whether the teeth are hardened.' }),
  marks: z.array(plateMark).max(60, 'Sixty marks at most.'),
  consent: z.boolean(),
  overrideReason: text(1000, 'The reason for deciding otherwise'),
  promisedOn: isoDay,
});
export type Intake = z.infer<typeof intake>;

export const newTicket = z.object({
  customer: z.union([z.object({ id: recordId }).strict(), newCustomer]),
  saw: z.union([z.object({ id: recordId }).strict(), newSaw]),
  intake,
  /** `take` hangs a tag; `decline` keeps the refusal and its reasons. */
  decision: z.enum(['take', 'decline']),
});
export type NewTicket = z.infer<typeof newTicket>;

export const triageReason = z.object({
  rule: z.string(),
  verdict: z.enum(VERDICTS),
  says: z.string(),
  because: z.enum(['hardened', 'marks', 'saw']),
  needsConsent: z.boolean(),
});

/** The parts of an open ticket the counter may still change. */
export const ticketChange = z
  .object({
    version,
    complaint: intake.shape.complaint,
    promisedOn: isoDay,
    waitsFor: z.enum(WAITS, { error: 'A ticket waits for the customer or for a part.' }).nullish(),
    waitsNote: text(300, 'What it waits for').optional(),
  })
  .refine((change) => Boolean(change.waitsFor) || !change.waitsNote, {
    path: ['waitsNote'],
    message: 'Say whether it waits for the customer or for a part.',
  });
export type TicketChange = z.infer<typeof ticketChange>;

export const ticket = intake.extend({
  id: z.number().int(),
  number: z.number().int(),
  stage,
  version,
  verdict: z.enum(VERDICTS),
  reasons: z.array(triageReason),
  quoteLow: z.number(),
  quoteHigh: z.number(),
  currency: z.string(),
  openedBy: z.string(),
  openedAt: z.string(),
  closedBy: z.string().nullable(),
  closedAt: z.string().nullable(),
  charged: z.number().nullable(),
  handoverNote: z.string().nullable(),
  waitsFor: z.enum(WAITS).nullable(),
  waitsNote: z.string(),
});
export type Ticket = z.infer<typeof ticket>;

/** One line of the rack. */
export const rackRow = z.object({
  id: z.number().int(),
  number: z.number().int(),
  stage,
  promisedOn: isoDay,
  customer: z.string(),
  saw: z.string(),
  pitchMm: z.number(),
  minutes: z.number().nullable(),
  stopsDone: z.number().int(),
  stops: z.number().int(),
  waitsFor: z.enum(WAITS).nullable(),
  waitsNote: z.string(),
  /** Who took it in and who planned it, by their ids. */
  hands: z.array(z.number().int()),
});
export type RackRow = z.infer<typeof rackRow>;

/** A past visit of a saw. */
export const visit = z.object({
  id: z.number().int(),
  number: z.number().int(),
  stage,
  openedAt: z.string(),
  closedAt: z.string().nullable(),
  complaint: z.string(),
  depthMm: z.number().nullable(),
  work: z.enum(['sharpen', 'tune']).nullable(),
  by: z.string(),
});
export type Visit = z.infer<typeof visit>;

/** A saw the customer has brought before, offered at the counter. */
export const knownSaw = saw.extend({ inShop: z.boolean(), visits: z.number().int(), lastVisit: z.string().nullable() });
export type KnownSaw = z.infer<typeof knownSaw>;
