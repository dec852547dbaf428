import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { merge } from 'rxjs';

/** Looked for so often while the page is open. */
const LOOK_MS = 15 * 60_000;

/** A newer version of the program, offered when it lies ready and never taken by itself: a hand may be at work. */
@Injectable({ providedIn: 'root' })
export class NewerVersion {
  private readonly updates = inject(SwUpdate, { optional: true });
  readonly isReady = signal(false);

  constructor() {
    const { updates } = this;
    if (!updates?.isEnabled) return;
    merge(updates.versionUpdates, updates.unrecoverable)
      .pipe(takeUntilDestroyed())
      .subscribe((event) => {
        if (event.type === 'VERSION_READY' || event.type === 'UNRECOVERABLE_STATE') this.isReady.set(true);
      });
    setInterval(() => void updates.checkForUpdate().catch(() => undefined), LOOK_MS);
  }

  take(): void {
    location.reload();
  }
}
