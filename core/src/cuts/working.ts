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

/** A number with what it was computed from; {@link chainOf} tells the whole way to it. */
export interface Worked {
  readonly name: string;
  readonly rule: string;
  readonly unit: Unit;
  readonly sources: readonly Source[];
  readonly value: number;
}

type Source = readonly [name: string, from: number | Worked, unit: Unit];

const valueOf = (from: number | Worked): number => (typeof from === 'number' ? from : from.value);

/** Computes a number and keeps how, in one act, so that the working can never tell another story. */
export const work = (
  name: string,
  rule: string,
  unit: Unit,
  sources: readonly Source[],
  compute: (...values: number[]) => number,
): Worked => ({
  name,
  rule,
  unit,
  sources,
  value: compute(...sources.map(([, from]) => valueOf(from))),
});

const before = (worked: Worked): Worked[] =>
  worked.sources.flatMap(([, from]) => (typeof from === 'number' ? [] : [...before(from), from]));

/** The links of a number's chain, each once: what its inputs were worked out from first, the number itself last. */
export const chainOf = (worked: Worked): Step[] =>
  [...new Set([...before(worked), worked])].map(({ name, rule, unit, sources, value }) => ({
    name,
    rule,
    inputs: sources.map(([label, from, of]) => ({ name: label, value: valueOf(from), unit: of })),
    value,
    unit,
  }));
