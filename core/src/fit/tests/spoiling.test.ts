import { framedHouses } from '../../tests/asked';
import { runs, seeded } from '../../tests/effort';
import { spoilByKind } from '../../tests/spoil-houses';

it('tells a spoiled frame from a sound one: every kind of timber, in every way', () => {
  const houses = framedHouses(runs(62), seeded(2027));
  const { missed, thin } = spoilByKind(houses, runs(3));
  expect(missed).toEqual([]);
  expect(thin).toEqual([]);
}, 900_000);
