import type { CounterDraft } from './counter-draft';
import { emptyDraft } from './counter-draft';

/** The window's own draft, and the last one of this machine. Two windows never share one: the last is only offered. */
const OWN = 'odontis.counter';
const LAST = 'odontis.counter.last';

function read(store: Storage, key: string): CounterDraft | null {
  try {
    const text = store.getItem(key);
    // A draft of an older version of the app keeps what still has a place.
    return text === null ? null : { ...emptyDraft(), ...(JSON.parse(text) as Partial<CounterDraft>) };
  } catch {
    return null;
  }
}

/** What this window was at: a reload loses nothing. */
export const recallDraft = (): CounterDraft | null => read(sessionStorage, OWN);

/** What a window that was closed left half done. */
export function leftDraft(): CounterDraft | null {
  const left = read(localStorage, LAST);
  if (!left || (left.customerName === '' && left.family === '')) return null;
  return left;
}

export function keepDraft(draft: CounterDraft | null): void {
  try {
    if (draft === null) {
      sessionStorage.removeItem(OWN);
      localStorage.removeItem(LAST);
      return;
    }
    const text = JSON.stringify(draft);
    sessionStorage.setItem(OWN, text);
    localStorage.setItem(LAST, text);
  } catch {
    // Without storage a reload begins anew.
  }
}
