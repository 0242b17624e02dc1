import { expose } from 'comlink';
import { withCard, withoutDish, type CardFile } from '../../core/compose';
import { readDinner, type Dinner, type DinnerFile, type Style } from '../../core/dinner';
import type { Plan } from '../../core/plan';
import { planDinner, replanDinner } from '../../core/planner';
import { dishByDish, figuresOf, STYLES, type EveningFigures } from '../../core/reasons';
import { readAgain } from './read-again';

/** Seconds for one evening that is only looked at beside another. */
const SECONDS = 0.4;
/** Seconds for the evening of a style. */
const STYLE_SECONDS = 1.5;
const options = { seconds: SECONDS, seed: 1, now: () => performance.now() };
/** Orders of dishes take many plans. */
const SHORT = { ...options, seconds: 0.12 };

const read = (file: unknown): Dinner => readAgain(file).dinner;

const feasible = (plan: Plan) => (plan.feasible ? plan : null);

/** What came of one other evening: its figures, or null where no plan was found. */
export type Told<Key> = (key: Key, figures: EveningFigures | null) => void;

/** A style's evening, with the stretches of hands to draw it by. */
export interface StyleEvening {
  readonly figures: EveningFigures;
  readonly plan: Plan | null;
}

const api = {
  /** The evening without each dish of a course, one after the other. */
  async withoutEach(file: unknown, plan: Plan, tell: Told<string>): Promise<void> {
    const dinner = read(file);
    const listed = new Set(dinner.courses.flatMap((c) => c.dishes));
    if (listed.size < 2) return;
    for (const id of listed) {
      const fewer = withoutDish(dinner, id);
      const other = feasible(replanDinner(fewer, [], plan, options));
      await tell(id, other && figuresOf(fewer, other));
    }
  },

  /** The evening with each of the cards on a course. */
  async withEach(
    file: unknown,
    plan: Plan,
    course: string,
    cards: readonly { id: string; card: CardFile }[],
    tell: Told<string>,
  ): Promise<void> {
    for (const { id, card } of cards) {
      const result = readDinner(withCard(file as DinnerFile, card, course));
      const other = result.ok && feasible(replanDinner(result.dinner, [], plan, options));
      await tell(id, result.ok && other ? figuresOf(result.dinner, other) : null);
    }
  },

  /** The evening in each style, and each dish cooked in one go. */
  async styles(
    file: unknown,
    tell: (key: Style | 'dish', evening: StyleEvening | null) => void,
  ): Promise<void> {
    const dinner = read(file);
    for (const style of STYLES) {
      const styled = { ...dinner, style };
      // Another style is another evening: one made over from the old would look like it.
      const plan = feasible(planDinner(styled, [], { ...options, seconds: STYLE_SECONDS }));
      await tell(style, plan && { figures: figuresOf(styled, plan), plan });
    }
    const figures = dishByDish(dinner, (d) => feasible(planDinner(d, [], SHORT)), 1);
    await tell('dish', figures && { figures, plan: null });
  },

  /** True where a plan was found that begins nothing before minute `now`. */
  canBeginAt(file: unknown, now: number): boolean {
    const progress = { now, begun: new Map(), served: new Map() };
    return planDinner(read(file), [], options, progress).feasible;
  },
};

export type CompareWorker = typeof api;

expose(api);
