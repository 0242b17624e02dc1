import { fillBits, makeBits, type Bits } from './bits';
import { ovenReady, StartFinder } from './calendar';
import type { Activity, Mode, Model } from './model';

/** All starts that calendars, pins and cold ovens allow each activity in some mode, before anything is planned. */
export function calendarStartsOf(model: Model): Bits[] {
  const finder = new StartFinder(model);
  return model.activities.map((activity) => calendarStarts(model, finder, activity));
}

/** The same for one activity. */
export function calendarStarts(model: Model, finder: StartFinder, activity: Activity): Bits {
  const all = makeBits(model.words * 32);
  const one = makeBits(model.words * 32);
  const last = (model.slots >> 5) + 1;
  for (const mode of activity.modes) {
    finder.find(one, activity, mode, model.calendars, 0, last);
    if (mode.usesOven) fillBits(one, 0, ovenReady(model, mode), false);
    if (!kitchenHolds(model, mode)) one.fill(0);
    for (let w = 0; w <= last; w++) all[w]! |= one[w]!;
  }
  fillBits(all, model.slots, (last + 1) * 32, false);
  fillBits(all, 0, Math.min(model.slots, Math.max(0, activity.notBefore)), false);
  if (activity.pin !== -1) {
    const pinned = activity.pin;
    fillBits(all, 0, Math.max(0, pinned), false);
    fillBits(all, Math.max(0, pinned + 1), model.slots, false);
  }
  return all;
}

/** True where the kitchen has all at once that a mode takes: rings, tools, an oven with shelves enough. */
export function kitchenHolds({ ovens, things }: Model, mode: Mode): boolean {
  return (
    (!mode.usesOven || ovens.some(({ shelves }) => shelves >= mode.shelves)) &&
    mode.things.every(({ thing, count }) => count <= things[thing]!.capacity)
  );
}
