export const MM_PER_INCH = 25.4;
export const MM_PER_FOOT = 304.8;

export type LengthFormat =
  | { readonly style: 'feet-inches'; readonly denominator: number }
  | { readonly style: 'inches'; readonly denominator: number }
  | { readonly style: 'decimal-feet'; readonly places: number }
  | { readonly style: 'decimal-inches'; readonly places: number }
  | { readonly style: 'mm'; readonly places: number }
  | { readonly style: 'm'; readonly places: number };

export interface ImperialParts {
  readonly negative: boolean;
  readonly feet: number;
  readonly inches: number;
  /** Lowest terms; 0/1 when there is no fraction. */
  readonly numerator: number;
  readonly denominator: number;
  /** What rounding added to the true length, mm. */
  readonly lossMm: number;
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/**
 * Rounds to the nearest 1/denominator inch and carries once, in whole ticks, so that no part can overflow.
 * Lossy: `lossMm` is the rounded length less the true one.
 */
export const splitImperial = (mm: number, denominator: number): ImperialParts => {
  const ticks = Math.round((Math.abs(mm) / MM_PER_INCH) * denominator);
  const perFoot = 12 * denominator;
  const feet = Math.floor(ticks / perFoot);
  const rest = ticks - feet * perFoot;
  const inches = Math.floor(rest / denominator);
  const over = rest - inches * denominator;
  const shared = over === 0 ? denominator : gcd(over, denominator);
  const negative = mm < 0 && ticks > 0;
  const roundedMm = ((negative ? -ticks : ticks) / denominator) * MM_PER_INCH;
  return {
    negative,
    feet,
    inches,
    numerator: over / shared,
    denominator: denominator / shared,
    lossMm: roundedMm - mm,
  };
};

/** After feet a nought stands for no whole inches, so that 12' 0 5/8" is not misread. */
const inchText = (whole: number, parts: ImperialParts, afterFeet: boolean): string => {
  if (parts.numerator === 0) return `${whole}"`;
  const fraction = `${parts.numerator}/${parts.denominator}"`;
  return whole === 0 && !afterFeet ? fraction : `${whole} ${fraction}`;
};

const imperialText = (mm: number, denominator: number, feetToo: boolean): string => {
  const parts = splitImperial(mm, denominator);
  const sign = parts.negative ? '-' : '';
  if (!feetToo) return sign + inchText(parts.feet * 12 + parts.inches, parts, false);
  if (parts.feet === 0) return sign + inchText(parts.inches, parts, false);
  return `${sign}${parts.feet}' ${inchText(parts.inches, parts, true)}`;
};

const decimal = (value: number, places: number): string => {
  const text = value.toFixed(places);
  return Number(text) === 0 ? (0).toFixed(places) : text;
};

/** Millimetres to text. Lossy by the format's own resolution. */
export const formatLength = (mm: number, format: LengthFormat): string => {
  switch (format.style) {
    case 'feet-inches':
      return imperialText(mm, format.denominator, true);
    case 'inches':
      return imperialText(mm, format.denominator, false);
    case 'decimal-feet':
      return `${decimal(mm / MM_PER_FOOT, format.places)} ft`;
    case 'decimal-inches':
      return `${decimal(mm / MM_PER_INCH, format.places)} in`;
    case 'mm':
      return `${decimal(mm, format.places)} mm`;
    case 'm':
      return `${decimal(mm / 1000, format.places)} m`;
  }
};

/** The format a job's `display` asks for: feet and inches to its fraction, or millimetres to `places`. */
export const lengthFormat = (
  display: { readonly units: 'imperial' | 'metric'; readonly fraction: number },
  places = 0,
): LengthFormat =>
  display.units === 'imperial'
    ? { style: 'feet-inches', denominator: display.fraction }
    : { style: 'mm', places };
