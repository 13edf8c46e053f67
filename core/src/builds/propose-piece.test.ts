import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { proposePiece, type OfferedPiece, type PieceNeeded } from './propose-piece';

const piece = (id: number, more: Partial<OfferedPiece> = {}): OfferedPiece => ({
  ...{ id, kind: 'bulk', free: 500, opened: false, water: 'dry' },
  ...more,
});
const needed = (more: Partial<PieceNeeded> = {}): PieceNeeded => ({
  ...{ metres: 120, doubt: 0, role: 'main', soaked: false },
  ...more,
});

describe('the piece that is proposed', () => {
  it('is opened before it is sealed, and the shorter of two alike', () => {
    const rack = [piece(1), piece(2, { opened: true, free: 400 }), piece(3, { opened: true, free: 200 })];
    expect(proposePiece(rack, needed())).toEqual({ id: 3, reason: 'opened already' });
    expect(proposePiece([piece(1)], needed())?.reason).toBe('sealed, no opened piece has enough');
  });

  it('is a remnant where one is long enough', () => {
    const rack = [piece(1, { opened: true }), piece(2, { kind: 'remnant', free: 119, opened: true })];
    expect(proposePiece(rack, needed())?.id).toBe(1);
    expect(proposePiece(rack, needed({ doubt: 2 }))).toEqual({
      id: 2,
      reason: 'a remnant that is long enough',
    });
  });

  it('is stripped line for backing, and never for a main', () => {
    const rack = [piece(1, { kind: 'salvage', opened: true }), piece(2, { opened: true })];
    expect(proposePiece(rack, needed({ role: 'backing' }))?.id).toBe(1);
    expect(proposePiece(rack, needed())?.id).toBe(2);
  });

  it('is in the water where the house soaks, and dry where it does not', () => {
    const rack = [piece(1, { opened: true, water: 'soaking' }), piece(2)];
    expect(proposePiece(rack, needed({ soaked: true }))).toEqual({ id: 1, reason: 'soaked already' });
    expect(proposePiece(rack, needed())?.id).toBe(2);
  });

  it('is none where no single piece has enough', () => {
    expect(proposePiece([piece(1, { free: 60 }), piece(2, { free: 90 })], needed())).toBeNull();
    expect(proposePiece([], needed())).toBeNull();
  });

  it('has enough whatever the rack holds', () => {
    const any = fc.record({
      id: fc.nat(),
      kind: fc.constantFrom('bulk', 'pack', 'remnant', 'salvage'),
      free: fc.double({ min: -10, max: 900, noNaN: true }),
      opened: fc.boolean(),
      water: fc.constantFrom('dry', 'soaking', 'wet'),
    }) as fc.Arbitrary<OfferedPiece>;
    fc.assert(
      fc.property(fc.array(any), fc.double({ min: 1, max: 900, noNaN: true }), (rack, metres) => {
        const found = proposePiece(rack, needed({ metres }));
        const can = rack.filter(({ kind, free }) => kind !== 'salvage' && free >= metres);
        if (!found) expect(can).toEqual([]);
        else expect(can.map(({ id }) => id)).toContain(found.id);
      }),
    );
  });
});
