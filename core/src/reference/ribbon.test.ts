import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { twistLedger, type TwistSetup } from '../twist/twist-ledger';
import { overEndRibbon, rotorRibbon } from '../testing/ribbon';

const senses = fc.constantFrom(1 as const, -1 as const);
const diameters = fc.double({ min: 20, max: 160, noNaN: true });

// Over-end withdrawal puts in one turn per coil: textile winding, from memory, title not known. Confirmed here by
// following the frame of a ribbon, which knows nothing of the ledger.
describe('a ribbon followed through supply, rotor and cast', () => {
  it('gains one left-handed turn per coil where the peel point goes right-handed about the travel', () => {
    expect(overEndRibbon(1, 100)).toBeCloseTo(1000 / (Math.PI * 100), 6);
    expect(overEndRibbon(-1, 100)).toBeCloseTo(-1000 / (Math.PI * 100), 6);
  });

  it('loses one per turn of the rotor', () => {
    expect(rotorRibbon(1, 45)).toBeCloseTo(-1000 / (Math.PI * 45), 6);
  });

  it('lies on the spool and hangs after the cast with the twist the ledger says', () => {
    fc.assert(
      fc.property(senses, diameters, senses, diameters, (supplySense, supplySize, rotor, size) => {
        const setup: TwistSetup = {
          supply: { kind: 'over-end', sense: supplySense, diameter: supplySize },
          reel: { sense: rotor, diameter: size },
          cast: { overLip: true, sense: rotor },
        };
        const ledger = twistLedger(setup);
        const onSpool = rotorRibbon(rotor, size, overEndRibbon(supplySense, supplySize));
        expect(onSpool).toBeCloseTo(ledger.onSpool, 4);
        expect(overEndRibbon(rotor, size, onSpool)).toBeCloseTo(ledger.hanging, 4);
      }),
      { numRuns: 25 },
    );
  });

  it('comes off a winder’s spool with one turn per coil of the cast', () => {
    const wound = overEndRibbon(1, 80);
    const ledger = twistLedger({
      supply: { kind: 'over-end', sense: 1, diameter: 80 },
      reel: { sense: 0, diameter: 50 },
      cast: { overLip: true, sense: -1 },
    });
    expect(wound).toBeCloseTo(ledger.onSpool, 5);
    expect(overEndRibbon(-1, 50, wound)).toBeCloseTo(ledger.hanging, 5);
  });
});
