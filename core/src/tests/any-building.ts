import fc from 'fast-check';
import type { Building } from './building';

const ends = fc.constantFrom('eave' as const, 'gable' as const);

/** Any rectangle this version can frame. */
export const anyBuilding: fc.Arbitrary<Building> = fc
  .record({
    along: fc.integer({ min: 3000, max: 18000 }),
    across: fc.integer({ min: 2400, max: 14000 }),
    pitch: fc.integer({ min: 2, max: 24 }).map((rise) => `${rise}/12`),
    ends: fc.tuple(ends, ends),
    overhang: fc.constantFrom(0, 150, 450, 600),
    turned: fc.constantFrom(0, 0, 0.3, 2.1),
    framing: fc.record({
      spacing: fc.constantFrom(406.4, 600, 800),
      layout: fc.constantFrom('ridge' as const, 'corner' as const),
      tail: fc.constantFrom('plumb' as const, 'square' as const),
      hipTop: fc.constantFrom('drop' as const, 'back' as const, 'none' as const),
      hipAtRidge: fc.constantFrom('to-commons' as const, 'to-ridge' as const),
      seat: fc.constantFrom({ depthFraction: 0.25 }, { depthFraction: 0.4 }),
    }),
    timber: fc.record({
      common: fc.constantFrom({ thickness: 38, depth: 140 }, { thickness: 47, depth: 220 }),
      ridge: fc.constantFrom({ thickness: 38, depth: 235 }, { thickness: 63, depth: 300 }),
    }),
  })
  .filter(({ along, across, ends: [east, west] }) => {
    const hips = [east, west].filter((end) => end === 'eave').length;
    const ridge = hips === 2 ? Math.abs(along - across) : along - (hips * across) / 2;
    return ridge >= 100;
  })
  // A fascia 184 mm deep, set square on a short overhang, would lean back into the plate: that is refused.
  .filter(({ pitch, overhang, framing: { tail } }) => {
    const slope = Math.atan(parseInt(pitch) / 12);
    return tail === 'plumb' || overhang === 0 || 184 * Math.sin(slope) <= overhang;
  });
