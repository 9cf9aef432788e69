/** One sum of the bench: what it asks for, and what comes out. Figures in mm and degrees. */
type Values = Readonly<Record<string, number | undefined>>;

export interface ToolField {
  readonly id: string;
  readonly label: string;
  readonly sort: 'length' | 'angle' | 'pitch' | 'count';
  readonly help?: string;
  /** What it is taken for while nothing stands in it. */
  readonly otherwise?: number;
  readonly least?: number;
  readonly most?: number;
  /** A length that may be less than 0: a level. */
  readonly signed?: boolean;
}

export interface Figured {
  readonly label: string;
  readonly value: number;
  /**
   *   length   mm
   *   angle    degrees
   *   pitch    degrees, shown as a pitch beside
   *   number   as it is
   */
  readonly unit: 'length' | 'angle' | 'pitch' | 'number';
  /** The one that is looked for. */
  readonly main?: boolean;
}

export type Outcome =
  | {
      readonly ok: true;
      readonly figures: readonly Figured[];
      /** A job that could begin with it: its span, mm, and pitch, degrees. */
      readonly job?: { readonly span: number; readonly pitch: number };
      /** A triangle to draw to scale. mm */
      readonly drawn?: { readonly run: number; readonly rise: number; readonly offDeg: number };
    }
  | { readonly ok: false; readonly text: string };

export interface Tool {
  readonly id: string;
  readonly name: string;
  readonly what: string;
  readonly fields: readonly ToolField[];
  readonly work: (values: Values) => Outcome;
}

export const need = (text: string): Outcome => ({ ok: false, text });

/** What is given of some fields; null where one of them is not. */
export const given = <K extends string>(
  values: Values,
  ...names: readonly K[]
): Readonly<Record<K, number>> | null => {
  const found = names.map((name) => [name, values[name]] as const);
  return found.every(([, value]) => value !== undefined)
    ? (Object.fromEntries(found) as Record<K, number>)
    : null;
};

export const length = (label: string, value: number, main = false): Figured => ({
  label,
  value,
  unit: 'length',
  main,
});
export const angle = (label: string, value: number, main = false): Figured => ({
  label,
  value,
  unit: 'angle',
  main,
});

export const WRITE_ALL = 'Write what is known; the rest follows.';

const DEFAULT_MOST_DEG = 90;
/** Flatter is no roof, steeper a wall. */
const [FLATTEST_DEG, STEEPEST_DEG] = [0.1, 89.9];

/** What is wrong with what stands in a field; null where nothing is. */
const faultOf = (
  { label, sort, least = 0, most = DEFAULT_MOST_DEG, signed = false }: ToolField,
  value: number,
): string | null => {
  switch (sort) {
    case 'length':
      return signed || value >= least ? null : `${label}: ${least} mm or more is accepted.`;
    case 'pitch':
      return value >= FLATTEST_DEG && value <= STEEPEST_DEG
        ? null
        : `${label}: ${FLATTEST_DEG}° to ${STEEPEST_DEG}° is accepted.`;
    default:
      return value >= least && value <= most ? null : `${label}: ${least} to ${most} is accepted.`;
  }
};

/** What a sum comes to, once what stands in each field can be meant. */
export const outcomeOf = (tool: Tool, values: Values): Outcome => {
  for (const field of tool.fields) {
    const value = values[field.id];
    const fault = value === undefined ? null : faultOf(field, value);
    if (fault !== null) return need(fault);
  }
  return tool.work(values);
};
