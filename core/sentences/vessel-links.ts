import type { Group } from './groups';
import type { Past } from './past';
import type { Spoken } from './spoken';
import type { NamedTool } from './vessels';

const isVague = ({ tool }: NamedTool) => ['pan', 'pot', 'tin', 'tray', 'dish'].includes(tool);
const isLining = (group: Group) => group.acts.some((a) => ['grease', 'line', 'rub'].includes(a.word));
export const isOnlyBringing = (group: Group) => group.acts.every((a) => a.word === 'bring');

/** "In the same pan": after what was in it. */
export function cookedIn(past: Past, tool: NamedTool, group: Group): number | undefined {
  const isOnHob = tool.goes === 'oven' && group.acts.some((a) => a.verb.kind === 'simmer');
  if (tool.goes !== 'hob' && !isOnHob) return undefined;
  const user = usersOf(past, tool).at(-1);
  if (!isOnHob && !isVague(tool)) return user;
  const heated = isOnHob ? past.lastOf('oven') : past.lastOf('hob', 'simmer', 'cook');
  return heated === undefined ? user : Math.max(heated, user ?? 0);
}

/** A tin that was lined is for what goes into it. */
export function linedFor(past: Past, tool: NamedTool): number | undefined {
  const user = tool.goes === 'hob' ? undefined : usersOf(past, tool).at(-1);
  return user !== undefined && isLining(past.told.groups[user]!) ? user : undefined;
}

function usersOf(past: Past, tool: NamedTool): number[] {
  const { tools } = past.told;
  return [...past.linked.keys()].filter((j) =>
    tools[j]!.some((t) => t.tool === tool.tool || (isVague(tool) && t.goes === tool.goes)),
  );
}

/** Water that was brought to the boil is for what is cooked next without a vessel of its own. */
export function linkWater(
  past: Past,
  group: Group,
  step: Spoken,
  named: Set<number>,
  isAboutIt: boolean,
): void {
  const { groups, texts } = past.told;
  const water = step.tails.findLast((j) => isOnlyBringing(groups[j]!) && /\bwater\b/i.test(texts[j]!));
  if (water === undefined || step.hasOwnTools) return;
  if (step.isWaiting && named.size === 0) named.add(water);
  if (!group.acts.some((a) => a.word === 'cook' || a.word === 'boil')) return;
  if (!isAboutIt && past.previous !== water) named.delete(past.previous);
  named.add(water);
}
