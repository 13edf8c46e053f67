import { tensionAdvice } from '../advice/tension-advice';
import { always, type BenchStep } from './bench-step';
import type { SupplyWayAtBench } from './supply-way';

/** Where line of the layer comes from, as the winding step says it. */
const WAY: Readonly<Record<SupplyWayAtBench, string>> = {
  'over-end': 'Supply standing, line off its end.',
  rolling: 'Supply rolling on its spindle or on its edge.',
  rig: 'Supply on the rig, turned with the rotor.',
  winder: 'On the bench winder, which turns the reel’s own spool.',
  'drag-reel': 'Off the other reel, its drag holding the line back.',
  'walked-out': 'Off the field, walked out to length.',
  reverse: 'Off the reel’s other spool, face to face and turning the same way.',
};

/** A layer going on. */
export const wind: BenchStep = {
  when: always,
  words: ({ type, rules, line, role, way }) => ({
    name: role,
    todo: `${tensionAdvice(line?.material ?? 'nylon', type, rules).sentence} Slow for the first turns and for the last.${way ? ` ${WAY[way]}` : ''}`,
    look: '',
    cautions: type === 'big-game' ? ['wind', 'wind-tight'] : ['wind'],
  }),
};
