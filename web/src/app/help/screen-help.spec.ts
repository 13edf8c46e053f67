import type { Routes } from '@angular/router';
import { routes } from '../routes';
import { helpFor, SCREEN_HELP } from './screen-help';

/** The addresses of all screens, with 1 for whatever stands in them. */
async function addressesOf(all: Routes, below = ''): Promise<string[]> {
  const lists = await Promise.all(
    all.map(async (route) => {
      const path = [below, (route.path ?? '').replaceAll(/:\w+/g, '1')]
        .filter((part) => part !== '')
        .join('/');
      const children = route.children ?? ((await route.loadChildren?.()) as Routes | undefined);
      if (children) return addressesOf(children, path);
      return route.loadComponent && route.path !== '**' ? [`/${path}`] : [];
    }),
  );
  return lists.flat();
}

describe('what a screen is for', () => {
  it('is said of every screen, in two sentences', async () => {
    const addresses = await addressesOf(routes);
    expect(addresses.length).toBeGreaterThan(30);
    const sentences = addresses.map((address) => [address, helpFor(address).split(/[.?] (?=[A-Z])/).length]);
    expect(sentences.filter(([, count]) => count !== 2)).toEqual([]);
  });

  it('is of that screen alone: nothing is said that no screen has', async () => {
    const addresses = await addressesOf(routes);
    const said = new Set(addresses.map((address) => helpFor(address)));
    expect(SCREEN_HELP.filter(([, says]) => !said.has(says)).map(([, says]) => says)).toEqual([]);
    expect(said.size).toBe(addresses.length);
    expect(helpFor('/nowhere')).toBe('');
    expect(helpFor('/bags?find=R-0001')).toBe(helpFor('/bags'));
  });
});
