const SAME_DAY: Intl.DateTimeFormatOptions = { hour: 'numeric', minute: '2-digit' };
const SAME_YEAR: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'short', ...SAME_DAY };
const ANY: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'short', year: 'numeric' };

/** Made once each: making one costs more than all it writes. */
const formats = new Map<Intl.DateTimeFormatOptions, Intl.DateTimeFormat>();

const formatFor = (options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat => {
  const made = formats.get(options) ?? new Intl.DateTimeFormat(undefined, options);
  formats.set(options, made);
  return made;
};

/** An instant, short, in the reader's own way: today by the hour, this year by the day, else by the year. */
export const whenText = (iso: string, now = new Date()): string => {
  const at = new Date(iso);
  const today = at.toDateString() === now.toDateString();
  const options = today ? SAME_DAY : at.getFullYear() === now.getFullYear() ? SAME_YEAR : ANY;
  return formatFor(options).format(at);
};
