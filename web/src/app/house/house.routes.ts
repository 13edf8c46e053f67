import type { Routes } from '@angular/router';

/** Each page of the settings has a title of its own. */
const titled = (name: string): { readonly title: string } => ({ title: `${name}, settings · Yard Spool` });

export const HOUSE_ROUTES: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'rules/level' },
  { path: 'rules', pathMatch: 'full', redirectTo: 'rules/level' },
  {
    path: 'rules/:question',
    loadComponent: async () => (await import('./rules-page')).RulesPage,
    ...titled('Shop rules'),
  },
  {
    path: 'exceptions',
    loadComponent: async () => (await import('./exceptions-page')).ExceptionsPage,
    ...titled('Exceptions'),
  },
  {
    path: 'benches',
    loadComponent: async () => (await import('./benches-page')).BenchesPage,
    ...titled('Benches and tubs'),
  },
  {
    path: 'people',
    loadComponent: async () => (await import('./people-page')).PeoplePage,
    ...titled('People'),
  },
  { path: 'shop', loadComponent: async () => (await import('./shop-page')).ShopPage, ...titled('Shop') },
  {
    path: 'cautions',
    loadComponent: async () => (await import('./cautions-page')).CautionsPage,
    ...titled('Cautions'),
  },
  {
    path: 'access',
    loadComponent: async () => (await import('./access-page')).AccessPage,
    ...titled('Access'),
  },
  {
    path: 'files',
    loadComponent: async () => (await import('./files-and-calendar')).FilesAndCalendar,
    ...titled('Files and calendar'),
  },
  {
    path: 'unread',
    loadComponent: async () => (await import('./unread-page')).UnreadPage,
    ...titled('Entries that cannot be read'),
  },
  {
    path: 'changes',
    loadComponent: async () => (await import('./changes-page')).ChangesPage,
    ...titled('Changes'),
  },
];
