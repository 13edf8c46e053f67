import { expect, it } from 'vitest';
import { EVENT_KINDS, EVENT_TRAITS, hasTrait } from './event-traits';
import { REEL_TRAITS, REEL_TYPES } from '../lines/reel-type';

const having = (wanted: (kind: (typeof EVENT_KINDS)[number]) => boolean) => EVENT_KINDS.filter(wanted).sort();

it('a bench sends nothing that the server alone writes, and takes back nothing that says who and where', () => {
  expect(having((kind) => EVENT_TRAITS[kind].serverOnly)).toEqual([
    'closed',
    'corrected',
    'given-up',
    'reopened',
    'started',
  ]);
  expect(having((kind) => EVENT_TRAITS[kind].undoneBy !== 'undone')).toEqual([
    'closed',
    'device-at',
    'given-up',
    'put-aside',
    'reopened',
    'started',
    'taken-up',
    'undone',
  ]);
});

it('line may have moved with everything but what only looks at it', () => {
  expect(having((kind) => !EVENT_TRAITS[kind].breaksStretch)).toEqual([
    'chosen',
    'depth-read',
    'lay-read',
    'metered',
    'noted',
    'settled',
    'tension-read',
  ]);
});

it('whoever has a run is told with it, and nothing is told twice', () => {
  const who = having((kind) => EVENT_TRAITS[kind].chapter === 'who');
  expect(who).toEqual(having((kind) => EVENT_TRAITS[kind].does === 'run'));
  expect(hasTrait({ kind: 'walked' }, 'chapter', 'who')).toBe(false);
  expect(hasTrait({ kind: 'closed' }, 'chapter', 'who')).toBe(true);
});

it('each type of reel has a gear of its own, and one of them a counter', () => {
  expect(REEL_TYPES).toHaveLength(5);
  expect(new Set(REEL_TYPES.map((type) => REEL_TRAITS[type].usualGear)).size).toBe(5);
  expect(REEL_TYPES.filter((type) => REEL_TRAITS[type].counter)).toEqual(['trolling']);
  expect(REEL_TYPES.filter((type) => REEL_TRAITS[type].windsRound)).toEqual(['fixed-spool', 'spincast']);
  // Nothing that is not cast has a cover or a bail.
  for (const { cast, openFace, closedFace } of Object.values(REEL_TRAITS))
    expect(cast || !(openFace || closedFace)).toBe(true);
});
