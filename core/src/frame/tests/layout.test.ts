import { commonStations, jackStations } from '../layout';

const gable = (at: number) => ({ kind: 'gable' as const, at });
const hip = (at: number) => ({ kind: 'hip' as const, at });

describe('commonStations', () => {
  it('gables: flush at both walls, the rest on multiples of the spacing from the first face', () => {
    expect(commonStations(gable(0), gable(2000), 600, 40, 'ridge').at).toEqual([
      20, 600, 1200, 1800, 1980,
    ]);
  });

  it('hips, from the ridge: on the first point, stepping by the spacing, last on the other point', () => {
    expect(commonStations(hip(3000), hip(5000), 600, 40, 'ridge').at).toEqual([
      3000, 3600, 4200, 4800, 5000,
    ]);
  });

  it('hips, from the corner: on multiples of the spacing from the corner, and on both points', () => {
    expect(commonStations(hip(3000), hip(4900), 700, 40, 'corner').at).toEqual([
      3000, 3500, 4200, 4900,
    ]);
  });

  it('gable then hip: from the gable’s face to the hip’s point', () => {
    expect(commonStations(gable(0), hip(2000), 600, 40, 'ridge').at).toEqual([
      20, 600, 1200, 1800, 2000,
    ]);
  });

  it('leaves out what would stand in the next rafter, and counts it', () => {
    const { at, dropped } = commonStations(hip(3000), hip(4230), 600, 40, 'ridge');
    expect(at).toEqual([3000, 3600, 4230]);
    expect(dropped).toEqual([4200]);
    // A station right on the end rafter is that rafter.
    expect(commonStations(hip(3000), hip(4200), 600, 40, 'ridge')).toEqual({
      at: [3000, 3600, 4200],
      dropped: [],
    });
  });
});

describe('jackStations', () => {
  it('from the ridge: each a space nearer the corner than the last', () => {
    expect(jackStations(2000, 600, 40, 'ridge').at).toEqual([1400, 800, 200]);
  });

  it('from the corner: on multiples of the spacing, longest first', () => {
    expect(jackStations(2000, 600, 40, 'corner').at).toEqual([1800, 1200, 600]);
    expect(jackStations(1820, 600, 40, 'corner')).toEqual({ at: [1200, 600], dropped: [1800] });
  });
});
