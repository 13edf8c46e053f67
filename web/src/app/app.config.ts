import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { provideBrowserGlobalErrorListeners, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { ASK_PASSCODE } from './data/proof.service';
import { hearUnreadRows } from './data/unread-rows';
import { routes } from './routes';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideHttpClient(withFetch(), withInterceptors([hearUnreadRows])),
    {
      provide: ASK_PASSCODE,
      useValue: () => import('./sign-in/passcode-again').then(({ askAgain }) => askAgain),
    },
    provideRouter(routes, withComponentInputBinding()),
  ],
};
