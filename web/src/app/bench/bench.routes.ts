import type { Routes } from '@angular/router';

export const BENCH_ROUTES: Routes = [
  {
    path: '',
    loadComponent: async () => (await import('./bench-list')).BenchList,
    title: 'Bench · Yard Spool',
  },
  {
    path: 'walks',
    loadComponent: async () => (await import('./walk-outing')).WalkOuting,
    title: 'Counter walks · Yard Spool',
  },
  {
    path: ':id',
    loadComponent: async () => (await import('./bench-run')).BenchRun,
    title: 'Bench · Yard Spool',
  },
];
