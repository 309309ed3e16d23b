import { useEffect, useRef, useState } from 'react';
import { type Hand } from '../../core/broadcast/hand.ts';
import { type Ground, placesOf } from '../../core/broadcast/walk.ts';

/** A fist is full after this long; held longer it holds more than it should. */
const FULL_MS = 450;
const MOST_FULL = 1.8;
/** Walking pace over the bed, m/s; slow, as one walks with a seed bag. */
const PACE_M_S = 0.7;
const TICK_MS = 60;

interface Props {
  ground: Ground;
  hand: Hand;
  total: number;
  passes: number;
  onClear(): void;
  onCast(x_m: number, y_m: number, seeds: number, along: boolean): void;
}

/** Hold to fill the hand, release to throw, in rhythm with the walk. By mouse, finger or the space bar. */
export function Game({ ground, hand, total, passes, onClear, onCast }: Props) {
  const [walked_m, setWalked] = useState(0);
  const [portion, setPortion] = useState(0);
  const [left, setLeft] = useState(0);
  const [on, setOn] = useState(false);
  const [held, setHeld] = useState(0);
  const pressed = useRef(0);
  const along = portion % 2 === 0;
  const places = placesOf(ground, hand, along);
  const step_m = hand.stride_m;
  const length_m = places.length * step_m;
  const each = total / passes / places.length;
  const at = places[Math.min(places.length - 1, Math.floor(walked_m / step_m))]!;
  const over = on && portion >= passes;

  const still =
    typeof window !== 'undefined' && window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  useEffect(() => {
    if (!on || over || still) return;
    const timer = setInterval(() => setWalked((w) => w + (PACE_M_S * TICK_MS) / 1000), TICK_MS);
    return () => clearInterval(timer);
  }, [on, over, still]);
  useEffect(() => {
    if (!on || over || walked_m < length_m) return;
    setPortion((p) => p + 1);
    setWalked(0);
    setLeft((l) => l + total / passes);
  }, [on, over, walked_m, length_m, total, passes]);

  const start = () => {
    onClear();
    setWalked(0);
    setPortion(0);
    setLeft(total / passes);
    setOn(true);
  };
  const press = (now: number) => {
    if (!on || over) return;
    pressed.current = now;
    setHeld(1);
  };
  const release = (now: number) => {
    if (!on || over || pressed.current === 0) return;
    const fist = Math.min(MOST_FULL, (now - pressed.current) / FULL_MS);
    pressed.current = 0;
    setHeld(0);
    const seeds = Math.min(Math.round(left), Math.max(1, Math.round(each * fist)));
    if (seeds <= 0) return;
    setLeft((l) => l - seeds);
    onCast(at.x_m, at.y_m, seeds, along);
    // Where nothing may move by itself, every throw is a step.
    if (still) setWalked((w) => w + step_m);
  };
  return (
    <section aria-label="Throw by your own hand" className="mt-2">
      <div className="flex flex-wrap items-center gap-3">
        <button type="button" className="btn" onClick={start}>
          {on ? 'Begin again' : 'Throw by your own hand'}
        </button>
        {on && !over && (
          <button
            type="button"
            className={`btn btn-primary min-h-16 min-w-52 touch-none text-lg ${held ? 'opacity-80' : ''}`}
            onPointerDown={(e) => press(e.timeStamp)}
            onPointerUp={(e) => release(e.timeStamp)}
            onPointerLeave={(e) => release(e.timeStamp)}
            onKeyDown={(e) => {
              if (e.key !== ' ') return;
              e.preventDefault();
              if (!e.repeat) press(e.timeStamp);
            }}
            onKeyUp={(e) => e.key === ' ' && release(e.timeStamp)}
          >
            {held ? 'Let go to throw' : 'Hold, let go, in step'}
          </button>
        )}
        {on && (
          <p role="status">
            {over
              ? `All portions walked${left >= 1 ? `, ${Math.round(left)} seeds left in the bag` : ''}.`
              : `Portion ${portion + 1} of ${passes}, ${along ? 'lengthways' : 'crosswise'}; ${Math.round((walked_m / length_m) * 100)} % of the way, ${Math.max(0, Math.round((left / (total / passes)) * 100))} % of the bag left.`}
          </p>
        )}
      </div>
      {on && !over && (
        <svg
          viewBox={`0 0 ${ground.length_m} ${ground.width_m}`}
          className="border-warp mt-2 block max-h-24 w-full max-w-xl border"
          aria-hidden="true"
        >
          {places.map((p, i) => (
            <circle key={i} cx={p.x_m} cy={p.y_m} r={0.06} fill="var(--color-warp)" />
          ))}
          <circle cx={at.x_m} cy={at.y_m} r={0.14} fill="var(--color-madder)" />
        </svg>
      )}
      {on && (
        <p className="text-bark text-sm">
          The red dot is where you stand. A fist is full after half a second of holding.
        </p>
      )}
    </section>
  );
}
