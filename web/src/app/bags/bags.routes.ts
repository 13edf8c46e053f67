import type { Routes } from '@angular/router';

export const BAGS_ROUTES: Routes = [
  { path: '', loadComponent: async () => (await import('./bag-list')).BagList, title: 'Bags · Yard Spool' },
  {
    path: 'new',
    loadComponent: async () => (await import('./book-in')).BookIn,
    title: 'Book a bag in · Yard Spool',
  },
  {
    path: 'messages',
    loadComponent: async () => (await import('./messages-page')).MessagesPage,
    title: 'Messages · Yard Spool',
  },
  {
    path: 'question',
    loadComponent: async () => (await import('./quick-question')).QuickQuestion,
    title: 'Quick question · Yard Spool',
  },
  {
    path: 'counter',
    loadComponent: async () => (await import('./counter-question')).CounterQuestionPage,
    title: 'A counter that is off · Yard Spool',
  },
  {
    path: ':number/reel/:id',
    loadComponent: async () => (await import('./replan')).Replan,
    title: 'Plan a reel again · Yard Spool',
  },
  {
    path: ':number',
    loadComponent: async () => (await import('./bag-page')).BagPage,
    title: 'Bag · Yard Spool',
  },
];
