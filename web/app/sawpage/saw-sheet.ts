import { Injectable, signal } from '@angular/core';
import type { SawDrawing } from './drawing';

export interface DepthHandle {
  readonly depthMm: number;
  readonly deepestMm: number;
  readonly recommendedMm: number;
  readonly says: string;
  readonly move: (depthMm: number) => void;
}

/** What the present stage puts on the saw's page: the page owns the sheet, the stage what is on it. */
@Injectable()
export class SawSheet {
  readonly drawing = signal<SawDrawing | null>(null);
  readonly handle = signal<DepthHandle | null>(null);
  /** A tooth somebody wants to see: the line moves there. */
  readonly shown = signal<{ tooth: number; at: number } | null>(null);
  /** How much of the line is seen, as shares of its length. */
  readonly seen = signal<{ readonly from: number; readonly to: number }>({ from: 0, to: 1 });
  /** The tooth last clicked on the sheet. */
  readonly picked = signal<number | null>(null);
  readonly laneHeight = signal(46);

  show(tooth: number): void {
    this.shown.set({ tooth, at: Date.now() });
  }
}
