import type { FieldProblem, ProblemCode } from '@odontis/contract/problem';
import { Thread } from '../../beside/thread';
import { Problem } from '../../http/problem';
import { hasLine } from './has-line';
import { keptOrder } from './kept-order';
import type { ToOrder } from './order-of';
import { orderOf } from './order-of';

export interface Asked {
  readonly kind: 'order' | 'line';
  /** JSON of {@link ToOrder}; of the ticket alone where a line is asked for. */
  readonly text: string;
}
export interface Answer {
  readonly order?: ReturnType<typeof keptOrder>;
  readonly line?: boolean;
  readonly refused?: { readonly code: ProblemCode; readonly detail: string; readonly errors: readonly FieldProblem[] };
}

/**
 * A ticket with more readings than this, as JSON, is worked out beside the loop: with everything that could be done
 * in its stead two hundred teeth take 50 ms, five thousand more than 600. Signs.
 */
const LARGE = 50_000;

const thread = new Thread<Asked, Answer>(
  'server/features/plans/saw-worker',
  'Too many plans are being worked out just now. Try this one again in a moment.',
);

async function beside(kind: Asked['kind'], text: string): Promise<Answer> {
  const answer = await thread.run({ kind, text });
  if (answer.refused) throw new Problem(answer.refused.code, answer.refused.detail, answer.refused.errors);
  return answer;
}

/** The order as it is kept, a long line's beside the loop. Throws Problem where these readings make none. */
export async function orderKept(of: ToOrder): Promise<ReturnType<typeof keptOrder>> {
  const { ticket, saw, sessions, visits, preparations } = of.dossier;
  const text = JSON.stringify({ ...of, dossier: { ticket, saw, sessions, visits, preparations } });
  const order = text.length < LARGE ? keptOrder(orderOf(of)) : (await beside('order', text)).order;
  if (!order) throw new Error('No order came of it.');
  return order;
}

/** Whether a tooth line was read that can be planned, a long one looked at beside the loop. */
export async function lineIsRead(dossier: ToOrder['dossier']): Promise<boolean> {
  const { saw, sessions } = dossier;
  const text = JSON.stringify({ dossier: { saw, sessions } });
  return text.length < LARGE ? hasLine(dossier) : (await beside('line', text)).line === true;
}
