export { NO_SESSION, reduceSession, type Session, type SessionAction } from './session';
export { plannedSteps, tasksOf, type PlannedStep, type Task } from './tasks';
export { cookView, instantOf, type CookView, type CourseState, type Evening, type Running } from './view';
