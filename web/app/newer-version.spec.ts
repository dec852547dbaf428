import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { SwUpdate } from '@angular/service-worker';
import { Subject } from 'rxjs';
import { NewerVersion } from './newer-version';

describe('a newer version of the program', () => {
  const opened = (isEnabled: boolean) => {
    const [versionUpdates, unrecoverable] = [new Subject<{ type: string }>(), new Subject<{ type: string }>()];
    const updates = { isEnabled, versionUpdates, unrecoverable, checkForUpdate: () => Promise.resolve(false) };
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), { provide: SwUpdate, useValue: updates }],
    });
    return { newer: TestBed.inject(NewerVersion), versionUpdates, unrecoverable };
  };

  it('is offered when it lies ready, and not while it is only on its way', () => {
    const { newer, versionUpdates } = opened(true);
    versionUpdates.next({ type: 'VERSION_DETECTED' });
    expect(newer.isReady()).toBeFalse();
    versionUpdates.next({ type: 'VERSION_READY' });
    expect(newer.isReady()).toBeTrue();
  });

  it('is offered as well where the one that is kept is broken; nothing is looked for where nothing is kept', () => {
    const broken = opened(true);
    broken.unrecoverable.next({ type: 'UNRECOVERABLE_STATE' });
    expect(broken.newer.isReady()).toBeTrue();
    TestBed.resetTestingModule();
    const without = opened(false);
    without.versionUpdates.next({ type: 'VERSION_READY' });
    expect(without.newer.isReady()).toBeFalse();
  });
});
