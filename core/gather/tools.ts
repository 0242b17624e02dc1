import type { Dinner } from '../dinner';
import { plannedSteps, type PlannedStep } from '../live';
import type { Plan } from '../plan';

/** A use of a tool in the plan, the time in which it is kept for what comes next included. */
export interface ToolUse {
  readonly step: string;
  readonly dish: string;
  readonly does: string;
  readonly from: number;
  readonly to: number;
  readonly count: number;
}

export interface ToolNeed {
  readonly tool: string;
  /** How many at once at most. */
  readonly atOnce: number;
  /** How many the kitchen has; null where it does not list the tool. */
  readonly has: number | null;
  readonly uses: readonly ToolUse[];
  /** Dishes that need it one after the other: it is washed in between. */
  readonly shared: readonly string[];
  /** It goes into the oven. */
  readonly isOvenproof: boolean;
  /** What it held is wanted for what comes next: it is not to be washed after these. */
  readonly notWashed: readonly string[];
}

/** Most that are in use at one moment. */
function mostAtOnce(uses: readonly ToolUse[]): number {
  return Math.max(
    0,
    ...uses.map((at) =>
      uses.reduce((sum, use) => sum + (use.from <= at.from && at.from < use.to ? use.count : 0), 0),
    ),
  );
}

/** Everything that is needed to cook with, from the plan. */
export function toolNeeds(dinner: Dinner, plan: Plan): ToolNeed[] {
  const steps = plannedSteps(dinner, plan);
  const byTool = new Map<string, { use: ToolUse; isOven: boolean; isKept: boolean }[]>();
  for (const planned of steps) {
    const { row, placed, step } = planned;
    const { uses, keepsIn } = planned.as;
    for (const use of uses) {
      if (!('tool' in use)) continue;
      const tool = use.tool as string;
      const isKept = keepsIn.includes(tool);
      // Kept: until the first that comes after it and takes it.
      const next = steps
        .filter(
          (s) =>
            s.row.start >= row.end &&
            s.as.uses.some((u) => 'tool' in u && u.tool === tool) &&
            comesAfter(s, planned),
        )
        .map((s) => s.row.start);
      const to = isKept && next.length > 0 ? Math.min(...next) : row.end;
      const list = byTool.get(tool) ?? [];
      list.push({
        use: {
          step: row.step,
          dish: placed.dish.name,
          does: step.does,
          from: row.start,
          to,
          count: (use.count as number | undefined) ?? 1,
        },
        isOven: uses.some((u) => 'oven' in u),
        isKept: isKept && next.length > 0,
      });
      byTool.set(tool, list);
    }
  }
  return [...byTool]
    .map(([tool, list]): ToolNeed => {
      const uses = list.map((l) => l.use).sort((a, b) => a.from - b.from);
      const dishes = [...new Set(uses.map((u) => u.dish))];
      return {
        tool,
        atOnce: mostAtOnce(uses),
        has: dinner.kitchen.tools[tool] ?? null,
        uses,
        shared: dishes.length > 1 ? dishes : [],
        isOvenproof: list.some((l) => l.isOven),
        notWashed: list.filter((l) => l.isKept).map((l) => l.use.does),
      };
    })
    .sort((a, b) => a.tool.localeCompare(b.tool));
}

const comesAfter = (later: PlannedStep, earlier: PlannedStep) =>
  later.step.after.some((link) => {
    const name = typeof link === 'string' ? link : link.step;
    return (name.includes('/') ? name : `${later.placed.dish.id}/${name}`) === earlier.row.step;
  });
