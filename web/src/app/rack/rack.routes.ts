import type { Routes } from '@angular/router';

const title = 'Line rack · Yard Spool';

export const RACK_ROUTES: Routes = [
  { path: '', loadComponent: async () => (await import('./rack-page')).RackPage, title },
  { path: 'tubs', loadComponent: async () => (await import('./tubs-page')).TubsPage, title },
  { path: 'recycling', loadComponent: async () => (await import('./recycling-page')).RecyclingPage, title },
  { path: 'count', loadComponent: async () => (await import('./count-rack')).CountRack, title },
  { path: 'cuts', loadComponent: async () => (await import('./cuts/cuts-page')).CutsPage, title },
  { path: 'order', loadComponent: async () => (await import('./order/order-page')).OrderPage, title },
  {
    path: 'files/stock-list',
    loadComponent: async () => (await import('./stock-list/stock-list-page')).StockListPage,
    title,
  },
  { path: 'files', loadComponent: async () => (await import('./files-page')).FilesPage, title },
];
