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
    path: 'due',
    loadComponent: async () => (await import('./due-page')).DuePage,
    title: 'Due · Yard Spool',
  },
  {
    path: 'comebacks',
    loadComponent: async () => (await import('./comebacks-page')).ComebacksPage,
    title: 'Came back · Yard Spool',
  },
  {
    path: 'fault',
    loadComponent: async () => (await import('../faults/fault-page')).FaultPage,
    title: 'What is wrong with it · Yard Spool',
  },
  {
    path: 'got',
    loadComponent: async () => (await import('./got-page')).LineUsedPage,
    title: 'Which reels got it · Yard Spool',
  },
  {
    path: 'customer/:id',
    loadComponent: async () => (await import('./customer-page')).CustomerPage,
    title: 'Customer · Yard Spool',
  },
  {
    path: 'set/:customer',
    loadComponent: async () => (await import('./counter-set')).CounterSet,
    title: 'Reels used as a set · Yard Spool',
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
