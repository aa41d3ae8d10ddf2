export type { Day, LocalTime, Moment } from './types'
export {
  addDays,
  dayAtStart,
  dayNumber,
  dayOfNumber,
  daysBetween,
  daysOfMonth,
  firstOfMonth,
  isDay,
  monthOfDay,
  weekdayOf,
} from './days'
export {
  BY_DAY,
  clockIn,
  dayIn,
  dayOf,
  dayOfClock,
  instantText,
  isMoment,
  isTimeZone,
  mailTime,
  momentIn,
  secondText,
  startOfDay,
  todayIn,
  zoneHere,
} from './moments'
export { type DateOptions, DateWriter, DistanceWriter } from './write'
export { type DayOrder, dayNamed, dayNumbers, dayOrderOf, isDayReadTwoWays, momentNamed } from './read-day'
