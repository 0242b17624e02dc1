export { leadsToCalendar, planToCalendar } from './calendar';
export { dinnerAsMarkdown } from './dinner-page';
export { isoDuration, recipeData, type RecipeData } from './recipe-data';
