import { toInstant, toWall } from '../clock';
import type { Dinner } from '../dinner';
import type { Plan } from '../plan';
import { layOutStrip, wrapWords, yOf, type Bar, type StripLayout, type StripMeasure } from '../strip';

/** Colours of a picture: what CSS would take. */
export interface PictureColours {
  readonly paper: string;
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly seat: string;
  readonly heat: string;
  /** For each course in turn, and for what belongs to several. */
  readonly courses: readonly string[];
  readonly several: string;
}

export interface Picture {
  readonly svg: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

const GUTTER = 64;
const LANE = 22;
const HANDS = 380;
const GAP = 14;
const HEAD = 92;
const EDGE = 16;
const FONT = "'Atkinson Hyperlegible Next','Atkinson Hyperlegible',Verdana,sans-serif";
const MEASURE: StripMeasure = {
  perMinute: 2.4,
  fold: 44,
  characters: 36,
  mostLines: 3,
  line: 17,
  around: 6,
  leastLabel: 0,
  courseLabel: 30,
};

const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

/** A drawing is a list of elements, written from the bottom up. */
class Drawing {
  private readonly parts: string[] = [];

  rect(x: number, y: number, width: number, height: number, style: string): void {
    this.parts.push(
      `<rect x="${round(x)}" y="${round(y)}" width="${round(width)}" height="${round(Math.max(1, height))}" ${style}/>`,
    );
  }

  line(x1: number, y1: number, x2: number, y2: number, style: string): void {
    this.parts.push(
      `<line x1="${round(x1)}" y1="${round(y1)}" x2="${round(x2)}" y2="${round(y2)}" ${style}/>`,
    );
  }

  text(x: number, y: number, text: string, style: string): void {
    this.parts.push(`<text x="${round(x)}" y="${round(y)}" ${style}>${escaped(text)}</text>`);
  }

  path(d: string, style: string): void {
    this.parts.push(`<path d="${d}" ${style}/>`);
  }

