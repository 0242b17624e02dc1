export { leadsToCalendar, planToCalendar } from './calendar';
