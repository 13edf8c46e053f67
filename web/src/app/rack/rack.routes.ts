import type { Routes } from '@angular/router';

export const RACK_ROUTES: Routes = [
  {
    path: '',
    loadComponent: async () => (await import('./rack-page')).RackPage,
    title: 'Line rack · Yard Spool',
  },
];
