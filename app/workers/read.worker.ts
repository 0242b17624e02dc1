import { expose } from 'comlink';
import { readRecipes, type ReadContext, type ReadRecipes } from '../../core/recipes';

const api = {
  /** Reads whatever was pasted or dropped. */
  read: (text: string, context: ReadContext): ReadRecipes => readRecipes(text, context),
};

export type ReadWorker = typeof api;

expose(api);
