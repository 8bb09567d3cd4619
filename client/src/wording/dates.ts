const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** A date of the API, `2027-01-11`, as we say it: 11 Jan. */
export function sayDate(date: string): string {
  return `${Number(date.slice(8, 10))} ${months[Number(date.slice(5, 7)) - 1]}`;
}

/**
 * What a student types for a date within a range: 11 Jan, jan 11, 11.1., 2027-01-11. Where it says no year, the one that
 * puts it into the range. Null when it is no date of the range.
 */
export function readDate(typed: string, first: string, last: string): string | null {
  const text = typed.trim().toLowerCase();
  const whole = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  const named =
    /^(\d{1,2})\.?\s*([a-z]{3,})\.?$/.exec(text) ?? swapped(/^([a-z]{3,})\.?\s*(\d{1,2})\.?$/.exec(text));
  const numbered = /^(\d{1,2})\.\s*(\d{1,2})\.?$/.exec(text);
  const [year, month, day] = whole
    ? [Number(whole[1]), Number(whole[2]), Number(whole[3])]
    : named
      ? [null, monthOf(named[2]!), Number(named[1])]
      : numbered
        ? [null, Number(numbered[2]), Number(numbered[1])]
        : [null, 0, 0];
  const years = year === null ? [Number(first.slice(0, 4)), Number(last.slice(0, 4))] : [year];
  return (
    years
      .map((one) => dateOf(one, month, day))
      .find((date) => date !== null && first <= date && date <= last) ?? null
  );
}

function swapped(match: RegExpExecArray | null): string[] | null {
  return match && [match[0], match[2]!, match[1]!];
}

function monthOf(name: string): number {
  return months.findIndex((month) => name.startsWith(month.toLowerCase())) + 1;
}

function dateOf(year: number, month: number, day: number): string | null {
  const date = new Date(Date.UTC(year, month - 1, day));
  const isReal = date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  return isReal ? date.toISOString().slice(0, 10) : null;
}
