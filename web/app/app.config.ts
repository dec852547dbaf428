import { provideHttpClient, withInterceptors } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { provideBrowserGlobalErrorListeners, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { routes } from './routes';
import { personHeader } from './shared/api/person-header';
import * as shopEffects from './shared/state/shop.effects';
import { shopFeature } from './shared/state/shop.feature';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(withInterceptors([personHeader])),
    provideStore({ [shopFeature.name]: shopFeature.reducer }),
    provideEffects(shopEffects),
  ],
};
