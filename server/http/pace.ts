import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { Problem } from './problem';

/** So many in so many seconds. */
interface Allowed {
  readonly times: number;
  readonly withinS: number;
}
/** Anything that somebody does at a screen: a fast hand and a page that opens are far below it. */
const USUAL: Allowed = { times: 400, withinS: 10 };
/** What is work for the shop's computer. */
const COSTLY: Readonly<Record<string, Allowed>> = {
  'GET /tickets/:id/tag.pdf': { times: 60, withinS: 60 },
  'GET /tags.pdf': { times: 60, withinS: 60 },
  'GET /measuring-sheet.pdf': { times: 60, withinS: 60 },
  'GET /tickets/:id/outwork/:number/note.pdf': { times: 60, withinS: 60 },
  'GET /tickets/:id/quote.pdf': { times: 60, withinS: 60 },
  'GET /tickets/:id/report.pdf': { times: 60, withinS: 60 },
  'GET /tickets/:id/aids.pdf': { times: 60, withinS: 60 },
  'GET /tickets/:id/card.pdf': { times: 60, withinS: 60 },
  'POST /tickets/:id/photographs': { times: 120, withinS: 60 },
  'POST /customers/cards': { times: 20, withinS: 60 },
  'POST /labels': { times: 120, withinS: 60 },
  'POST /copies': { times: 10, withinS: 60 },
};
/** Of one address that nobody was let in from: enough to open the door, whatever it asks. */
const STRANGERS: Allowed = { times: 600, withinS: 60 };

/** How fast one sitting may call a route, and strangers anything: more is told to wait, and nothing of it is done. */
export class Pace {
  private readonly usual = limiter(USUAL);
  private readonly costly = new Map(Object.entries(COSTLY).map(([route, allowed]) => [route, limiter(allowed)]));
  private readonly strangers = limiter(STRANGERS);

  /** Throws Problem `too-often`. */
  async known(sitting: string, route: string): Promise<void> {
    await counted(this.costly.get(route) ?? this.usual, `${sitting} ${route}`);
  }
  async stranger(address: string): Promise<void> {
    await counted(this.strangers, address);
  }
}

const limiter = ({ times, withinS }: Allowed): RateLimiterMemory =>
  new RateLimiterMemory({ points: times, duration: withinS });

async function counted(of: RateLimiterMemory, key: string): Promise<void> {
  try {
    await of.consume(key);
  } catch (refused) {
    if (!(refused instanceof RateLimiterRes)) throw refused;
    throw new Problem('too-often', 'That is asked for too often at once. It goes on in a moment.', [], undefined, {
      retryAfterS: Math.ceil(refused.msBeforeNext / 1000),
    });
  }
}
