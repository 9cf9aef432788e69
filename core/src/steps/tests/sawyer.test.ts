import fc from 'fast-check';
import { runs, seeded } from '../../tests/effort';
import { anyHouseOut, houseOut } from '../../tests/any-house-out';
import { solvedInput } from '../../tests/building';
import { framedHouses } from '../../tests/asked';
import { stepsOf, type SawStep } from '..';
import { sawHouse, sawnWrongBy } from '../../tests/saw-house';

/** Under this a piece is the piece. mm */
const SAWN_RIGHT_MM = 1;

const lengthOf = (steps: readonly SawStep[]): number => {
  const [take] = steps;
  return take?.act === 'take' ? take.lengthMm : NaN;
};

describe('the sawyer, by the steps alone', () => {
  const houses = framedHouses(runs(58), seeded(4711));

  it('saws every piece of houses out of square, their studs notched to the rafter as it lies', () => {
    const failed: string[] = [];
    let studs = 0;
    for (const own of fc.sample(anyHouseOut, { seed: 4711, numRuns: 30 })) {
      const house = solvedInput(houseOut(own));
      studs += house.members.filter(
        ({ kind, notches }) => kind === 'gable-stud' && notches.length > 0,
      ).length;
      sawHouse(house, (text, mm) => {
        if (mm >= SAWN_RIGHT_MM)
          failed.push(`${JSON.stringify(own)}: ${text} is ${mm.toFixed(1)} mm wrong`);
      });
    }
    expect(failed).toEqual([]);
    expect(studs).toBeGreaterThan(20);
  }, 120_000);

  it('saws every piece of houses with every feature, both hands, by every way to mark an angle', () => {
    let pieces = 0;
    let worst = 0;
    const failed: string[] = [];
    for (const [h, house] of houses.entries()) {
      sawHouse(house, (text, mm) => {
        pieces += 1;
        worst = Math.max(worst, mm);
        if (mm >= SAWN_RIGHT_MM) failed.push(`house ${h}: ${text} is ${mm.toFixed(1)} mm wrong`);
      });
    }
    process.stdout.write(
      `${houses.length} houses, ${pieces} pieces sawn by the steps: worst difference ${worst.toFixed(4)} mm\n`,
    );
    expect(failed).toEqual([]);
    expect(pieces).toBeGreaterThan(houses.length * 20);
  }, 600_000);

  it('reads on the board alone: no reading before its end nor past it', () => {
    const past: string[] = [];
    for (const house of houses) {
      for (const member of house.members) {
        const steps = stepsOf(member, false);
        const length = lengthOf(steps);
        const lines = steps.flatMap((step) =>
          step.act === 'cut'
            ? [step.line]
            : step.act === 'notch'
              ? [step.seat.line, ...step.heels.map(({ line }) => line)]
              : [],
        );
        for (const { on, mm } of lines.flatMap(({ from, to }) => [from, to])) {
          const most = on.endsWith('edge') ? length : member.stock.depth;
          if (!(mm >= 0 && mm <= most)) past.push(`${member.id}: ${mm} of ${most} mm on the ${on}`);
        }
      }
    }
    expect(past).toEqual([]);
  });

  it('would notice: a lean the other way, a tilt the other way, the far face’s reading, no seat', () => {
    const house = houses.find(({ members }) => members.some(({ kind }) => kind === 'hip-jack'))!;
    const hip = house.members.find(({ kind, notches }) => kind === 'hip' && notches.length > 0)!;
    const steps = stepsOf(hip, false);
    const spoiledBy = (spoil: (step: SawStep) => SawStep[], of = hip): number =>
      sawnWrongBy(stepsOf(of, false).flatMap(spoil), of, 'degrees');
    expect(sawnWrongBy(steps, hip, 'degrees')).toBeLessThan(0.01);
    const cut = (change: (line: Extract<SawStep, { act: 'cut' }>['line']) => object, of = hip) =>
      spoiledBy(
        (step) =>
          step.act === 'cut' && step.at === 'top'
            ? [{ ...step, line: { ...step.line, ...change(step.line) } }]
            : [step],
        of,
      );
    expect(
      cut(({ shortAt }) => ({ shortAt: shortAt === 'top edge' ? 'bottom edge' : 'top edge' })),
    ).toBeGreaterThan(20);
    expect(
      cut(({ leansTo }) => ({ leansTo: leansTo === 'upper end' ? 'lower end' : 'upper end' })),
    ).toBeGreaterThan(10);
    // A double cheek on its other faces is the same; a jack's single one is not.
    const jack = house.members.find(({ kind }) => kind === 'hip-jack')!;
    expect(cut(({ face }) => ({ face: face === 'near' ? 'far' : 'near' }), jack)).toBeGreaterThan(
      10,
    );
    expect(spoiledBy((step) => (step.act === 'notch' ? [] : [step]))).toBeGreaterThan(20);
  });
});
