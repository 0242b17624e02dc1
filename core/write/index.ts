export { planToCalendar } from './calendar';
