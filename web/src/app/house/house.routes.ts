import type { Routes } from '@angular/router';

const title = 'Settings · Yard Spool';

export const HOUSE_ROUTES: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'rules/level' },
  { path: 'rules', pathMatch: 'full', redirectTo: 'rules/level' },
  {
    path: 'rules/:question',
    loadComponent: async () => (await import('./rules-page')).RulesPage,
    title,
  },
  {
    path: 'exceptions',
    loadComponent: async () => (await import('./exceptions-page')).ExceptionsPage,
    title,
  },
  { path: 'benches', loadComponent: async () => (await import('./benches-page')).BenchesPage, title },
  { path: 'people', loadComponent: async () => (await import('./people-page')).PeoplePage, title },
  { path: 'shop', loadComponent: async () => (await import('./shop-page')).ShopPage, title },
  { path: 'cautions', loadComponent: async () => (await import('./cautions-page')).CautionsPage, title },
  { path: 'access', loadComponent: async () => (await import('./access-page')).AccessPage, title },
  {
    path: 'files',
    loadComponent: async () => (await import('./files-and-calendar')).FilesAndCalendar,
    title,
  },
  { path: 'unread', loadComponent: async () => (await import('./unread-page')).UnreadPage, title },
  { path: 'changes', loadComponent: async () => (await import('./changes-page')).ChangesPage, title },
];
