import type { DinnerFile } from '../../core/dinner';
import { Maker } from './maker';

/** What makes an evening tight, each in a dinner of its own. */
export const TIGHTER = {
  /** What is made keeps for a part of the time only. */
  keeps: (dinner: DinnerFile, share: number): void => {
    for (const { keeps } of dinner.dishes.flatMap(({ steps }) => steps)) {
      if (typeof keeps?.most !== 'number') continue;
      keeps.most = Math.round(share * keeps.most);
      keeps.best = Math.min(keeps.best ?? 0, keeps.most);
      if (keeps.gains) keeps.gains.until = Math.min(keeps.gains.until, keeps.most);
    }
  },
  /** No pause is longer than these minutes. */
  pauses: (dinner: DinnerFile, most: number): void => {
    for (const course of dinner.courses) {
      const { least, ideal, most: before } = { least: 5, ideal: 15, most: 45, ...course.pause };
      const cut = (minutes: number) => Math.min(minutes, most);
      course.pause = { least: cut(least), ideal: cut(ideal), most: cut(before) };
    }
  },
  /** So many more at the table. */
  guests: (dinner: DinnerFile, more: number): void => {
    dinner.guests += more;
  },
  /** A cook may leave the table for no longer than this. */
  away: (dinner: DinnerFile, most: number): void => {
    dinner.away = Math.min(dinner.away ?? most, most);
  },
};

/** A dinner made tighter in one way. */
export function tightened(dinner: DinnerFile, how: keyof typeof TIGHTER, by: number): DinnerFile {
  const tighter = structuredClone(dinner);
  TIGHTER[how](tighter, by);
  return tighter;
}

/** A dinner made tighter in some way; it may be impossible. */
export function makeTight(dinner: DinnerFile, seed: number): DinnerFile {
  const make = new Maker(seed * 15_485_863);
  const how = make.pick(['keeps', 'keeps', 'pauses', 'guests', 'guests', 'away'] as const);
  const by = {
    keeps: make.between(2, 6) / 10,
    pauses: make.between(2, 8),
    guests: make.between(3, 10),
    away: make.between(0, 2),
  };
  return tightened(dinner, how, by[how]);
}
