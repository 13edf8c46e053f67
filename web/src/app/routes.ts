import { inject, Injector } from '@angular/core';
import { Router, type CanActivateFn, type Routes } from '@angular/router';
import { map, of, switchMap } from 'rxjs';
import { HouseService } from './data/house.service';
import { paperTitle } from './paper/paper-title';
import { SessionService } from './data/session.service';

/**
 * Lets nobody past who is not signed in; remembers where they wanted to go. Pages are shown once it is known what the shop
 * has settled: every time on them is in its zone.
 */
const signedIn: CanActivateFn = (_route, { url }) => {
  const router = inject(Router);
  const injector = inject(Injector);
  return inject(SessionService).known$.pipe(
    switchMap((person) =>
      person === null
        ? of(router.createUrlTree(['/sign-in'], { queryParams: { to: url } }))
        : injector.get(HouseService).settled$.pipe(map(() => true)),
    ),
  );
};

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'day' },
  {
    path: 'sign-in',
    loadComponent: async () => (await import('./sign-in/sign-in')).SignIn,
    title: 'Sign in · Yard Spool',
  },
  {
    path: '',
    canActivate: [signedIn],
    children: [
      {
        path: 'day',
        loadComponent: async () => (await import('./day/day-page')).DayPage,
        title: 'Day · Yard Spool',
      },
      { path: 'bags', loadChildren: async () => (await import('./bags/bags.routes')).BAGS_ROUTES },
      { path: 'bench', loadChildren: async () => (await import('./bench/bench.routes')).BENCH_ROUTES },
      { path: 'rack', loadChildren: async () => (await import('./rack/rack.routes')).RACK_ROUTES },
      { path: 'house', loadChildren: async () => (await import('./house/house.routes')).HOUSE_ROUTES },
      {
        path: 'paper/:what/:of',
        loadComponent: async () => (await import('./paper/paper-page')).PaperPage,
        title: ({ params }) => paperTitle(String(params.what), String(params.of)),
      },
      { path: 'reels', loadChildren: async () => (await import('./reels/reels.routes')).REELS_ROUTES },
    ],
  },
  {
    path: '**',
    loadComponent: async () => (await import('./ui/nowhere')).Nowhere,
    title: 'Not found · Yard Spool',
  },
];
