export interface FitProblem {
  /** Marks; a seat is held against `plate`, a top edge against `roof`. */
  readonly members: readonly [string, string];
  /** Ids of the members themselves, so that a drawing can show where. */
  readonly ids: readonly string[];
  readonly kind: 'gap' | 'overlap' | 'proud';
  readonly mm?: number;
  readonly mm3?: number;
  readonly text: string;
}

/** The contract's dry-fit report. mm and mm³. */
export interface FitReport {
  readonly format: 'ogee-fit';
  readonly version: 1;
  readonly joints: number;
  readonly worstGap: number;
  readonly worstOverlap: number;
  readonly problems: readonly FitProblem[];
}
