import type { HttpInterceptorFn } from '@angular/common/http';
import { HttpErrorResponse } from '@angular/common/http';
import { inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { tap } from 'rxjs';
import { DoorCalls, doorFeature } from '../state/door.feature';
import { toRefusal } from './refusal';

/** An answer that nobody is in shuts the door on the page, wherever it was heard. */
export const doorWatch: HttpInterceptorFn = (request, next) => {
  const store = inject(Store);
  const here = store.selectSignal(doorFeature.selectHere);
  return next(request).pipe(
    tap({
      error: (error: unknown) => {
        if (!(error instanceof HttpErrorResponse) || ![401, 403].includes(error.status) || here() === null) return;
        const { code } = toRefusal(error);
        if (code === 'not-signed-in' || code === 'locked') store.dispatch(DoorCalls.shut());
      },
    }),
  );
};
