import { Injectable, signal } from '@angular/core';

export interface KeyHelp {
  readonly keys: string;
  readonly does: string;
}

/** The keys of the present screen, shown by `?`. */
@Injectable({ providedIn: 'root' })
export class Keys {
  readonly here = signal<readonly KeyHelp[]>([]);
  readonly open = signal(false);
}

/** Whether a key press belongs to a field being typed in; a box that is ticked is none. */
export function typing(event: Event): boolean {
  const target = event.target as HTMLElement | null;
  if (target instanceof HTMLInputElement && ['checkbox', 'radio'].includes(target.type)) return false;
  return target !== null && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable);
}
