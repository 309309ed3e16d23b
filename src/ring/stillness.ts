// Nothing moves under a thumb: what is worked out meanwhile is shown once it has let go. A press that met a thing which moved away before it was let
// go would be lost, or meet its neighbour.

/** A hand that rests this long drags or holds, and wants to see what comes, ms. */
const PRESS_MS = 1000;
/** The click of a press comes a moment after the hand has let go, ms. */
const CLICK_MS = 60;

let pressed = false;
let waiting: (() => void)[] = [];
let timer: ReturnType<typeof setTimeout> | undefined;

function letGo(): void {
  pressed = false;
  const all = waiting;
  waiting = [];
  for (const each of all) each();
}

function later(ms: number): void {
  clearTimeout(timer);
  timer = setTimeout(letGo, ms);
}

/** Watches for presses anywhere on the page. */
export function watchPresses(on: EventTarget): void {
  const down = () => {
    pressed = true;
    later(PRESS_MS);
  };
  const up = () => {
    if (pressed) later(CLICK_MS);
  };
  on.addEventListener('pointerdown', down, { capture: true });
  for (const end of ['pointerup', 'pointercancel']) on.addEventListener(end, up, { capture: true });
}

/** Does something now or, while something is being pressed, as soon as it is let go. Things are done in the order in which they came. */
export function whenStill(act: () => void): void {
  if (pressed) waiting.push(act);
  else act();
}

/** As `whenStill`, to be waited for. */
export const still = (): Promise<void> => new Promise(whenStill);

if (typeof window !== 'undefined') watchPresses(window);
