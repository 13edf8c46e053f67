import type { Routes } from '@angular/router';

export const REELS_ROUTES: Routes = [
  {
    path: '',
    loadComponent: async () => (await import('./reel-search')).ReelSearch,
    title: 'Reels · Yard Spool',
  },
  {
    path: 'book',
    loadComponent: async () => (await import('./reel-book')).ReelBook,
    title: 'Reel book · Yard Spool',
  },
  {
    path: 'set/:customer',
    loadComponent: async () => (await import('./counter-set')).CounterSet,
    title: 'Reels fished together · Yard Spool',
  },
  {
    path: ':tag/counter',
    loadComponent: async () => (await import('./counter-tag')).CounterTag,
    title: 'Counter table · Yard Spool',
  },
  {
    path: ':tag',
    loadComponent: async () => (await import('./reel-page')).ReelPage,
    title: 'Reel · Yard Spool',
  },
];
