/** How a board of the frame is shown: as wood, as a shade of itself, or not at all. */
export interface BoardLook {
  readonly as: 'wood' | 'shade' | 'none';
  readonly colour: string;
}

/** What is shown with the boards. */
export interface Around {
  readonly walls: boolean;
  readonly planes: boolean;
  /** Cut away beyond a plane square to one way across the plan, so far along it; null where it is whole. */
  readonly cut: { readonly way: 'along' | 'across'; readonly share: number } | null;
}

/** From where the frame is looked at. */
export type SeenFrom = 'corner' | 'front' | 'side' | 'above';
