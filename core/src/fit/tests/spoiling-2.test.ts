import { framedHouses } from '../../tests/asked';
import { runs, seeded } from '../../tests/effort';
import { everyOtherKind, spoilByKind } from '../../tests/spoil-houses';

it('tells a spoiled frame from a sound one: every other kind of timber, from the second on, in every way', () => {
  const houses = framedHouses(runs(58), seeded(2026));
  const { missed, thin } = spoilByKind(houses, everyOtherKind(1), runs(3));
  expect(missed).toEqual([]);
  expect(thin).toEqual([]);
}, 900_000);
