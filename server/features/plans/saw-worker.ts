import * as z from 'zod';
import { sentSession } from '@odontis/contract/evidence';
import { Problem } from '../../http/problem';
import type { ToOrder } from './order-of';
import { hasLine } from './has-line';
import { orderOf } from './order-of';
import { keptOrder } from './kept-order';
import type { Answer, Asked } from './saw-work';

const sessions = z.object({ sessions: sentSession.array() });

/** What the thread does: the ticket comes as JSON, its readings in rows as they are answered. */
export default function work({ kind, text }: Asked): Answer {
  const asked = JSON.parse(text) as ToOrder;
  const dossier = { ...asked.dossier, ...sessions.parse(asked.dossier) };
  try {
    return kind === 'line' ? { line: hasLine(dossier) } : { order: keptOrder(orderOf({ ...asked, dossier })) };
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    const { code, detail, errors } = error;
    return { refused: { code, detail, errors } };
  }
}
