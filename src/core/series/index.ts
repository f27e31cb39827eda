/** Challenge series: days of short practice, the daily guard, what follows from a missed day, and who will finish. */
export * from './types';
export { SERIES_LIMITS } from './limits';
export * from './days';
export { dailyJumps, dailyMinutes, gentleMinutes, minutesShort, mostGrowth } from './minutes';
export { draftSeries, gentlest, isForHome, minutesByDay, type NotReached, type SeriesAsked, type SeriesDraft } from './draft';
export { checkSeries, seriesCheckText, type SeriesCheck } from './checks';
export { ownDay, stepBack, type OwnCourse, type OwnDay } from './own';
export * from './finish';
export * from './drift';
export { easierOf, edited, type SeriesEdit } from './edits';
