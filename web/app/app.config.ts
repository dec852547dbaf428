import { provideHttpClient, withInterceptors, withXsrfConfiguration } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { isDevMode, provideBrowserGlobalErrorListeners, provideZonelessChangeDetection } from '@angular/core';
import { MAT_FORM_FIELD_DEFAULT_OPTIONS } from '@angular/material/form-field';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { routes } from './routes';
import { CSRF_COOKIE, CSRF_HEADER } from '@odontis/contract/door';
import { doorWatch } from './shared/api/door-watch';
import * as doorEffects from './shared/state/door.effects';
import { doorFeature } from './shared/state/door.feature';
import * as shopEffects from './shared/state/shop.effects';
import { shopFeature } from './shared/state/shop.feature';
import * as storeRoomEffects from './shared/state/store-room.effects';
import { storeRoomFeature } from './shared/state/store-room.feature';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(
      withInterceptors([doorWatch]),
      withXsrfConfiguration({ cookieName: CSRF_COOKIE, headerName: CSRF_HEADER }),
    ),
    // Outlined fields keep their labels at bench density.
    { provide: MAT_FORM_FIELD_DEFAULT_OPTIONS, useValue: { appearance: 'outline', subscriptSizing: 'dynamic' } },
    provideStore({
      [doorFeature.name]: doorFeature.reducer,
      [shopFeature.name]: shopFeature.reducer,
      [storeRoomFeature.name]: storeRoomFeature.reducer,
    }),
    provideEffects(doorEffects, shopEffects, storeRoomEffects),
    // Once the first page stands, so that nothing waits for it.
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode(), registrationStrategy: 'registerWhenStable:5000' }),
  ],
};
