export type Unit = 'mm' | '°' | '';

/** One link of the chain a number was computed by. */
export interface Step {
  readonly name: string;
  readonly rule: string;
  readonly inputs: readonly {
    readonly name: string;
    readonly value: number;
    readonly unit: Unit;
  }[];
  readonly value: number;
  readonly unit: Unit;
}

/** Field path in the entry (`length.body`, `cuts.0.faceAngle`) → the chain, last link the number itself. */
export type Working = Readonly<Record<string, readonly Step[]>>;

export interface Worked {
  readonly value: number;
  readonly steps: readonly Step[];
}

type Source = readonly [name: string, from: number | Worked, unit: Unit];

const valueOf = (from: number | Worked): number => (typeof from === 'number' ? from : from.value);

/**
 * Computes a number and writes down how, in one act, so that the working can never tell another story. Inputs that
 * were worked out themselves bring their chain along.
 */
export const work = (
  name: string,
  rule: string,
  unit: Unit,
  sources: readonly Source[],
  compute: (...values: number[]) => number,
): Worked => {
  const value = compute(...sources.map(([, from]) => valueOf(from)));
  const before = sources.flatMap(([, from]) => (typeof from === 'number' ? [] : from.steps));
  const inputs = sources.map(([label, from, of]) => ({
    name: label,
    value: valueOf(from),
    unit: of,
  }));
  const chain = [...before, { name, rule, inputs, value, unit }];
  return { value, steps: chain.filter((step, i) => chain.indexOf(step) === i) };
};
