import type { DinnerFile } from '../../core/dinner';

export type DishFile = DinnerFile['dishes'][number];
export type StepFile = DishFile['steps'][number];
export type WayFile = NonNullable<StepFile['ways']>[number];
/** What a step and another way to do it have in common, so that the same fields change either. */
export type WayOrStep = Partial<StepFile>;
/** A step that another may name: its name as in `after`, and what it does. */
export interface NamedStep {
  readonly name: string;
  readonly does: string;
}

/** Fields of a way that stand together on screen. */
export const WAY_PARTS = {
  time: ['attention', 'minutes', 'scale', 'hands', 'touch', 'check', 'pausable', 'stay'],
  uses: ['uses', 'keepsIn'],
  keeps: ['keeps'],
} as const;
export type WayPart = keyof typeof WAY_PARTS;
