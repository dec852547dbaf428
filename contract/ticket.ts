import * as z from 'zod';
import { WORKS } from '@odontis/core/work/order';
import { pace } from '@odontis/core/work/shop-pace';
import type { Family } from '@odontis/core/saw/all-families';
import type { BackFixing } from '@odontis/core/saw/families';
import { WOODS } from '@odontis/core/saw/families';
import { family, toeZone } from '@odontis/core/saw/saw';
import type { PlateMark } from '@odontis/core/saw/plate-marks';
import { BEND_SIDES, GRADES, markFault, PLATE_MARKS } from '@odontis/core/saw/plate-marks';
import {
  BECAUSE,
  GRAINS,
  HARDENED_ANSWERS,
  LINE_LOOKS,
  VERDICTS,
  WANTED_FILINGS,
} from '@odontis/core/judgement/triage';
import type { KeptSaw } from './saw';
import { keptSaw, newSaw } from './saw';
import { bounded, counted, isoDay, recordId, requiredText, text, uuid, version } from './fields';

/** A ticket's stages in the order of the trade. */
export const STAGES = ['measure', 'plan', 'bench', 'check', 'handover', 'closed', 'declined'] as const;
export const stage = z.enum(STAGES);
export type Stage = z.infer<typeof stage>;
/** What a ticket can wait for when the next move is not the shop's. */
export const WAITS = ['customer', 'part', 'grinder'] as const;
export type Waits = (typeof WAITS)[number];
/**
 * How a ticket ends without the work it was opened for: refused by the shop, called off by the customer, given back as
 * it came, given up after trying, lost, or gone home with somebody else.
 */
export const ENDINGS = ['refused', 'cancelled', 'returned', 'given-up', 'lost', 'swapped'] as const;
export type Ending = (typeof ENDINGS)[number];
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

export const plateMark = z.object({
  kind: z.enum(PLATE_MARKS),
  along: bounded(0, 1, 'The mark’s place along the plate', '(0 heel, 1 toe)'),
  down: bounded(0, 1, 'The mark’s place down the plate', '(0 back, 1 teeth)'),
  side: z.enum(BEND_SIDES).optional(),
  sagMm: bounded(0, 300, 'How far it stands off a straight edge', 'mm').optional(),
  spanMm: bounded(1, 5000, 'The length of plate it runs over', 'mm').optional(),
  /** How far it has gone, and how many teeth it is of; left out where nobody said. */
  grade: z.enum(GRADES, { error: 'It is light, moderate or heavy.' }).optional(),
  count: counted(1, 2000, 'The teeth it is of', 'teeth').optional(),
  part: z.number().int().min(0).max(13).optional(),
});

/** What the counter found out about this visit. */
export const intake = z.object({
  wood: z.enum(WOODS),
  useRate: z.enum(USE_RATES),
  complaint: text(2000, 'The complaint'),
  hardened: z.enum(HARDENED_ANSWERS, { error: 'Say whether the teeth are hardened.' }),
  marks: z.array(plateMark).max(60, 'Sixty marks at most.'),
  lineLook: z.enum(LINE_LOOKS),
  grain: z.enum(GRAINS),
  wantsFiling: z.enum(WANTED_FILINGS),
  /** An etch on the plate the owner may want to keep. */
  etch: z.boolean(),
  collectible: z.boolean(),
  /** What a replacement would cost, in the shop's money; null where nobody said. */
  replacement: bounded(0.01, 100_000, 'What a replacement costs', '').nullable(),
  /** The rules whose work the owner agreed to, having been told it cannot be undone. */
  consents: z.array(text(60, 'The rule')).max(20),
  overrideReason: text(1000, 'The reason for deciding otherwise'),
  promisedOn: isoDay,
});
export type Intake = z.infer<typeof intake>;

/** `take` hangs a tag, `send-on` does so for a saw that is only passed on to grinding, `decline` keeps the refusal and its reasons. */
export const DECISIONS = ['take', 'send-on', 'decline'] as const;

export const newTicket = z
  .object({
    /** Made by the counter for this intake: sent twice, it opens one ticket. */
    key: uuid('The intake’s key is missing.'),
    /** The visit this saw came on, when another saw of it is in the book already. */
    arrival: recordId.optional(),
    customer: z.union([z.object({ id: recordId }).strict(), newCustomer]),
    saw: z.union([newSaw, z.object({ id: recordId }).strict()]),
    intake,
    decision: z.enum(DECISIONS),
  })
  .superRefine((wanted, context) => {
    if (!('family' in wanted.saw)) return;
    for (const message of markFaults(wanted.saw.family, wanted.saw, wanted.intake.marks))
      context.addIssue({ code: 'custom', path: ['intake', 'marks'], message });
  });
export type NewTicket = z.infer<typeof newTicket>;

const backOf = (of: object): BackFixing | undefined =>
  'backFixing' in of ? (of.backFixing as BackFixing | undefined) : undefined;

/** Marks that such a saw cannot have, each in a sentence. */
export function markFaults(family: Family, of: object, marks: readonly PlateMark[]): string[] {
  const kinds = [...new Set(marks.map((m) => m.kind))].flatMap((kind) => markFault(family, kind, backOf(of)) ?? []);
  const parts = 'parts' in of && Array.isArray(of.parts) ? of.parts.length : 1;
  const beyond = marks.some((m) => (m.part ?? 0) >= parts);
  return beyond ? [...kinds, 'A mark is on a part the set does not have.'] : kinds;
}

