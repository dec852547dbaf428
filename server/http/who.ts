import type { Request } from 'express';
import type { Role } from '@odontis/contract/roles';
import { Problem } from './problem';

/** Who asks, as their sitting says it and nothing else. */
export interface Who {
  readonly personId: number;
  readonly role: Role;
  readonly deviceId: number;
  /** The sitting by its key; what was done in it and is sent later names it. */
  readonly sitting: string;
}

const asking = new WeakMap<Request, Who>();

/** Said once a request, by the door. */
export const letIn = (request: Request, who: Who): void => void asking.set(request, who);

/** Who asks. Throws Problem `not-signed-in` where the door let nobody in. */
export function whoOf(request: Request): Who {
  const who = asking.get(request);
  if (!who) throw notSignedIn();
  return who;
}

/** The number of who asks: every record says who made it. */
export const personOf = (request: Request): number => whoOf(request).personId;

export const notSignedIn = (): Problem => new Problem('not-signed-in', 'Nobody is signed in at this screen.');
