export { BY_DAY, addDays, clockIn, dayIn, dayOf, daysBetween, isDay, isMoment, momentIn } from './days'
export { type DayOrder, dayNamed, dayNumbers, dayOrderOf, isDayReadTwoWays, momentNamed } from './read-day'
