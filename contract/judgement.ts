import * as z from 'zod';
import { BOOK_IDS, BOOKS } from '@odontis/core/judgement/books';
import type { Condition } from '@odontis/core/judgement/condition';
import { conditionFaults } from '@odontis/core/judgement/condition-faults';
import type { RuleBook } from '@odontis/core/judgement/rule-book';
import { changeFaults } from '@odontis/core/judgement/rule-book';
import { BECAUSE } from '@odontis/core/judgement/triage';
import { requiredText, text } from './fields';

/** When a rule applies, within what a person could have written: docs/formats.md, judgement as data. */
export const condition = z.unknown().superRefine((value, context) => {
  for (const { path, message } of conditionFaults(value))
    context.addIssue({ code: 'custom', path, message, continue: false });
}) as unknown as z.ZodType<Condition>;

/** More than this no book has: the rest of a file that says so is not looked at. */
const MOST_NAMES = 200;
/** A list by name of at most so many. */
const named = <T extends z.ZodType>(of: T) =>
  z
    .custom<Record<string, unknown>>(
      (value) => typeof value === 'object' && value !== null && Object.keys(value).length <= MOST_NAMES,
      { error: `At most ${MOST_NAMES} names in one book.`, abort: true },
    )
    .pipe(z.record(z.string(), of));

const rule = z.strictObject({
  id: requiredText(60, 'The rule’s name'),
  verdict: z.string(),
  when: condition,
  says: requiredText(400, 'What the rule says'),
  because: z.enum(BECAUSE, { error: `Say which question it belongs to: ${BECAUSE.join(', ')}.` }),
  school: text(60, 'The school').optional(),
  needsConsent: z.boolean().optional(),
  source: requiredText(200, 'The rule’s source'),
});

const bookChange = z.strictObject({
  thresholds: named(z.number({ error: 'A threshold is a number.' })).optional(),
  rules: named(
    z.strictObject({
      off: z.boolean().optional(),
      verdict: z.string().optional(),
      says: requiredText(400, 'What the rule says').optional(),
    }),
  ).optional(),
  more: z.array(rule).max(100, 'A hundred rules of one’s own at most.').optional(),
});

/** A shop's own judgement: its changes, book by book, every name in them checked against the book. */
export const judgement = z.partialRecord(z.enum(BOOK_IDS), bookChange).superRefine((changes, context) => {
  for (const id of BOOK_IDS) {
    const change = changes[id];
    if (!change) continue;
    for (const fault of changeFaults(BOOKS[id] as RuleBook<string>, change)) {
      const path = fault.path
        .split('/')
        .slice(1)
        .map((part) => (/^\d+$/.test(part) ? Number(part) : part));
      context.addIssue({ code: 'custom', path: [id, ...path], message: fault.message });
    }
  }
});
