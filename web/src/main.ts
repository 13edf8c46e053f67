import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app/app';
import { appConfig } from './app/app.config';
import { keepScreens } from './app/data/keep-screens';

keepScreens();
bootstrapApplication(App, appConfig).catch((error: unknown) => {
  console.error(error);
});
