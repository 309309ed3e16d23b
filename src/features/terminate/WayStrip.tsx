import { type PointerEvent as ReactPointerEvent, useState } from 'react';
import { type Day } from '../../core/calendar/day.ts';
import { showDay } from '../../ui/dates.ts';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { type Scale } from '../../ui/downward.ts';
import { Picture } from './WayPicture.tsx';
import { type Held, type WayProps, WAY_PX, heldOf, type Knot, knotsOf } from './wayHeld.ts';

/** Big enough for a finger tip. */
const HANDLE_PX = 26;

const title = (kind: string): string => PASS_WORDS[kind]?.title ?? kind;

/** One way of ending as a strip: woven until its first pass, knots at the passes, what lies on it or walks on it, residue until planting. */
export function WayStrip({ method, name, ending, parts, scale, plantDay, dies, least, move }: WayProps) {
  const held = heldOf(method, ending);
  const knots = knotsOf(method, ending, plantDay);
  const first = knots[0]?.day ?? ending.startDay;
  // A pass that follows the day after hangs with the one before: a finger could not tell them apart.
  const handles: Knot[] = [];
  for (const k of knots)
    if (k.movable && !handles.some((h) => Math.abs(scale.y(h.day) - scale.y(k.day)) < HANDLE_PX))
      handles.push(k);
  const moved = (k: Knot, day: Day): Held =>
    k.index === 0
      ? { ...held, startDay: day }
      : {
          ...held,
          after_d: held.after_d.map((a, i) =>
            i >= k.index && a !== null ? Math.max(0, a + day - k.day) : a,
          ),
        };
  return (
    <div className="relative" style={{ width: WAY_PX, height: scale.height + 2 }}>
      <Picture
        method={method}
        ending={ending}
        parts={parts}
        scale={scale}
        plantDay={plantDay}
        dies={dies}
        knots={knots}
      />
      {handles.map((k) => (
        <KnotHandle
          key={k.index}
          label={`${title(k.kind)}, ${name.toLowerCase()}`}
          day={k.day}
          least={k.index === 0 ? least : first}
          most={plantDay - 1}
          scale={scale}
          move={(day) => move(moved(k, day))}
        />
      ))}
    </div>
  );
}

function KnotHandle({
  label,
  day,
  least,
  most,
  scale,
  move,
}: {
  label: string;
  day: Day;
  least: Day;
  most: Day;
  scale: Scale;
  move(day: Day): void;
}) {
  const [grip, setGrip] = useState<{ y: number; day: Day } | null>(null);
  const clamp = (d: number) => Math.max(least, Math.min(most, Math.round(d)));
  const grab = (e: ReactPointerEvent<HTMLDivElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    setGrip({ y: e.clientY, day });
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-orientation="vertical"
      aria-label={label}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={day}
      aria-valuetext={showDay(day)}
      className="absolute inset-x-0 cursor-ns-resize touch-none"
      style={{ top: scale.y(day) - HANDLE_PX / 2, height: HANDLE_PX }}
      onPointerDown={grab}
      onPointerMove={(e) => {
        if (!grip) return;
        const to = clamp(grip.day + (e.clientY - grip.y) / scale.perDay);
        if (to !== day) move(to);
      }}
      onPointerUp={() => setGrip(null)}
      onPointerCancel={() => setGrip(null)}
      onKeyDown={(e) => {
        const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 7, PageUp: -7 }[e.key];
        if (!step) return;
        e.preventDefault();
        move(clamp(day + step));
      }}
    >
      {grip && (
        <span className="border-walnut bg-paper absolute -top-7 left-1/2 z-10 -translate-x-1/2 border-2 px-2 text-sm font-bold whitespace-nowrap">
          {showDay(day)}
        </span>
      )}
    </div>
  );
}