  toString(): string {
    return this.parts.join('\n');
  }
}

const round = (n: number) => Math.round(n * 10) / 10;

/** The strip of a planned evening as one SVG picture that needs nothing beside it. */
export function stripPicture(dinner: Dinner, plan: Plan, colours: PictureColours): Picture {
  const layout = layOutStrip(dinner, plan, MEASURE);
  const zero = toInstant(dinner.sitDown, dinner.timeZone);
  const wall = (minute: number) => toWall(zero + minute, dinner.timeZone);
  const clock = (minute: number) => wall(minute).slice(11);
  const y = (minute: number) => HEAD + yOf(layout.scale, minute);
  const colourOf = (course: string | null) => {
    const index = dinner.courses.findIndex((c) => c.id === course);
    return index < 0 ? colours.several : colours.courses[index % colours.courses.length]!;
  };
  const heatLanes = layout.ovens.reduce((sum, oven) => sum + oven.count + 1, layout.rings.count);
  const heatWidth = heatLanes * LANE;
  const handsLeft = GUTTER + heatWidth + GAP;
  const waitingLeft = handsLeft + layout.hands.length * (HANDS + GAP);
  const width = Math.ceil(waitingLeft + layout.waiting.count * LANE + EDGE);
  const height = Math.ceil(HEAD + layout.scale.height + EDGE);
  const d = new Drawing();

  d.rect(0, 0, width, height, `fill="${colours.paper}"`);
  d.text(EDGE, 34, dinner.title, `font-size="24" font-weight="700" fill="${colours.ink}"`);
  d.text(
    EDGE,
    56,
    `${wall(0).slice(0, 10)}, ${dinner.guests} at table`,
    `font-size="14" fill="${colours.soft}"`,
  );
  const head = `font-size="14" font-weight="700" fill="${colours.ink}"`;
  d.text(GUTTER, HEAD - 12, 'Heat', head);
  layout.hands.forEach(({ cook }, k) =>
    d.text(handsLeft + k * (HANDS + GAP), HEAD - 12, `Hands: ${cook.name}`, head),
  );
  d.text(waitingLeft, HEAD - 12, 'Waiting', head);

  drawTime(d, layout, y, clock, width, colours);
  drawSides(d, layout, { y, heat: GUTTER, waiting: waitingLeft }, colourOf, colours);
  layout.hands.forEach((column, k) => {
    const left = handsLeft + k * (HANDS + GAP);
    for (const task of column.bars) {
      const inset = task.kind === 'check' ? 3 : 0;
      d.rect(
        left + inset,
        y(task.from),
        10 - 2 * inset,
        y(task.to) - y(task.from) - 1,
        `rx="2" fill="${colourOf(task.course)}"`,
      );
    }
    for (const { task, top, lines } of column.labels) {
      const weight = task.kind === 'work' || task.kind === 'plate' ? 600 : 400;
      const fill = task.kind === 'check' ? colours.soft : colours.ink;
      d.text(left + 16, HEAD + top + 15, clock(task.from), `font-size="14" font-weight="600" fill="${fill}"`);
      wrapWords(task.text, MEASURE.characters)
        .slice(0, lines)
        .forEach((line, n) =>
          d.text(
            left + 64,
            HEAD + top + 15 + n * MEASURE.line,
            line,
            `font-size="14" font-weight="${weight}" fill="${fill}"`,
          ),
        );
      d.text(
        left + HANDS,
        HEAD + top + 15,
        `${task.to - task.from} min`,
        `font-size="12" text-anchor="end" fill="${colours.soft}"`,
      );
    }
  });
  for (const course of layout.courses) {
    const colour = colourOf(course.id);
    d.line(0, y(course.serve), width, y(course.serve), `stroke="${colour}" stroke-width="3"`);
    d.text(
      handsLeft + 16,
      y(course.serve) + 20,
      `${course.name} ${clock(course.serve)}, at the table until ${clock(course.up)}`,
      `font-size="15" font-weight="700" fill="${colour}"`,
    );
  }
  const svg = [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="${escaped(FONT)}">`,
    `<title>${escaped(dinner.title)}</title>`,
    d.toString(),
    '</svg>',
  ].join('\n');
  return { svg, width, height };
}

function drawTime(
  d: Drawing,
  layout: StripLayout,
  y: (minute: number) => number,
  clock: (minute: number) => string,
  width: number,
  colours: PictureColours,
): void {
  for (const course of layout.courses)
    d.rect(0, y(course.serve), width, y(course.up) - y(course.serve), `fill="${colours.seat}"`);
  for (const segment of layout.scale.segments) {
    if (segment.isFolded) {
      d.line(0, HEAD + segment.top, width, HEAD + segment.top, `stroke="${colours.line}"`);
      d.line(
        0,
        HEAD + segment.top + segment.height,
        width,
        HEAD + segment.top + segment.height,
        `stroke="${colours.line}"`,
      );
      d.text(
        GUTTER,
        HEAD + segment.top + segment.height / 2 + 5,
        `nothing to do until ${clock(segment.to)}`,
        `font-size="13" fill="${colours.soft}"`,
      );
      continue;
    }
    for (let m = Math.ceil(segment.from / 30) * 30; m < segment.to; m += 30) {
      d.line(0, y(m), width, y(m), `stroke="${colours.line}" stroke-width="0.7"`);
      d.text(6, y(m) + 13, clock(m), `font-size="12" fill="${colours.soft}"`);
    }
  }
}

function drawSides(
  d: Drawing,
  layout: StripLayout,
  at: { y: (minute: number) => number; heat: number; waiting: number },
  colourOf: (course: string | null) => string,
  colours: PictureColours,
): void {
  const { y } = at;
  const bars = (list: readonly Bar[], left: number) => {
    for (const bar of list) {
      const colour = colourOf(bar.course);
      const isWaiting = bar.texture === 'waiting';
      const dash = isWaiting ? '2 3' : bar.texture === 'minded' ? '6 3' : 'none';
      d.rect(
        left + bar.lane * LANE,
        y(bar.from),
        Math.max(6, bar.lanes * LANE - 3),
        y(bar.to) - y(bar.from) - 1,
        `rx="4" fill="${isWaiting ? colour : colours.paper}" fill-opacity="${isWaiting ? 0.25 : 0.8}" stroke="${colour}" stroke-width="1.6" stroke-dasharray="${dash}"`,
      );
    }
  };
  let left = at.heat;
  for (const oven of layout.ovens) {
    const width = (oven.count + 1) * LANE - 6;
    for (const edge of oven.edges) {
      const x = (celsius: number) => round(left + width * (0.35 + 0.65 * Math.min(1, celsius / 260)));
      const line = edge.map(({ minute, celsius }) => `L${x(celsius)} ${round(y(minute))}`).join('');
      d.path(
        `M${left} ${round(y(edge[0]!.minute))}${line}L${left} ${round(y(edge.at(-1)!.minute))}Z`,
        `fill="${colours.heat}" fill-opacity="0.55"`,
      );
    }
    oven.programme
      .filter((setting, k) => setting.celsius !== oven.programme[k - 1]?.celsius)
      .forEach((setting) =>
        d.text(
          left,
          y(setting.from) - 4,
          `${setting.celsius} °C`,
          `font-size="11" font-weight="600" fill="${colours.ink}"`,
        ),
      );
    bars(oven.bars, left);
    left += (oven.count + 1) * LANE;
  }
  bars(layout.rings.bars, left);
  bars(layout.waiting.bars, at.waiting);
}
