import { ElMessage } from 'element-plus';
import type { InjectionKey, Ref } from 'vue';
import { minuteAt, yOf, type Scale } from '../../core/strip';
import { useBending, type InHand } from '../stores/bending';
import { useDinner } from '../stores/dinner';
import { useTimes } from './useTimes';

/** What can be taken in hand on the strip: its own start, and the minute at which it is drawn where it is taken. */
export interface Movable {
  readonly kind: InHand['kind'];
  readonly id: string;
  readonly name: string;
  readonly start: number;
  readonly drawnAt: number;
}

/** Pixels that a hand may slip without moving anything. */
const SLIP = 6;
/** Near the edge of the window it scrolls along. */
const EDGE = 40;
const EDGE_ABOVE = 150;
const SCROLL = 8;
/** Milliseconds that the page has for itself before the worker that follows the hand makes itself ready. */
const READY_AFTER = 1500;

/** Taking, moving and letting go of steps and course lines, by pointer. */
export function useStripDrag(scale: Ref<Scale>) {
  const bending = useBending();
  const times = useTimes();
  const store = useDinner();
  let wasMoved = false;
  let soon: ReturnType<typeof setTimeout> | undefined;

  watch(
    () => store.isPlanning,
    (isPlanning) => {
      clearTimeout(soon);
      if (!isPlanning) soon = setTimeout(() => bending.makeReady(), READY_AFTER);
    },
    { immediate: true },
  );
  onBeforeUnmount(() => clearTimeout(soon));

  /** Lets go; says so where it cannot be there. */
  async function letGo(): Promise<void> {
    const held = bending.inHand;
    if (held && !(await bending.letGo())) {
      ElMessage({
        message: `"${held.name}" cannot be at ${times.clock(held.to)} with all else as it must be. It stays where it was.`,
        type: 'warning',
      });
    }
  }

  /** Touches scroll; only a handle made for it is moved by touch. */
  function down(event: PointerEvent, what: Movable, isHandle = false): void {
    wasMoved = false;
    if (event.button !== 0 || (event.pointerType !== 'mouse' && !isHandle)) return;
    const begun = event.clientY + window.scrollY;
    const drawn = yOf(scale.value, what.drawnAt);
    let pointer = event.clientY;
    let frame = 0;
    const follow = () => {
      const isAbove = pointer < EDGE_ABOVE;
      const isBelow = pointer > window.innerHeight - EDGE;
      if (isAbove || isBelow) window.scrollBy(0, isAbove ? -SCROLL : SCROLL);
      // Held still at the edge it goes on scrolling.
      frame = isAbove || isBelow ? requestAnimationFrame(follow) : 0;
      const by = minuteAt(scale.value, drawn + pointer + window.scrollY - begun) - what.drawnAt;
      bending.moveTo(what.start + by);
    };
    const move = (e: PointerEvent) => {
      pointer = e.clientY;
      if (!wasMoved) {
        if (Math.abs(pointer + window.scrollY - begun) < SLIP) return;
        wasMoved = true;
        bending.take(what.kind, what.id, what.name, what.start);
      }
      frame ||= requestAnimationFrame(follow);
    };
    const end = (isTaken: boolean) => {
      cancelAnimationFrame(frame);
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      window.removeEventListener('pointercancel', cancel);
      window.removeEventListener('keydown', key);
      if (!wasMoved) return;
      if (isTaken) void letGo();
      else bending.drop();
      // The click that ends the move comes before this; a later one is meant.
      setTimeout(() => (wasMoved = false));
    };
    const up = () => end(true);
    const cancel = () => end(false);
    const key = (e: KeyboardEvent) => e.key === 'Escape' && end(false);
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    window.addEventListener('pointercancel', cancel);
    window.addEventListener('keydown', key);
  }

  /** By keys, on something that has the focus: Shift and up or down a minute, Enter lets go, Escape drops. */
  function key(event: KeyboardEvent, what: Movable): void {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const mine = bending.inHand?.id === what.id;
    if (event.shiftKey && by) {
      if (!mine) bending.take(what.kind, what.id, what.name, what.start);
      bending.moveBy(by);
    } else if (mine && event.key === 'Enter') void letGo();
    else if (mine && event.key === 'Escape') bending.drop();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** True right after something was moved: the click that ends it chooses nothing. */
  const isJustMoved = () => wasMoved;

  return { down, key, letGo, isJustMoved };
}

export type StripDrag = ReturnType<typeof useStripDrag>;
/** The strip lends it to whatever on it can be moved. */
export const STRIP_DRAG: InjectionKey<StripDrag> = Symbol('strip drag');
