import { describe, expect, it } from 'vitest';
import { woundArea } from '../lines/line';
import { woundSoFar } from '../run/wound';
import { knownSpool } from '../spool/estimate';
import { BACKING, valueOf, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { planFill } from './plan-fill';

const [A, B] = [11, 15];
const TAPERED = {
  ...WORKED_SPOOL,
  arborRadius: Math.sqrt((A * A + A * B + B * B) / 3),
  taper: B - A,
};

/** Turns and length from a tapered arbor to a level radius, laid column by column across the width. */
function columnByColumn(outer: number, area: number, columns = 4000): { turns: number; length: number } {
  let [turns, length] = [0, 0];
  const width = TAPERED.width / columns;
  for (let i = 0; i < columns; i += 1) {
    const inner = A + ((B - A) * (i + 0.5)) / columns;
    const inColumn = ((outer - inner) * width) / area;
    turns += inColumn;
    length += (inColumn * Math.PI * (outer + inner)) / 1000;
  }
  return { turns, length };
}

describe('a tapered arbor', () => {
  const plan = valueOf(planFill(knownSpool(TAPERED), WORKED_REQUEST));
  const [backing, main] = plan.layers;
  const area = woundArea(BACKING.diameter, 1, TAPERED.packing);

  it('takes the length and the turns of laying it column by column', () => {
    const laid = columnByColumn(backing!.outerRadius, area);
    expect(backing!.length.value).toBeCloseTo(laid.length, 3);
    expect(backing!.spoolTurns).toBeCloseTo(laid.turns, 2);
    expect(plan.gap.value).toBeCloseTo(1.5, 9);
  });

  it('brings the counted turns back to the planned length and depth', () => {
    const turns = { backing: backing!.handleTurns.value, main: main!.handleTurns.value };
    const wound = woundSoFar(knownSpool(TAPERED), WORKED_REQUEST, turns);
    expect(wound[0]!.length).toBeCloseTo(backing!.length.value, 6);
    expect(wound[1]!.depthAfter).toBeCloseTo(1.5, 6);
  });

  it('counts a layer too thin to level the taper round its mean radius', () => {
    const thin = valueOf(
      planFill(knownSpool(TAPERED), {
        gear: 1,
        layers: [{ kind: 'line', id: 'thin', role: 'backing', line: BACKING, length: 1 }],
      }),
    ).layers[0]!;
    expect(thin.spoolTurns).toBeGreaterThan(0);
    expect((2 * Math.PI * thin.spoolTurns * 13) / 1000).toBeCloseTo(1, 1);
  });
});

describe('a reel filled on a winder that turns the spool itself', () => {
  it('counts one turn of the winder for each of the spool', () => {
    const [onReel, onWinder] = [5.2, 1].map((gear) =>
      valueOf(planFill(knownSpool(WORKED_SPOOL), { ...WORKED_REQUEST, gear })),
    );
    onWinder!.layers.forEach((layer, i) => {
      expect(layer.handleTurns.value).toBeCloseTo(layer.spoolTurns, 9);
      expect(layer.handleTurns.value).toBeCloseTo(5.2 * onReel!.layers[i]!.handleTurns.value, 9);
      expect(layer.length.value).toBeCloseTo(onReel!.layers[i]!.length.value, 9);
    });
  });
});

describe('tape that makes up the room', () => {
  it('lies in a run as thick as it was planned, with the main above it', () => {
    const estimate = knownSpool(WORKED_SPOOL);
    const request = {
      layers: [
        { kind: 'tape', id: 'tape', thickness: 0.15, wraps: 'fits' },
        { kind: 'line', id: 'main', role: 'main', line: BACKING, length: 120 },
      ],
      gap: 1.5,
      gear: 5,
    } as const;
    const [tape, main] = valueOf(planFill(estimate, request)).layers;
    const wound = woundSoFar(estimate, request, { main: main!.handleTurns.value });
    expect(wound[0]!.outerRadius).toBeCloseTo(tape!.outerRadius, 6);
    expect(wound[1]!.length).toBeCloseTo(120, 6);
    expect(wound[1]!.depthAfter).toBeCloseTo(1.5, 6);
  });
});
