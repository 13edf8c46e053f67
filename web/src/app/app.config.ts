import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { inject, provideBrowserGlobalErrorListeners, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding, withNavigationErrorHandler } from '@angular/router';
import { OpenAgain } from './data/open-again';
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
    provideRouter(
      routes,
      withComponentInputBinding(),
      withNavigationErrorHandler(({ url }) => inject(OpenAgain).noted(url)),
    ),
  ],
};
