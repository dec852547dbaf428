import { z } from 'zod';
import { BOOK_IDS, BOOKS } from '@odontis/core/judgement/books';
import type { Condition } from '@odontis/core/judgement/condition';
import type { RuleBook } from '@odontis/core/judgement/rule-book';
import { changeFaults } from '@odontis/core/judgement/rule-book';
import { BECAUSE } from '@odontis/core/judgement/triage';
import { requiredText, text } from './fields';

const fact = requiredText(60, 'The fact');
const limit = z.union([z.number(), z.strictObject({ threshold: requiredText(60, 'The threshold') })]);

/** When a rule applies: docs/formats.md, judgement as data. */
export const condition: z.ZodType<Condition> = z.lazy(() =>
  z.union(
    [
      z.strictObject({ all: z.array(condition).max(40) }),
      z.strictObject({ any: z.array(condition).max(40) }),
      z.strictObject({ not: condition }),
      z.strictObject({
        fact,
        is: z.union([z.string(), z.number(), z.boolean(), z.array(z.union([z.string(), z.number()])).max(60)]),
      }),
      z.strictObject({ fact, has: z.string() }),
      z.strictObject({ fact, atLeast: limit }),
      z.strictObject({ fact, below: limit }),
      z.strictObject({ fact, known: z.boolean() }),
    ],
    { error: 'A condition is all, any, not, or a test of one fact: is, has, atLeast, below or known.' },
  ),
);

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
  thresholds: z.record(z.string(), z.number({ error: 'A threshold is a number.' })).optional(),
  rules: z
    .record(
      z.string(),
      z.strictObject({
        off: z.boolean().optional(),
        verdict: z.string().optional(),
        says: requiredText(400, 'What the rule says').optional(),
      }),
    )
    .optional(),
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
