import { describe, expect, it } from 'vitest';
import { woundArea } from '../lines/line';
import { fromHandleTurns } from './segments';
import { woundSoFar } from './wound';
import { knownSpool } from '../spool/estimate';
import { BACKING, valueOf, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { windTapered } from '../testing/turn-by-turn';
import { planFill } from './plan-fill';

const A = 11;
const B = 15;
const TAPERED = { ...WORKED_SPOOL, arborRadius: (A + B) / 2 };

describe('a tapered arbor', () => {
  const plan = valueOf(planFill(knownSpool(TAPERED), WORKED_REQUEST));
  const [backing, main] = plan.layers;
  const area = woundArea(BACKING.diameter, 1, TAPERED.packing);

  it('takes the length and the turns of winding it turn by turn, layers parallel to the taper', () => {
    const thickness = backing!.outerRadius - backing!.innerRadius;
    const wound = windTapered({ from: A, to: B, width: TAPERED.width, area }, backing!.spoolTurns);
    // Whole layers of a turn by turn winding: to a part in a thousand.
    expect(Math.abs(wound.length / backing!.length.value - 1)).toBeLessThan(1e-3);
    expect(wound.thickness / thickness).toBeCloseTo(1, 3);
    expect(plan.gap.value).toBeCloseTo(1.5, 9);
  });

  it('needs fewer turns than one levelled by its first layers would', () => {
    // The volume of the arbor's cone, filled to a level surface: root mean square radius, mean radius for its turns.
    const levelled = Math.sqrt((A * A + A * B + B * B) / 3);
    const outer = Math.sqrt(
      levelled ** 2 + (1000 * backing!.length.value * area) / (Math.PI * TAPERED.width),
    );
    const turns = ((outer - (A + B) / 2) * TAPERED.width) / area;
    expect(turns / backing!.spoolTurns).toBeGreaterThan(1.005);
  });

  it('brings the counted turns back to the planned length and depth', () => {
    const turns = { backing: backing!.handleTurns.value, main: main!.handleTurns.value };
    const wound = woundSoFar(
      knownSpool(TAPERED),
      WORKED_REQUEST,
      fromHandleTurns(turns, WORKED_REQUEST.gear),
    );
    expect(wound[0]!.length).toBeCloseTo(backing!.length.value, 6);
    expect(wound[1]!.depthAfter).toBeCloseTo(1.5, 6);
  });

  it('counts a thin layer round its mean radius', () => {
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

describe('tape', () => {
  const estimate = knownSpool(WORKED_SPOOL);

  it('that makes up the room lies in a run as thick as it was planned, with the main above it', () => {
    const request = {
      layers: [
        { kind: 'tape', id: 'tape', thickness: 0.15, wraps: 'fits' },
        { kind: 'line', id: 'main', role: 'main', line: BACKING, length: 120 },
      ],
      gap: 1.5,
      gear: 5,
    } as const;
    const [tape, main] = valueOf(planFill(estimate, request)).layers;
    const wound = woundSoFar(estimate, request, fromHandleTurns({ main: main!.handleTurns.value }, 5));
    expect(wound[0]!.outerRadius).toBeCloseTo(tape!.outerRadius, 6);
    expect(wound[1]!.length).toBeCloseTo(120, 6);
    expect(wound[1]!.depthAfter).toBeCloseTo(1.5, 6);
  });

  it('between a layer that fits and its main is reckoned at the radius it lies at', () => {
    const [backing, main] = WORKED_REQUEST.layers;
    const request = {
      ...WORKED_REQUEST,
      layers: [backing!, { kind: 'tape', id: 'tape', thickness: 0.3, wraps: 3 } as const, main!],
    };
    const plan = valueOf(planFill(estimate, request));
    const [, tape] = plan.layers;
    expect(tape!.outerRadius - tape!.innerRadius).toBeCloseTo(0.9, 9);
    const turns = Object.fromEntries(plan.layers.map(({ id, handleTurns }) => [id, handleTurns.value]));
    const wound = woundSoFar(estimate, request, fromHandleTurns(turns, request.gear));
    expect(wound.at(-1)!.depthAfter).toBeCloseTo(1.5, 6);
  });
});
