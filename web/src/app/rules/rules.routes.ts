import type { Routes } from '@angular/router';

const title = 'House rules · Yard Spool';

export const RULES_ROUTES: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'schools/level' },
  { path: 'schools', pathMatch: 'full', redirectTo: 'schools/level' },
  {
    path: 'schools/:question',
    loadComponent: async () => (await import('./schools-page')).SchoolsPage,
    title,
  },
  { path: 'otherwise', loadComponent: async () => (await import('./overrides-page')).OverridesPage, title },
  { path: 'benches', loadComponent: async () => (await import('./benches-page')).BenchesPage, title },
  { path: 'people', loadComponent: async () => (await import('./people-page')).PeoplePage, title },
  { path: 'shop', loadComponent: async () => (await import('./shop-page')).ShopPage, title },
  { path: 'cautions', loadComponent: async () => (await import('./cautions-page')).CautionsPage, title },
  { path: 'changes', loadComponent: async () => (await import('./changes-page')).ChangesPage, title },
];
