import type { OvenSetting } from '../plan';

/** A moment of an oven: plan minutes and °C. */
export interface HeatPoint {
  readonly minute: number;
  readonly celsius: number;
}

/** An oven before it is switched on. */
export const COLD = 20;

/**
 * What an oven's thermometer shows over its programme, as corners of a line: it heats and cools at its own rates
 * (°C a minute) and then stays. One list for each stretch in which it is on.
 */
export function heatEdges(
  programme: readonly OvenSetting[],
  oven: { readonly heats: number; readonly cools: number },
): HeatPoint[][] {
  const stretches: HeatPoint[][] = [];
  let celsius = COLD;
  let end: number | null = null;
  for (const setting of programme) {
    if (setting.from !== end) {
      celsius = end === null ? COLD : Math.max(COLD, celsius - (setting.from - end) * oven.cools);
      stretches.push([{ minute: setting.from, celsius }]);
    }
    const line = stretches.at(-1)!;
    const rate = setting.celsius > celsius ? oven.heats : -oven.cools;
    const reached = setting.from + (setting.celsius - celsius) / rate;
    if (setting.celsius !== celsius && reached < setting.to)
      line.push({ minute: reached, celsius: setting.celsius });
    celsius = reached <= setting.to ? setting.celsius : celsius + rate * (setting.to - setting.from);
    line.push({ minute: setting.to, celsius });
    end = setting.to;
  }
  return stretches;
}
