/** A finger or a mouse may move so far between pressing and lifting and still mean what it pressed, px. */
const STILL_PX = 12;
/** Something that lies this much elsewhere than when it was pressed has been moved by the page, px. */
const MOVED_PX = 4;
/** After a finger is lifted the browser takes so long at most to say what it clicked, ms; after a mouse no time. */
const TOUCH_CLICK_MS = 150;
/** What the browser says of a press comes within so long after it was lifted, ms; later it is about something else. */
const ECHO_MS = 600;

const PRESSABLE = "button, a[href]";

interface Press {
  what: HTMLElement;
  pointer: number;
  x: number;
  y: number;
  /** where it lay as it was pressed */
  at: DOMRect;
  /** ms of the steady clock; null while it is held */
  liftedAt: number | null;
  clicked: boolean;
  /** what the browser would not click was clicked for it */
  madeGood: boolean;
}

let press: Press | null = null;

const pressableAt = (target: EventTarget | null): HTMLElement | null =>
  target instanceof Element ? target.closest<HTMLElement>(PRESSABLE) : null;

function hasMoved({ what, at }: Press): boolean {
  const now = what.getBoundingClientRect();
  return Math.abs(now.left - at.left) > MOVED_PX || Math.abs(now.top - at.top) > MOVED_PX;
}

function begin(e: PointerEvent): void {
  if (!e.isPrimary || e.button !== 0) return;
  const what = pressableAt(e.target);
  press = what && {
    what,
    pointer: e.pointerId,
    x: e.clientX,
    y: e.clientY,
    at: what.getBoundingClientRect(),
    liftedAt: null,
    clicked: false,
    madeGood: false,
  };
}

function lift(e: PointerEvent): void {
  const mine = press;
  if (!mine || e.pointerId !== mine.pointer) return;
  mine.liftedAt = performance.now();
  if (Math.hypot(e.clientX - mine.x, e.clientY - mine.y) > STILL_PX || !hasMoved(mine)) return;
  setTimeout(
    () => {
      if (mine.clicked || !mine.what.isConnected) return;
      mine.madeGood = true;
      mine.what.click();
    },
    e.pointerType === "touch" ? TOUCH_CLICK_MS : 0,
  );
}

function click(e: MouseEvent): void {
  // A key has no place, and a program or a screen reader says what it means.
  if (!press || press.liftedAt === null || !e.isTrusted || e.detail === 0) return;
  if (performance.now() - press.liftedAt > ECHO_MS) return;
  const what = pressableAt(e.target);
  if (what === press.what && !press.madeGood) press.clicked = true;
  else if (press.madeGood || (what !== null && hasMoved(press))) {
    e.preventDefault();
    e.stopImmediatePropagation();
  }
}

/**
 * Holds a press to what it was made on. An alarm or a line that appears between pressing and lifting moves the buttons
 * away under the finger: the browser then clicks nothing, or what has come to lie there. From now on the button that was
 * pressed is clicked, and no other.
 * @returns how to stop it
 */
export function keepPresses(): () => void {
  const capture = { capture: true };
  document.addEventListener("pointerdown", begin, capture);
  document.addEventListener("pointerup", lift, capture);
  document.addEventListener("click", click, capture);
  return () => {
    document.removeEventListener("pointerdown", begin, capture);
    document.removeEventListener("pointerup", lift, capture);
    document.removeEventListener("click", click, capture);
  };
}