export const triageReason = z.object({
  rule: z.string(),
  verdict: z.enum(VERDICTS),
  says: z.string(),
  because: z.enum(BECAUSE),
  needsConsent: z.boolean(),
  withoutIt: z.enum(VERDICTS).optional(),
  part: z.string().optional(),
});

/** The parts of an open ticket the counter may still change. */
export const ticketChange = z
  .object({
    /** The teeth as measuring found them, where the ticket said otherwise. */
    line: z
      .object({
        pitchMm: bounded(0.5, 60, 'The pitch, tip to tip,', 'mm'),
        teeth: counted(3, 2000, 'The teeth', 'teeth'),
        /** Teeth at the toe unlike the rest; empty where there are none, left out to leave them as told. */
        toeZones: z.array(toeZone).max(3, 'At most three zones at the toe.').optional(),
      })
      .optional(),
    /** Teeth of the pattern before the first, as measuring found the line to begin. */
    patternOffset: z.int().min(0).max(39).optional(),
    version,
    complaint: intake.shape.complaint,
    promisedOn: isoDay,
    waitsFor: z.enum(WAITS, { error: 'A ticket waits for the customer, for a part or for the grinder.' }).nullish(),
    waitsNote: text(300, 'What it waits for').optional(),
  })
  .refine((change) => Boolean(change.waitsFor) || !change.waitsNote, {
    path: ['waitsNote'],
    message: 'Say whether it waits for the customer, for a part or for the grinder.',
  });
export type TicketChange = z.infer<typeof ticketChange>;

export const ticket = intake.extend({
  id: z.number().int(),
  number: z.number().int(),
  stage,
  version,
  verdict: z.enum(VERDICTS),
  reasons: z.array(triageReason),
  /** The first stop of its order that may not be begun until somebody speaks of the price; null where none is. */
  heldFrom: z.int().nullable(),
  /** Minutes the bench took, written down by hand where there was no plan to count by. */
  minutesTaken: z.number().nullable(),
  /** What was done, likewise. */
  workDone: z.string(),
  arrival: z.number().int(),
  currency: z.string(),
  openedBy: z.string(),
  openedAt: z.string(),
  closedBy: z.string().nullable(),
  closedAt: z.string().nullable(),
  handoverNote: z.string().nullable(),
  /** How it ended without the work it came for, at which stage, and what was tried; null of one that did not, or of before. */
  endedAs: z.enum(ENDINGS).nullable(),
  endedFrom: stage.nullable(),
  tried: z.string(),
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
  family,
  pitchMm: z.number(),
  openedOn: isoDay,
  minutes: z.number().nullable(),
  /** Whether the minutes are a plan's or the counter's reckoning. */
  planned: z.boolean(),
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
  work: z.enum(WORKS).nullable(),
  by: z.string(),
});
export type Visit = z.infer<typeof visit>;

const known = z.object({
  customerId: z.int(),
  customer: z.string(),
  inShop: z.boolean(),
  visits: z.int(),
  lastVisit: z.string().nullable(),
  lastComplaint: z.string(),
  lastNote: z.string(),
  lastWork: z.enum(WORKS).nullable(),
  lastDepthMm: z.number().nullable(),
  /** Declined last time, and why. */
  lastRefusal: z.string().nullable(),
});
/** A saw that was here before, offered at the counter with what was said then. */
export const knownSaw = keptSaw.and(known);
export type KnownSaw = KeptSaw & Readonly<z.infer<typeof known>>;

const likeness = z.object({ share: z.number(), agrees: z.array(z.string()).readonly() });
/** A known saw that the one on the counter may be, and what agrees. */
export const alikeSaw = knownSaw.and(likeness);
export type AlikeSaw = KnownSaw & Readonly<z.infer<typeof likeness>>;

/** The bench's load as the counter promises against it, and how the shop's past estimates stood to their plans. */
export const counterBook = z
  .object({
    due: z.array(z.object({ ticket: z.int(), day: z.string(), minutes: z.number() }).readonly()).readonly(),
    /** The pace of who is at the screen, which a place kept at a pace goes by; no price does. */
    pace,
    past: z
      .array(
        z.object({ family, looked: z.boolean(), likelyMinutes: z.number(), plannedMinutes: z.number() }).readonly(),
      )
      .readonly(),
  })
  .readonly();
export type CounterBook = z.infer<typeof counterBook>;

/** Where a ticket's page is, by its number. */
export const ticketNumbered = z.object({ id: z.int(), stage, family });

/**
 * An open ticket that ends without the work it came for, at any stage: by whom and why, what was tried, and what is
 * charged for it all the same; null where nothing is.
 */
export const endChange = z
  .object({
    version,
    /** Made on the screen: sent twice, it ends once. */
    key: uuid('The end of a ticket has a key of its own.'),
    ending: z.enum(ENDINGS, { error: 'Say how it ends.' }),
    by: z.enum(['customer', 'shop'], { error: 'Say whose word it is: the customer’s or the shop’s.' }),
    reason: requiredText(1000, 'The reason'),
    tried: text(2000, 'What was tried'),
    fee: bounded(0, 100_000, 'The fee', '').nullable(),
  })
  .refine((change) => change.ending !== 'given-up' || change.tried.trim() !== '', {
    path: ['tried'],
    message: 'Say what was tried before it was given up.',
  });
export type EndChange = z.infer<typeof endChange>;
/** As a page says it; its key is made where it is sent. */
export type EndSaid = Omit<EndChange, 'key'>;

/** A ticket that ended by mistake, or whose saw came to light again, goes on where it was. */
export const reopenChange = z.object({ version, reason: requiredText(1000, 'The reason') });
export type ReopenChange = z.infer<typeof reopenChange>;
