import { addDays, isIsoDate, isoDate, weekday, type IsoDate } from './dates';

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * Reads a day as people write it: 2026-11-30, 30/11, 30.11.2026, 30 Nov, Mon 30 Nov, today, tomorrow, mon, next mon, in 3 weeks.
 * A day without its year is the one nearest ahead of half a year ago; a weekday is the next one, *next* the one in the week after
 * this one. Weeks begin on Monday.
 * @returns null when it is no day
 * @example readDay('next mon', isoDate('2026-11-25')) // "2026-11-30"
 */
export function readDay(text: string, today: IsoDate): IsoDate | null {
  const said = text.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ');
  if (isIsoDate(said)) return isoDate(said);
  if (said === 'today') return today;
  if (said === 'tomorrow') return addDays(today, 1);
  if (said === 'yesterday') return addDays(today, -1);
  const away = /^in (\d{1,3}) (day|week)s?$/.exec(said);
  if (away) return addDays(today, Number(away[1]) * (away[2] === 'week' ? 7 : 1));
  return readWeekday(said, today) ?? readNumbers(said, today);
}

function readWeekday(said: string, today: IsoDate): IsoDate | null {
  const found = /^(next |this |on )?([a-z]{3,9})$/.exec(said);
  const day = found ? DAYS.findIndex((name) => found[2].startsWith(name)) + 1 : 0;
  if (!found || day === 0) return null;
  const now = weekday(today);
  if (found[1] === 'next ') return addDays(today, 7 - now + day);
  return addDays(today, day >= now ? day - now : 7 - now + day);
}

function readNumbers(said: string, today: IsoDate): IsoDate | null {
  const numbers = /^(?:[a-z]{3,9} )?(\d{1,2})[/.\- ](\d{1,2}|[a-z]{3,9})\.?(?:[/.\- ](\d{4}|\d{2}))?$/.exec(said);
  if (!numbers) return null;
  const month = /\d/.test(numbers[2]) ? Number(numbers[2]) : MONTHS.findIndex((name) => numbers[2].startsWith(name)) + 1;
  const written = (year: number) => `${year}-${String(month).padStart(2, '0')}-${numbers[1].padStart(2, '0')}`;
  if (numbers[3]) {
    const year = numbers[3].length === 2 ? centuryOf(Number(numbers[3]), today) : Number(numbers[3]);
    return isIsoDate(written(year)) ? isoDate(written(year)) : null;
  }
  const year = Number(today.slice(0, 4));
  const near = [year - 1, year, year + 1].map(written).filter(isIsoDate).map(isoDate);
  return near.find((date) => date >= addDays(today, -183)) ?? null;
}

/** Two digits of a year lie in the past, but for the next ten years. @example centuryOf(84, today) // 1984 */
function centuryOf(year: number, today: IsoDate): number {
  const now = Number(today.slice(0, 4));
  const same = Math.floor(now / 100) * 100 + year;
  return same > now + 10 ? same - 100 : same;
}

/**
 * Reads a time as people write it: 18:30, 1830, 18.30, 6.30pm, 6 pm.
 * @returns "18:30", or null when it is no time
 * @example readTime('6.30pm') // "18:30"
 */
export function readTime(text: string): string | null {
  const found = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(am|pm)?$/.exec(text.trim().toLowerCase());
  if (!found) return null;
  const [hour, minute] = [Number(found[1]), Number(found[2] ?? 0)];
  const late = found[3] === 'pm' && hour < 12 ? 12 : found[3] === 'am' && hour === 12 ? -12 : 0;
  if (hour + late > 23 || minute > 59 || (found[3] && hour > 12)) return null;
  return `${String(hour + late).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
}
