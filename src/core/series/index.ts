/** Challenge series: days of short practice, the daily guard, what follows from a missed day, and who will finish. */
export * from './types';
export { SERIES_LIMITS } from './limits';
export { datesOf, dayOn, kept, minutesOf, weekOfDay } from './days';
export { dailyJumps, dailyMinutes, minutesShort, mostReached } from './minutes';
export { draftSeries, minutesByDay } from './draft';
export { type SeriesAsked } from './problem';
export { notReached, overDays, withTimes, seriesMendText, withMend, type NotReached, type SeriesMend } from './reach';
export { checkSeries, seriesCheckText } from './checks';
export { ownDay, stepBack, type OwnDay } from './own';
export * from './finish';
export * from './drift';
export { easierOf, edited, type SeriesEdit } from './edits';
export { practiceFor, shortened } from './practice';
export { afterwards, keptUp, type Went } from './after';
