import type { SavedHouseRules } from '@yard-spool/contract';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import { TestBed } from '@angular/core/testing';
import { SessionService } from '../data/session.service';
import type { Screen } from './screen';

/** What a new house has settled; only what a test is about need be said. */
export const aHouse = (more: Partial<SavedHouseRules> = {}): SavedHouseRules => ({
  rules: USUAL_HOUSE_RULES,
  money: '€',
  tailMm: 2000,
  units: 'metric',
  dayOrder: 'day-first',
  weekBegins: 1,
  paper: 'A4',
  idleMinutes: 240,
  hours: { opens: '09:00', closes: '18:00', closedOn: [7] },
  zone: '',
  shopName: '',
  printer: '',
  wordings: { ready: '', due: '', waits: '' },
  bins: { nylon: '', fluorocarbon: '', braid: '' },
  cautions: { words: {}, more: [] },
  version: 1,
  ...more,
});

/** Answers what a screen asks of the house. */
export async function tellHouse<T>(
  { http, fixture }: Screen<T>,
  house: SavedHouseRules = aHouse(),
): Promise<void> {
  http.expectOne('/api/house-rules').flush(house);
  http.expectOne('/api/exceptions').flush([]);
  await fixture.whenStable();
}

/** Signs somebody in at a screen. */
export async function signInAs<T>(
  { http, fixture }: Screen<T>,
  role: 'manager' | 'technician',
): Promise<void> {
  TestBed.inject(SessionService).signIn('Tova', 'secret').subscribe();
  http.expectOne('/api/session').flush({ id: 1, name: 'Tova', role });
  await fixture.whenStable();
}
