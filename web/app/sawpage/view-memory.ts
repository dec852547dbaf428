import { Injectable } from '@angular/core';

export interface RememberedView {
  readonly k: number;
  readonly x: number;
}

/** Zoom and position of each ticket's line, kept from stage to stage and over a reload. */
@Injectable({ providedIn: 'root' })
export class ViewMemory {
  read(ticket: number): RememberedView | null {
    try {
      const text = sessionStorage.getItem(`odontis.view.${ticket}`);
      const view = text === null ? null : (JSON.parse(text) as Partial<RememberedView>);
      return view && Number.isFinite(view.k) && Number.isFinite(view.x) ? (view as RememberedView) : null;
    } catch {
      return null;
    }
  }

  keep(ticket: number, view: RememberedView): void {
    try {
      sessionStorage.setItem(`odontis.view.${ticket}`, JSON.stringify(view));
    } catch {
      // A browser without storage shows the whole line again.
    }
  }
}
