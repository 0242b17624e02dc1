export { leadsToCalendar, planToCalendar } from './calendar';
export { dinnerAsMarkdown } from './dinner-page';
export { stripPicture, type Picture, type PictureColours } from './picture';
export { isoDuration, recipeData, type RecipeData } from './recipe-data';
